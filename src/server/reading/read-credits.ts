/** Reads pages with what stands beside their pictures, where credits may be. */
import { parseUrl } from '@/core/address/parse-url';
import { urlOfPath, type SiteAddressing } from '@/core/address/resolve-address';
import { readTree } from '@/core/markup/page-tree';
import { dormantPlacements } from '@/core/markup/place-styles';
import type { Placement } from '@/core/markup/placement';
import { baseOf, readPageTree } from '@/core/markup/read-page';
import { readPageCredits } from '@/core/rights/credit/read-page-credits';
import type { PageOfPlaces } from '@/core/rights/answer-site';
import { readHiding, type HidingRule } from '@/core/styles/hidden-elements';
import { pageInput, type PageBytes } from './read-batch';
import type { SourceShelf } from './source-shelf';

/** The pages of a site with their credits; the dormant places of its sheets come last, as pages without credits. */
export async function* readCredits(
  pages: AsyncIterable<PageBytes>,
  site: SiteAddressing,
  shelf: SourceShelf,
): AsyncGenerator<PageOfPlaces<Placement>> {
  const met = new Set<string>();
  const hiding = new Map<string, readonly HidingRule[]>();
  const hidingOf = (path: string): readonly HidingRule[] => {
    let rules = hiding.get(path);
    if (!rules) hiding.set(path, (rules = readHiding(shelf.sheetOf(path)?.source.text ?? '')));
    return rules;
  };
  for await (const page of pages) {
    const input = pageInput(page, { site, shelf });
    const tree = readTree(input.source);
    const reading = readPageTree(input, tree);
    for (const key of reading.met) met.add(key);
    const base = baseOf(tree, page.url ?? urlOfPath(page.path, site));
    const credits = readPageCredits({
      ...{ tree, address: page.path, placements: reading.placements },
      sheets: reading.sheets.map(hidingOf),
      resolve: (written) => parseUrl(written, base)?.href ?? null,
    });
    yield { address: page.path, placements: reading.placements, credits };
  }
  for (const sheet of shelf.sheets()) {
    const placements = dormantPlacements(sheet, met, site);
    if (placements.length > 0) yield { address: sheet.path, placements, credits: null };
  }
}
