/** Pages with their style sheets as the site has them now, so that a change of their markup can be tried. */
import { urlOfPath, type SiteAddressing } from '@/core/address/resolve-address';
import { readTree } from '@/core/markup/page-tree';
import { sheetText, stylesOfPage, type SheetText, type StyledPage } from '@/core/markup/place-styles';
import { baseOf } from '@/core/markup/read-page';
import type { OpenedSources } from './opened-sources';

/**
 * Gives pages of a site by their paths. Sheets are read once for all pages, a page as long as no other is asked for; a sheet
 * that can't be read now counts as missing, and the styles of its pages as not whole.
 */
export function styledPages(
  sources: OpenedSources,
  site: SiteAddressing,
): (path: string) => Promise<StyledPage> {
  const sheets = new Map<string, SheetText | undefined>();
  let last: { readonly path: string; readonly page: StyledPage } | undefined;
  return async (path) => {
    if (last?.path === path) return last.page;
    const { source } = await sources.open(path);
    const tree = readTree(source);
    const base = baseOf(tree, urlOfPath(path, site));
    const page = { tree, base, site, sheetOf: (sheet: string) => sheets.get(sheet) };
    await readSheetsOf(page, sources, sheets);
    last = { path, page };
    return page;
  };
}

/** Sheets import others: those that are not known yet are asked for until all are. */
async function readSheetsOf(
  page: StyledPage,
  sources: OpenedSources,
  sheets: Map<string, SheetText | undefined>,
): Promise<void> {
  for (;;) {
    const wanted = stylesOfPage(page).paths.filter((sheet) => !sheets.has(sheet));
    if (wanted.length === 0) return;
    for (const sheet of wanted) {
      const opened = await sources.open(sheet).catch(() => undefined);
      sheets.set(sheet, opened && sheetText(sheet, urlOfPath(sheet, page.site), opened.source));
    }
  }
}
