/**
 * Reads a whole site through a connection: style sheets first, then page after page. Nothing is kept of a page
 * once it has been handed out, so that memory does not grow with the site.
 */
import { addressText, urlOfPath, type SiteAddressing } from '@/core/address/resolve-address';
import { dormantPlacements, sheetText, type SheetSource, type SheetText } from '@/core/markup/place-styles';
import type { Placement } from '@/core/markup/placement';
import { readPage, type PageReading } from '@/core/markup/read-page';
import { decodeCss, decodeHtml } from '@/core/source/decode-source';
import { ProblemError } from '../problem-error';
import { isPagePath, isSheetPath, type ReadableConnection, type SiteFile } from './connection';

/** Sheets and pages beyond this are not hand-written; reading them would only cost memory. */
const MAX_TEXT_BYTES = 50 * 1024 ** 2;

/** The pages of a listing; refuses a site that has none. */
export function pagesOf(files: readonly SiteFile[]): readonly SiteFile[] {
  const pages = files.filter((file) => isPagePath(file.path));
  if (pages.length > 0) return pages;
  throw new ProblemError({
    code: 'NO_PAGES',
    what: 'No page was found there.',
    why: `Among ${files.length.toLocaleString('en')} files none ends in .html, .htm, .xhtml or .shtml.`,
    remedy: 'Choose the folder (or ZIP) that holds the site’s pages themselves.',
  });
}

/** Reads every style sheet of a listing once. */
export async function readSheets(
  connection: ReadableConnection,
  files: readonly SiteFile[],
  site: SiteAddressing,
): Promise<Map<string, SheetText>> {
  const sheets = new Map<string, SheetText>();
  for (const file of files) {
    if (!isSheetPath(file.path) || file.sizeBytes > MAX_TEXT_BYTES) continue;
    const source = decodeCss(await connection.read(file.path));
    sheets.set(file.path, sheetText(file.path, urlOfPath(file.path, site), source));
  }
  return sheets;
}

/** Reads the bytes of one page against the site's sheets. */
export function readPageBytes(
  page: { readonly path: string; readonly bytes: Uint8Array },
  site: SiteAddressing,
  sheetOf: SheetSource,
): PageReading {
  return readPage({ address: page.path, source: decodeHtml(page.bytes), site, sheetOf });
}

/** A page with its reading, or the dormant placements of all sheets at the end. */
export type SiteReading =
  | {
      readonly kind: 'page';
      readonly file: SiteFile;
      readonly bytes: Uint8Array;
      readonly reading: PageReading;
    }
  | { readonly kind: 'dormant'; readonly placements: readonly Placement[] };

/** Reads a site page by page; what no page met comes last. */
export async function* readSite(
  connection: ReadableConnection,
  site: SiteAddressing,
): AsyncGenerator<SiteReading> {
  const { files } = await connection.list();
  const pages = pagesOf(files);
  const sheets = await readSheets(connection, files, site);
  const met = new Set<string>();
  for (const file of pages) {
    if (file.sizeBytes > MAX_TEXT_BYTES) continue;
    const bytes = await connection.read(file.path);
    const reading = readPageBytes({ path: file.path, bytes }, site, (path) => sheets.get(path));
    for (const key of reading.met) met.add(key);
    yield { kind: 'page', file, bytes, reading };
  }
  yield {
    kind: 'dormant',
    placements: [...sheets.values()].flatMap((sheet) => dormantPlacements(sheet, met, site)),
  };
}

/** A placement as the command line prints it. */
export function placementRow(placement: Placement) {
  return {
    page: placement.page,
    source: placement.source,
    kind: placement.kind,
    raw: placement.raw,
    url: addressText(placement.address),
    line: placement.line,
    column: placement.column,
    start: placement.start,
    end: placement.end,
    alt: placement.alt,
    name: placement.name,
    caption: placement.caption,
    link: placement.link,
    decorative: placement.decorative,
    dormant: placement.dormant,
  };
}
