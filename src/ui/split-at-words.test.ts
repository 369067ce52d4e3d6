import fc from 'fast-check';
import { expect, it } from 'vitest';
import { splitAtWords } from './split-at-words';

it.each([
  ['The choir in the hall', 'choir', 'The [choir] in the hall'],
  ['Choirs and choirboys', 'CHOIR', '[Choir]s and [choir]boys'],
  ['img/young-choir_2.jpg', 'choir 2', 'img/young-[choir]_[2].jpg'],
  ['An anchoirage', 'choir', 'An anchoirage'],
  ['a (b) c', '(b', 'a ([b]) c'],
  ['Grüße aus Köln', 'köln grü', '[Grü]ße aus [Köln]'],
  ['anything', '', 'anything'],
  ['', 'x', ''],
])('%s for “%s”', (text, query, expected) => {
  const marked = splitAtWords(text, query).map(({ part, isFound }) => (isFound ? `[${part}]` : part));
  expect(marked.join('')).toBe(expected);
});

it('loses nothing', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), fc.string({ unit: 'grapheme' }), (text, query) => {
      expect(splitAtWords(text, query).map(({ part }) => part).join('')).toBe(text); // oxfmt-ignore
    }),
  );
});
