import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { headPlacesOf, oddName, placesOf } from '../fixtures/odd-names';
import { addressesOf, swapped } from '../fixtures/swapped-page';

describe('a reference to a new file', () => {
  it('leads to it, whatever the folder and the old name, wherever it is written', () => {
    fc.assert(
      fc.property(oddName, oddName, (folder, file) => {
        const old = `${folder}/${file}.png`;
        for (const [kind, markup] of [...placesOf(old), ...headPlacesOf(old)]) {
          const page = `<!doctype html><meta charset=utf-8>${markup}`;
          const before = addressesOf(page).filter((address) => address === old);
          expect(before, `${kind} of ${old}`).toHaveLength(1);
          const { text, paths } = swapped(page, old);
          const after = addressesOf(text);
          expect(after, `${kind}: ${text}`).toContain(paths[0]);
          expect(after, kind).not.toContain(old);
        }
      }),
      { numRuns: 60 },
    );
  });
});
