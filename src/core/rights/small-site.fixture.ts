/** A site of a few pages in memory, asked for its rights. */
import { parseUrl } from '../address/parse-url';
import { resolveAddress, siteOfFiles, urlOfPath } from '../address/resolve-address';
import { pageName, pagePathOf } from '../crawl/crawl-scope';
import type { Day } from '../dating/day';
import { readTree } from '../markup/page-tree';
import { sheetText } from '../markup/place-styles';
import type { Placement } from '../markup/placement';
import { readPage } from '../markup/read-page';
import { readHiding } from '../styles/hidden-elements';
import { answerSite, type AnsweredPlace, type PageOfPlaces } from './answer-site';
import { readPageCredits } from './credit/read-page-credits';
import { RecordIndex } from './record-index';
import type { RightsRecord } from './records';

const SITE = siteOfFiles();

/** @param files pages and style sheets by their address */
export function pagesIn(files: Readonly<Record<string, string>>): PageOfPlaces<Placement>[] {
  const source = (text: string) => ({ text, encoding: 'utf-8', isXml: false });
  const sheets = Object.entries(files).filter(([path]) => path.endsWith('.css'));
  const sheetOf = (path: string) => {
    const found = sheets.find(([name]) => name === path);
    return found ? sheetText(path, urlOfPath(path, SITE), source(found[1])) : undefined;
  };
  return Object.entries(files)
    .filter(([path]) => path.endsWith('.html'))
    .map(([address, text]) => {
      const reading = readPage({ address, source: source(text), site: SITE, sheetOf });
      const url = urlOfPath(address, SITE);
      const credits = readPageCredits({
        ...{ tree: readTree(source(text)), address, placements: reading.placements },
        sheets: reading.sheets.map((path) => readHiding(files[path] ?? '')),
        resolve: (written) => parseUrl(written, url)?.href ?? null,
      });
      return { address, placements: reading.placements, credits };
    });
}

/** Asks about all placements of a small site. */
export function answersIn(
  files: Readonly<Record<string, string>>,
  records: readonly RightsRecord[],
  day: Day,
): AnsweredPlace<Placement>[] {
  return answersOn(pagesIn(files), new RecordIndex(records), day);
}

/** Asks about all placements of pages that were read; every file is a picture of its own. */
export function answersOn(
  pages: readonly PageOfPlaces<Placement>[],
  records: RecordIndex,
  day: Day,
): AnsweredPlace<Placement>[] {
  const byName = new Map(pages.map(({ address }) => [pageName(address, SITE), address]));
  const site = {
    records,
    fileOf: ({ address }: Placement) =>
      address.kind === 'site' ? address.path : address.kind === 'elsewhere' ? address.url : null,
    renditionOf: () => undefined,
    pageOf: (url: string) =>
      resolveAddress(url, url, SITE).kind === 'site' ? (byName.get(pagePathOf(url, SITE)) ?? null) : null,
  };
  return [...answerSite(pages, site, day)];
}
