/** The page that an example of a rule stands for, so that tests and documentation show the same. */
import { siteOfFiles } from '../address/resolve-address';
import { dayOf } from '../dating/day';
import { readPage } from '../markup/read-page';
import { placementsToCheck, unknownPicture, type PageToCheck } from './page-to-check';
import type { Example } from './rule';

const TODAY = '2026-11-25';

/** Reads the example's HTML as a page at the top of a site. */
export function examplePage({
  html,
  title = 'Page',
  language = 'en',
  files = {},
  before,
  rights,
  people = [],
  today = TODAY,
}: Example): PageToCheck {
  const [year, month, date] = today.split('-').map(Number);
  const reading = readPage({
    address: 'index.html',
    source: {
      text: `<!doctype html><html lang="${language}"><title>${title}</title><body>${html}`,
      encoding: 'utf-8',
    },
    site: siteOfFiles(),
    sheetOf: () => undefined,
  });
  const placements = placementsToCheck(reading.placements).map((place) => ({
    ...place,
    before: before ?? null,
    rights: rights ?? null,
  }));
  const paths = [...new Set(placements.flatMap(({ filePath }) => filePath ?? []))];
  return {
    ...{ path: 'index.html', title: reading.title, language: reading.language, placements },
    pictures: new Map(paths.map((path) => [path, { ...unknownPicture(path), ...files[path] }])),
    people,
    titles: new Map(),
    today: dayOf(year ?? 0, month ?? 0, date ?? 0) ?? 0,
  };
}
