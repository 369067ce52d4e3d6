import fc from 'fast-check';
import { expect, it } from 'vitest';
import { dayOf, type Day } from '../dating/day';
import { RecordIndex } from './record-index';
import type { RightsRecord } from './records';
import { answersOn, pagesIn } from './small-site.fixture';

const TODAY = dayOf(2026, 11, 28) as Day;

/** What people write into fields: names, marks that mean something to patterns, other scripts, nothing. */
const said = fc.oneof(
  fc.constantFrom('Ann Lee', 'img/a-b.jpg', 'img/*-small.*', '**/a.jpg', '(a|b)+', '[x', '\\', '$1', '.*', '*', 'Çağ–日本', 'CC-BY-4.0', 'own:x', '{creator}', '\u0000', ' ', '😀'), // oxfmt-ignore
  fc.string({ unit: 'grapheme', maxLength: 12 }),
);
const day = fc.option(fc.integer({ min: TODAY - 900, max: TODAY + 900 }), { nil: undefined });
const record: fc.Arbitrary<RightsRecord> = fc.oneof(
  fc.record({ record: fc.constant('picture' as const), files: fc.array(said, { minLength: 1, maxLength: 3 }), title: said, creator: fc.array(said, { maxLength: 3 }), holder: said, source: said, licence: said, from: day, until: day, people: fc.constantFrom('none' as const, 'some' as const, null, undefined) }), // oxfmt-ignore
  fc.record({ record: fc.constant('licence' as const), id: said, name: said, line: said, credit: fc.boolean(), commercial: fc.boolean(), modify: fc.boolean(), sites: fc.array(said, { maxLength: 2 }), purposes: fc.array(said, { maxLength: 2 }), from: day, until: day }), // oxfmt-ignore
  fc.record({
    record: fc.constant('section' as const),
    pattern: said,
    purpose: said,
    commercial: fc.boolean(),
  }),
  fc.record({ record: fc.constant('shows' as const), files: fc.array(said, { minLength: 1, maxLength: 2 }), people: fc.array(said, { maxLength: 2 }) }), // oxfmt-ignore
  fc.record({ record: fc.constant('person' as const), id: said, releases: fc.array(fc.record({ purposes: fc.array(said, { maxLength: 2 }), from: day, until: day, withdrawn: day }), { maxLength: 3 }) }), // oxfmt-ignore
  fc.record({ record: fc.constant('credit-form' as const), always: fc.boolean(), form: said, pattern: said }),
  fc.record({ record: fc.constant('site' as const), host: said, credits: fc.array(said, { maxLength: 2 }) }),
);

it('whatever is recorded, every place has an answer with a sentence, and its reasons are sorted', () => {
  const html = (caption: string) =>
    `<title>${caption}</title><figure><img src="img/a-b.jpg"><figcaption>${caption}</figcaption></figure><p>${caption}</p><img src="img/a-small.jpg"><a href="credits.html">Photo credits</a>`;
  fc.assert(
    fc.property(fc.array(record, { maxLength: 8 }), said, (records, caption) => {
      const text = caption.replace(/[<&]/gu, '');
      const pages = pagesIn({ 'index.html': html(text), 'credits.html': `<title>Photo credits</title><p>${text}: a-b.jpg, Ann Lee</p>` });
      const answers = [...answersOn(pages, new RecordIndex(records), TODAY)];
      expect(answers.length).toBeGreaterThanOrEqual(2);
      for (const { answer } of answers) {
        expect(answer.chain.length).toBeGreaterThan(0);
        expect(answer.because).toEqual([...answer.because].sort());
        if (answer.may === 'no') expect(answer.until).toBeNull();
      }
    }),
    { numRuns: 600 },
  );
}); // oxfmt-ignore
