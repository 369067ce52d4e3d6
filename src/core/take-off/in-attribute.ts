/** Takes candidates out of a list of them (`srcset`, `imagesrcset`, `data-srcset`). */
import { parseSrcset } from '../markup/parse-srcset';
import type { Span } from '../source/span';

/**
 * What to cut of an attribute's decoded value so that some of its candidates go, each with one of its commas.
 *
 * @param spots offsets into the value at which the addresses begin
 * @returns `null` where none would be left: then the attribute goes
 */
export function cutsInList(value: string, spots: readonly number[]): Span[] | null {
  const all = parseSrcset(value);
  const isGone = all.map(({ start }) => spots.includes(start));
  const firstLeft = isGone.indexOf(false);
  if (firstLeft < 0) return null;
  return all.flatMap(({ start, end, descriptor }, i) => {
    if (!isGone[i]) return [];
    const next = all[i + 1];
    if (i < firstLeft && next) return [{ start, end: next.start }];
    const before = all[i - 1];
    return [{ start: before ? endOf(value, before) : start, end: endOf(value, { end, descriptor }) }];
  });
}

/** Behind a candidate's descriptor, before its comma. */
function endOf(value: string, { end, descriptor }: { end: number; descriptor: string }): number {
  return descriptor === '' ? end : value.indexOf(descriptor, end) + descriptor.length;
}
