import fc from 'fast-check';
import { expect, it } from 'vitest';
import { dayOf, isoDay, type Day } from '../dating/day';
import { NO_CREDIT } from './credit/find-credit';
import { may, type Answer } from './may';
import type { Modification } from './modification';
import { RecordIndex } from './record-index';
import type { PictureFields, Release, RightsRecord } from './records';

const on = (text: string): Day => {
  const [year, month, date] = text.split('-').map(Number) as [number, number, number];
  return dayOf(year, month, date) as Day;
};
const TODAY = on('2026-11-27');

interface Asked {
  readonly page?: string;
  readonly url?: string;
  readonly master?: string | null;
  readonly changes?: readonly Modification[];
}

const asked = (records: readonly RightsRecord[], of: Asked = {}, day = TODAY): Answer => {
  const { page = 'index.html', url = 'img/hall.jpg', master = null, changes = [] } = of;
  return may(
    { page, file: { url, master }, changes: () => changes, credit: NO_CREDIT },
    day,
    new RecordIndex(records),
  );
};
const said = ({ may: verdict, because }: Answer) => [verdict, ...because].join(' ');

const picture = (fields: PictureFields, files = ['img/hall.jpg']): RightsRecord => ({ record: 'picture', files, ...fields }); // oxfmt-ignore
const OWN = picture({ licence: 'own-work' });
const SHOP: RightsRecord = { record: 'section', pattern: 'shop/**', purpose: 'selling', commercial: true };
const LESSONS: RightsRecord = { record: 'section', pattern: 'lessons/**', purpose: 'teaching' };
const SHOWS: RightsRecord = { record: 'shows', files: ['img/hall.jpg'], people: ['p1'] };
const person = (releases: readonly Release[]): RightsRecord => ({ record: 'person', id: 'p1', releases });
const BRIGHT = { record: 'licence', id: 'own:bright' } as const;
const LESSON = { page: 'lessons/cello.html' };
const CROP: Asked = { url: 'img/crop.jpg', master: 'img/hall.jpg', changes: ['cropped'] };
const WITHDRAWN: Release = { purposes: ['teaching'], withdrawn: on('2026-03-02') };

it.each<[string, readonly RightsRecord[], Asked, string]>([
  ['no record', [], {}, 'unknown source-unknown'],
  ['own work', [OWN], {}, 'yes'],
  ['no licence', [picture({ creator: ['Ann Lee'] })], {}, 'unknown licence-unknown'],
  ['a licence that nobody knows', [picture({ licence: 'MIT' })], {}, 'unknown licence-unknown'],
  ['a port that SPDX does not list', [picture({ licence: 'CC-BY-3.0-FR' })], {}, 'unknown licence-unknown'],
  ['ids in any case', [picture({ licence: 'cc0-1.0' })], {}, 'yes'],
  ['public domain', [picture({ licence: 'PDM-1.0' })], {}, 'yes'],
  ['by a pattern', [picture({ licence: 'own-work' }, ['img/*'])], {}, 'yes'],
  ['a pattern within one folder only', [picture({ licence: 'own-work' }, ['*'])], {}, 'unknown source-unknown'],
  ['across folders', [picture({ licence: 'own-work' }, ['**/hall.jpg'])], {}, 'yes'],
  ['across no folder', [picture({ licence: 'own-work' }, ['**/hall.jpg'])], { url: 'hall.jpg' }, 'yes'],
  ['the master covers its renditions', [OWN], { url: 'img/small.jpg', master: 'img/hall.jpg' }, 'yes'],
  ['a rendition says nothing of its master', [picture({ licence: 'own-work' }, ['img/small.jpg'])], { master: 'img/hall.jpg' }, 'unknown source-unknown'],
  ['nor of another rendition', [picture({ licence: 'own-work' }, ['img/small.jpg'])], { url: 'img/tiny.jpg', master: 'img/hall.jpg' }, 'unknown source-unknown'],
  ['address before pattern', [picture({ licence: 'own-work' }), picture({ licence: 'MIT' }, ['img/*'])], {}, 'yes'],
  ['family before pattern', [picture({ licence: 'own-work' }), picture({ licence: 'MIT' }, ['img/*'])], { url: 'img/s.jpg', master: 'img/hall.jpg' }, 'yes'],
  ['address before family', [picture({ licence: 'own-work' }, ['img/s.jpg']), picture({ licence: 'MIT' })], { url: 'img/s.jpg', master: 'img/hall.jpg' }, 'yes'],
  ['more literal characters first', [picture({ licence: 'own-work' }, ['img/ha*']), picture({ licence: 'MIT' }, ['img/*'])], {}, 'yes'],
  ['field by field', [picture({ licence: 'own-work' }, ['img/*']), picture({ people: 'some' })], {}, 'unknown people-unasked'],
  ['a null stands before what is less exact', [picture({ licence: null }), picture({ licence: 'own-work' }, ['img/*'])], {}, 'unknown licence-unknown'],
  ['the later of two', [picture({ licence: 'MIT' }), picture({ licence: 'own-work' })], {}, 'yes'],
  ['purchase ended', [picture({ licence: 'own-work', until: on('2026-11-26') })], {}, 'no licence-ended'],
  ['on its last day', [picture({ licence: 'own-work', until: TODAY })], {}, 'yes'],
  ['not yet', [picture({ licence: 'CC0-1.0', from: on('2026-11-28') })], {}, 'no licence-not-yet'],
  ['ended, without a licence', [picture({ until: on('2020-01-01') })], {}, 'no licence-ended licence-unknown'],
  ['licence ended and purchase not begun', [{ ...BRIGHT, until: on('2020-01-01') }, picture({ licence: 'own:bright', from: on('2030-01-01') })], {}, 'no licence-ended licence-not-yet'],
  ['purpose allowed', [LESSONS, { ...BRIGHT, purposes: ['teaching'] }, picture({ licence: 'own:bright' })], LESSON, 'yes'],
  ['purpose not allowed', [{ ...BRIGHT, purposes: ['teaching'] }, picture({ licence: 'own:bright' })], {}, 'no licence-purpose'],
  ['no purposes listed', [{ ...BRIGHT, purposes: [] }, picture({ licence: 'own:bright' })], {}, 'yes'],
  ['non-commercial in the shop', [SHOP, picture({ licence: 'CC-BY-NC-4.0' })], { page: 'shop/a.html' }, 'no licence-noncommercial'],
  ['non-commercial elsewhere', [SHOP, picture({ licence: 'CC-BY-NC-4.0' })], {}, 'yes'],
  ['own terms, not commercial', [SHOP, { ...BRIGHT, commercial: false }, picture({ licence: 'own:bright' })], { page: 'shop/a.html' }, 'no licence-noncommercial'],
  ['a crop of no derivatives', [picture({ licence: 'CC-BY-ND-4.0' })], CROP, 'no licence-noderivatives'],
  ['a crop of own terms', [{ ...BRIGHT, modify: false }, picture({ licence: 'own:bright' })], CROP, 'no licence-noderivatives'],
  ['a rescale of no derivatives', [picture({ licence: 'CC-BY-ND-4.0' })], { ...CROP, changes: [] }, 'yes'],
  ['a crop that its record names', [picture({ licence: 'CC-BY-ND-4.0' }, ['img/hall.jpg', 'img/crop.jpg'])], CROP, 'yes'],
  ['a crop covered by a pattern', [picture({ licence: 'CC-BY-ND-4.0' }, ['img/*'])], CROP, 'no licence-noderivatives'],
  ['this site', [{ record: 'site', host: 'WWW.Ferndrake.example' }, { ...BRIGHT, sites: ['www.ferndrake.example'] }, picture({ licence: 'own:bright' })], {}, 'yes'],
  ['an address with the site’s own host', [{ record: 'site', host: 'www.ferndrake.example' }, picture({ licence: 'own-work' }, ['https://www.ferndrake.example/img/hall.jpg'])], {}, 'yes'],
  ['another site', [{ record: 'site', host: 'www.ferndrake.example' }, { ...BRIGHT, sites: ['festival.example'] }, picture({ licence: 'own:bright' })], {}, 'no licence-site'],
  ['people, nobody named', [OWN, picture({ people: 'some' })], {}, 'unknown people-unasked'],
  ['nobody can be recognised', [OWN, picture({ people: 'none' })], {}, 'yes'],
  ['a person without a record', [OWN, SHOWS], {}, 'unknown people-unasked'],
  ['who is on it stands before whether anybody is', [OWN, picture({ people: 'none' }), SHOWS, person([])], {}, 'no release-none'],
  ['a release', [OWN, SHOWS, person([{}])], {}, 'yes'],
  ['people count without a record of the picture', [SHOWS, person([])], {}, 'no release-none source-unknown'],
  ['release ended', [OWN, SHOWS, person([{ until: on('2026-08-31') }])], {}, 'no release-ended'],
  ['release not yet', [OWN, SHOWS, person([{ from: on('2026-12-01') }])], {}, 'no release-not-yet'],
  ['one ended, one to come', [OWN, SHOWS, person([{ until: on('2026-08-31') }, { from: on('2026-12-01') }])], {}, 'no release-not-yet'],
  ['for another purpose', [OWN, SHOWS, person([{ purposes: ['teaching'] }])], {}, 'no release-purpose'],
  ['for another purpose, and over', [OWN, SHOWS, person([{ purposes: ['teaching'], until: on('2020-01-01') }])], {}, 'no release-purpose'],
  ['fitting one over, other purpose in force', [OWN, SHOWS, person([{ until: on('2020-01-01') }, { purposes: ['teaching'] }])], {}, 'no release-purpose'],
  ['withdrawn', [LESSONS, OWN, SHOWS, person([WITHDRAWN])], LESSON, 'no release-withdrawn'],
  ['withdrawn stands before purpose', [OWN, SHOWS, person([WITHDRAWN])], {}, 'no release-withdrawn'],
  ['withdrawn, another in force', [LESSONS, OWN, SHOWS, person([WITHDRAWN, { from: on('2026-09-01') }])], LESSON, 'yes'],
  ['withdrawn tomorrow', [LESSONS, OWN, SHOWS, person([{ withdrawn: on('2026-11-28') }])], LESSON, 'yes'],
  ['two people, each with a reason', [OWN, { ...SHOWS, people: ['p1', 'p2'] } as RightsRecord, person([]), { record: 'person', id: 'p2', releases: [{ until: on('2020-01-01') }] }], {}, 'no release-ended release-none'],
  ['the most exact list of people', [OWN, SHOWS, { record: 'shows', files: ['img/*'], people: ['p2'] }, person([{}])], {}, 'yes'],
  ['equally exact lists together', [OWN, SHOWS, { record: 'shows', files: ['img/hall.jpg'], people: ['p2'] }, person([{}])], {}, 'unknown people-unasked'],
  ['the section with the most literal characters', [SHOP, { record: 'section', pattern: 'shop/lessons/**', purpose: 'teaching' }, picture({ licence: 'CC-BY-NC-4.0' })], { page: 'shop/lessons/a.html' }, 'yes'],
])('%s', (_, records, of, expected) => {
  const answer = asked(records, of);
  expect(said(answer)).toBe(expected);
  expect(answer.chain.length).toBeGreaterThan(0);
}); // oxfmt-ignore

it.each<[string, readonly RightsRecord[], string | null]>([
  ['a purchase', [picture({ licence: 'own-work', until: on('2026-12-31') })], '2027-01-01'],
  ['no end', [OWN], null],
  ['a release that is withdrawn later', [OWN, SHOWS, person([{ withdrawn: on('2026-12-24'), until: on('2027-01-31') }])], '2026-12-24'],
  ['a release that follows without a gap', [OWN, SHOWS, person([{ until: on('2026-12-31') }, { from: on('2027-01-01'), until: on('2027-06-30') }])], '2027-07-01'],
  ['a release with a gap', [OWN, SHOWS, person([{ until: on('2026-12-31') }, { from: on('2027-01-03') }])], '2027-01-01'],
  ['unknown, and an end all the same', [picture({ until: on('2026-12-31') })], '2027-01-01'],
  ['no already', [picture({ licence: 'own-work', until: on('2020-01-01') })], null],
])('until: %s', (_, records, expected) => {
  const { until } = asked(records);
  expect(until === null ? null : isoDay(until)).toBe(expected);
}); // oxfmt-ignore

it.each<[string, RegExp | null]>([
  ['Great Britain', /It is given for Great Britain, and pages are read everywhere/u],
  ['the whole world', null],
  ['weltweit', null],
])('a licence for %s is told in the chain, and changes no answer', (territory, sentence) => {
  const { may: verdict, chain } = asked([
    picture({ licence: 'own:bright' }),
    { ...BRIGHT, territory } as RightsRecord,
  ]);
  expect(verdict).toBe(asked([picture({ licence: 'own:bright' }), BRIGHT]).may);
  const said = chain.map((step) => step.sentence).filter((one) => one.includes('It is given for'));
  if (sentence) expect(said).toEqual([expect.stringMatching(sentence)]);
  else expect(said).toEqual([]);
});

const anyDay = fc.integer({ min: TODAY - 60, max: TODAY + 60 });
const anyRelease: fc.Arbitrary<Release> = fc.record(
  {
    purposes: fc.constantFrom(['teaching'], ['general'], []),
    ...{ from: anyDay, until: anyDay, withdrawn: fc.option(anyDay) },
  },
  { requiredKeys: [] },
);
const anyRecords: fc.Arbitrary<RightsRecord[]> = fc.tuple(
  fc.record({ licence: fc.constantFrom('own-work', 'own:bright', 'MIT', 'CC-BY-ND-4.0', null), until: fc.option(anyDay), people: fc.constantFrom('some' as const, 'none' as const, undefined) }).map((fields) => picture(fields)),
  fc.record({ purposes: fc.constantFrom(['teaching'], []), from: fc.option(anyDay), until: fc.option(anyDay) }).map((fields): RightsRecord => ({ ...BRIGHT, ...fields })),
  fc.constantFrom(SHOWS, LESSONS),
  fc.array(anyRelease, { maxLength: 3 }).map(person),
); // oxfmt-ignore

it('every answer has a sentence for each of its reasons', () => {
  fc.assert(
    fc.property(anyRecords, (records) => {
      const { because, chain } = asked(records);
      expect(chain.length).toBeGreaterThan(because.length);
    }),
  );
});

it('the order of records that are not equally exact never matters', () => {
  fc.assert(
    fc.property(anyRecords, fc.boolean(), (records, isLesson) => {
      const of = isLesson ? LESSON : {};
      expect(asked(records.toReversed(), of)).toEqual(asked(records, of));
    }),
  );
});

it('until is the first day on which the answer is no', () => {
  fc.assert(
    fc.property(anyRecords, (records) => {
      const { may: verdict, until } = asked(records);
      const first = Array.from({ length: 200 }, (_, i) => TODAY + 1 + i).find((day) => asked(records, {}, day).may === 'no'); // oxfmt-ignore
      expect(until).toBe(verdict === 'no' ? null : (first ?? null));
    }),
  );
});

it('what only narrows never turns no into yes', () => {
  const narrower: fc.Arbitrary<RightsRecord> = fc.constantFrom<RightsRecord>(
    { record: 'shows', files: ['img/hall.jpg'], people: ['p9'] },
    { ...BRIGHT, sites: ['elsewhere.example'] },
    { ...BRIGHT, commercial: false },
    { record: 'credit-form', always: true },
  );
  fc.assert(
    fc.property(anyRecords, narrower, (records, added) => {
      if (asked(records).may === 'no') expect(asked([...records, added]).may).not.toBe('yes');
    }),
  );
});
