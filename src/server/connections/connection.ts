/** How Ibidem reaches a site's files, wherever they live. A new way in is a file beside this one. */

/** One file of a site as its listing shows it. */
export interface SiteFile {
  /** Relative to the site's root, with `/` between segments. */
  readonly path: string;
  readonly sizeBytes: number;
  /** Last change in ms since 1970, or `null` where the connection can't tell. */
  readonly modifiedMs: number | null;
}

/** Something at the site that was not read, and why. */
export interface SkippedEntry {
  readonly path: string;
  readonly reason: string;
}

export interface SiteListing {
  readonly files: readonly SiteFile[];
  readonly skipped: readonly SkippedEntry[];
}

export interface ReadableConnection {
  list(): Promise<SiteListing>;
  /** The bytes of a file; rejects with a `ProblemError` where it can't be had. */
  read(path: string): Promise<Uint8Array>;
  close(): Promise<void>;
}

export interface WritableConnection extends ReadableConnection {
  /** Replaces or adds a file at one stroke: readers see the old bytes or the new ones, never a part. */
  write(path: string, bytes: Uint8Array): Promise<void>;
  /** Takes a file away; it is no error when it is gone already. */
  remove(path: string): Promise<void>;
}

const PAGE_NAME = /\.(?:html?|xhtml|xht|shtml?)$/i;
const SHEET_NAME = /\.css$/i;

/** Whether a path is a page, judged by its ending. */
export function isPagePath(path: string): boolean {
  return PAGE_NAME.test(path);
}

/** Whether a path is a style sheet, judged by its ending. */
export function isSheetPath(path: string): boolean {
  return SHEET_NAME.test(path);
}
