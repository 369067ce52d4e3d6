/** Whole pages, cut, doubled and strewn with odd characters: reading never throws, and edits return exactly. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { textFiles } from '@demo/site/generate';
import { siteOfFiles } from '@/core/address/resolve-address';
import { applyEdits } from '@/core/edit/apply-edits';
import { decodeHtml } from '@/core/source/decode-source';
import { readPage } from '@/core/markup/read-page';

const originals = [...textFiles()].filter(([path]) => /\.html?$/.test(path)).map(([, bytes]) => bytes);
const odd = [
  '<',
  '>',
  '"',
  "'",
  '&',
  '<!--',
  '</',
  '<table>',
  '<svg>',
  '<noscript>',
  '<style>',
  '<template>',
  '\0',
  '\u00ff\u00fe',
  '\r',
  '<iframe srcdoc="',
  ' srcset="a 1x,',
];

/** One change to a page's bytes: a piece taken out, said twice, or something odd put in. */
const mutation = fc.record({
  at: fc.double({ min: 0, max: 1, noNaN: true }),
  length: fc.integer({ min: 0, max: 200 }),
  how: fc.constantFrom('cut', 'twice', 'put'),
  text: fc.constantFrom(...odd),
});
type Mutation = typeof mutation extends fc.Arbitrary<infer T> ? T : never;

function mutate(bytes: Uint8Array, changes: readonly Mutation[]): Buffer {
  let now = Buffer.from(bytes);
  for (const { at, length, how, text } of changes) {
    const start = Math.floor(at * now.length);
    const piece = now.subarray(start, start + length);
    const middle =
      how === 'cut' ? [] : how === 'twice' ? [piece, piece] : [Buffer.from(text, 'latin1'), piece];
    now = Buffer.concat([now.subarray(0, start), ...middle, now.subarray(start + length)]);
  }
  return now;
}

const site = siteOfFiles();

describe('a mutated page', () => {
  it('is read, its spans hold, and what is changed in it can be taken back to the byte', () => {
    fc.assert(
      fc.property(
        fc.nat(originals.length - 1),
        fc.array(mutation, { minLength: 1, maxLength: 6 }),
        fc.constantFrom('new.jpg', `${'a-long-'.repeat(30)}name.jpg`),
        (n, changes, becomes) => {
          const bytes = mutate(originals[n] as Uint8Array, changes);
          const source = decodeHtml(bytes);
          const { placements } = readPage({ address: 'a/b.html', source, site, sheetOf: () => undefined });
          const own = placements.filter((placement) => placement.source === 'a/b.html');
          for (const { start, end, raw } of own) expect(source.text.slice(start, end)).toBe(raw);
          const edits = [...new Map(own.map((placement) => [placement.start, placement])).values()]
            .sort((a, b) => a.start - b.start)
            .filter(({ start }, i, all) => start >= (all[i - 1]?.end ?? 0))
            .map(({ start, end, raw }) => ({ start, end, was: raw, becomes }));
          const there = applyEdits({ bytes, source }, edits);
          if (!there.ok) {
            // The only refusal: what would make the whole page be read in another encoding.
            expect(there.problem.code).toBe('EDIT_ENCODING_MOVED');
            return;
          }
          const back = applyEdits({ bytes: there.bytes, source: decodeHtml(there.bytes) }, there.inverse);
          if (!back.ok) throw new Error(back.problem.why);
          expect(Buffer.from(back.bytes).equals(bytes)).toBe(true);
        },
      ),
      { numRuns: 300 },
    );
  });
});
