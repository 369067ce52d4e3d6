/** Takes the pictures of a page off that are called `x…`, as one who has chosen all their places would. */
import { siteOfFiles } from '../address/resolve-address';
import { applyEdits } from '../edit/apply-edits';
import { readPage } from '../markup/read-page';
import { decodeSource } from '../source/decode-source';
import { takeOff, type TakenOff } from './take-off';

/** What is left of a page, and what was said of it. */
export interface Left {
  readonly text: string;
  readonly taken: TakenOff;
}

export function takeOffFrom(written: string, path = 'index.html'): Left {
  const bytes = new TextEncoder().encode(written);
  const source = decodeSource(path, bytes);
  const spots = spotsOf(written, path);
  const taken = takeOff(path, source, spots);
  const result = applyEdits({ bytes, source }, taken.edits);
  if (!result.ok) throw new Error(JSON.stringify(result.problem));
  return { text: new TextDecoder().decode(result.bytes), taken };
}

function placesOf(written: string, path: string) {
  const source = decodeSource(path, new TextEncoder().encode(written));
  return readPage({ address: path, source, site: siteOfFiles(), sheetOf: () => undefined }).placements;
}

/** The addresses of a page's pictures, in the order read. */
export const readAll = (written: string): string[] => placesOf(written, 'index.html').map(({ raw }) => raw);

function spotsOf(written: string, path: string): { start: number; end: number }[] {
  if (/\.(?:css|webmanifest)$/u.test(path)) {
    return [...written.matchAll(/x[\w-]*\.\w+/gu)].map(({ index, 0: found }) => ({
      start: index,
      end: index + found.length,
    }));
  }
  return placesOf(written, path)
    .filter(({ raw }) => /(?:^|\/)x[\w-]*\.\w+$/u.test(raw))
    .map(({ start, end }) => ({ start, end }));
}
