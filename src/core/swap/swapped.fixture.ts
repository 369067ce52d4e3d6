/** A page in which one picture is swapped, for the tests of what is written around its address. */
import { siteOfFiles, urlOfPath } from '../address/resolve-address';
import { applyEdits } from '../edit/apply-edits';
import { readTree } from '../markup/page-tree';
import { sheetText } from '../markup/place-styles';
import { readPage } from '../markup/read-page';
import { decodeSource } from '../source/decode-source';
import { wrapOf } from './format-beside';
import type { NewerFormat, NotBeside } from './newer-format';
import { planSwap, type SwapPlace } from './plan-swap';
import { editsOfPlace } from './swap-edits';
import { canBeListed, listsOfPage } from './width-list';

interface Swapping {
  readonly candidate?: { readonly widthPx: number; readonly heightPx: number; readonly format?: string };
  /** The newer format that the site wants besides; absent where it keeps the old ones. */
  readonly newer?: NewerFormat;
  /** Style sheets of the site, by their paths. */
  readonly sheets?: Readonly<Record<string, string>>;
  readonly page?: string;
}

const site = siteOfFiles();

/** The placements of a page, each with its spot. */
export const placesOf = (text: string, address = 'p.html') =>
  readPage({
    ...{ address, source: decodeSource(address, new TextEncoder().encode(text)), site },
    sheetOf: () => undefined,
  }).placements.map((place) => ({ ...place, spot: place.thread }));

/** The page once `img/old.jpg` is swapped in all its places, by default for a photograph of 3,000 × 2,000 pixels. */
export function swapped(text: string, { candidate, newer, sheets = {}, page = 'p.html' }: Swapping = {}) {
  const spots = placesOf(text, page);
  const lists = listsOfPage(spots);
  const bytes = new TextEncoder().encode(text);
  const source = decodeSource(page, bytes);
  const styled = {
    ...{ tree: readTree(source), base: urlOfPath(page, site), site },
    sheetOf: (path: string) => {
      const sheet = sheets[path];
      return sheet === undefined
        ? undefined
        : sheetText(path, urlOfPath(path, site), { text: sheet, encoding: 'utf-8' });
    },
  };
  const refused: NotBeside[] = [];
  const newerOf = (place: (typeof spots)[number]): SwapPlace['newer'] => {
    if (!newer) return undefined;
    const found = wrapOf(place, styled);
    if ('because' in found) refused.push(found.because);
    return 'wrap' in found ? { format: newer, ...found } : found;
  };
  const places = spots
    .filter(({ raw }) => raw.endsWith('old.jpg'))
    .map((place) => ({
      ...{ ...place, path: 'img/old.jpg', newer: newerOf(place) },
      isListed: canBeListed(place, lists, source.text),
    }));
  const plan = planSwap({
    ...{ places, oldPath: 'img/old.jpg', isTaken: () => false },
    oldSize: () => ({ widthPx: 300, heightPx: 200 }),
    candidate: {
      ...{ widthPx: 3000, heightPx: 2000, format: 'jpeg', ...candidate },
      ...{ isAnimated: false, focal: { x: 0.5, y: 0.5 }, slug: 'new' },
    },
  });
  const edits = plan.places.flatMap((planned) =>
    editsOfPlace(planned, source, { alt: 'A <b>', caption: null }),
  );
  const result = applyEdits({ bytes, source }, edits);
  if (!result.ok) throw new Error(result.problem.what);
  const html = new TextDecoder().decode(result.bytes);
  return { html, files: plan.renditions.map(({ path }) => path), refused, edits };
}
