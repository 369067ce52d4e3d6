/** A page with its style sheets as the site has them now, so that a change of its markup can be tried. */
import { urlOfPath, type SiteAddressing } from '@/core/address/resolve-address';
import { readTree } from '@/core/markup/page-tree';
import { sheetText, stylesOfPage, type SheetText, type StyledPage } from '@/core/markup/place-styles';
import { baseOf } from '@/core/markup/read-page';
import type { OpenedSources } from './opened-sources';

/**
 * @param path of the page
 * @returns the page; a sheet that can't be read now counts as missing, and its styles as not whole
 */
export async function styledPage(
  sources: OpenedSources,
  path: string,
  site: SiteAddressing,
): Promise<StyledPage> {
  const { source } = await sources.open(path);
  const tree = readTree(source);
  const base = baseOf(tree, urlOfPath(path, site));
  const sheets = new Map<string, SheetText | undefined>();
  const page = { tree, base, site, sheetOf: (sheet: string) => sheets.get(sheet) };
  // Sheets import others: those that are not known yet are asked for until all are.
  for (;;) {
    const wanted = stylesOfPage(page).paths.filter((sheet) => !sheets.has(sheet));
    if (wanted.length === 0) return page;
    for (const sheet of wanted) {
      const opened = await sources.open(sheet).catch(() => undefined);
      sheets.set(sheet, opened && sheetText(sheet, urlOfPath(sheet, site), opened.source));
    }
  }
}
