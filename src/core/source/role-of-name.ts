/** What a file of a site is, judged by its name alone; where a server says what it is, that counts instead. */

const PAGE_NAME = /\.(?:html?|xhtml|xht|shtml?)$/i;
const XML_NAME = /\.(?:xhtml|xht)$/i;
const SHEET_NAME = /\.css(?:\?.*)?$/i;
const MANIFEST_NAME = /\.webmanifest$|(?:^|\/)[^/]*manifest[^/]*\.json$/i;

/** Whether a path is a page, judged by its ending. */
export function isPagePath(path: string): boolean {
  return PAGE_NAME.test(path);
}

/** Whether a path is a page written in XML, judged by its ending. */
export function isXmlPath(path: string): boolean {
  return XML_NAME.test(path);
}

/** Whether a path is a style sheet, judged by its ending. */
export function isSheetPath(path: string): boolean {
  return SHEET_NAME.test(path);
}

/** Whether a path may be a web app manifest, judged by its name. */
export function isManifestPath(path: string): boolean {
  return MANIFEST_NAME.test(path);
}
