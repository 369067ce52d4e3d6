import { describe, expect, it } from 'vitest';
import { hostOf, RecordIndex } from './record-index';
import type { PictureFields, RightsRecord } from './records';

const picture = (files: readonly string[], fields: PictureFields): RightsRecord => ({ record: 'picture', files, ...fields }); // oxfmt-ignore
const HALL = { url: 'img/hall.jpg', master: null };
const SMALL = { url: 'img/small/hall.jpg', master: 'img/hall.jpg' };

const fieldsOf = (records: readonly RightsRecord[], file: { url: string; master: string | null } = HALL) =>
  new RecordIndex(records).picture(file)?.fields ?? null;

describe('what covers a file', () => {
  it.each<[string, readonly string[], boolean]>([
    ['its address', ['img/hall.jpg'], true],
    ['another address', ['img/Hall.jpg'], false],
    ['its folder', ['img/*'], true],
    ['the folder above', ['*'], false],
    ['all folders', ['**'], true],
    ['a name anywhere', ['**/hall.jpg'], true],
    ['a part of its name', ['img/h*.jpg'], true],
    ['another ending', ['img/*.png'], false],
    ['signs of expressions as they are', ['img/hall.jp.'], false],
    ['one of several', ['img/a.jpg', 'img/hall.jpg'], true],
    ['with the site’s own host', ['https://www.ferndrake.example/img/hall.jpg'], true],
    ['with another host', ['https://other.example/img/hall.jpg'], false],
  ])('%s', (_, files, isCovered) => {
    const site: RightsRecord = { record: 'site', host: 'www.ferndrake.example' };
    expect(fieldsOf([site, picture(files, { title: 'Hall' })]) !== null).toBe(isCovered);
  });

  it('tells by what, the most exact first', () => {
    const records = [picture(['img/**'], {}), picture(['img/hall.jpg'], {}), picture(['img/small/*'], {})];
    expect(new RecordIndex(records).picture(SMALL)?.by).toEqual([
      { entry: 'img/hall.jpg', how: 'family' },
      { entry: 'img/**', how: 'family' },
      { entry: 'img/small/*', how: 'pattern' },
      { entry: 'img/**', how: 'pattern' },
    ]);
  });

  it('says by what the licence is known', () => {
    const records = [
      picture(['img/small/hall.jpg'], { title: 'Small' }),
      picture(['img/*'], { licence: 'CC0-1.0' }),
    ];
    expect(new RecordIndex(records).picture(SMALL)?.licenceBy).toBe('family');
    expect(new RecordIndex(records).picture(HALL)?.licenceBy).toBe('pattern');
    expect(new RecordIndex([records[0] as RightsRecord]).picture(SMALL)?.licenceBy).toBeNull();
  });
});

describe('of several records', () => {
  it.each<[string, readonly RightsRecord[], PictureFields]>([
    ['the more exact', [picture(['img/hall.jpg'], { holder: 'A' }), picture(['img/*'], { holder: 'B' })], { holder: 'A' }],
    ['field by field', [picture(['img/hall.jpg'], { title: 'A' }), picture(['img/*'], { title: 'B', holder: 'B' })], { title: 'A', holder: 'B' }],
    ['the later of two as exact', [picture(['img/hall.jpg'], { title: 'A' }), picture(['img/hall.jpg'], { title: 'B' })], { title: 'B' }],
    ['the pattern that says more', [picture(['img/ha*'], { title: 'A' }), picture(['img/*'], { title: 'B' })], { title: 'A' }],
    ['null before a less exact word', [picture(['img/hall.jpg'], { holder: null }), picture(['img/*'], { holder: 'B' })], { holder: null }],
    ['an empty list says nothing', [picture(['img/hall.jpg'], { creator: [] }), picture(['img/*'], { creator: ['B'] })], { creator: ['B'] }],
    ['a field that is not there says nothing', [picture(['img/hall.jpg'], { creator: undefined }), picture(['img/*'], { creator: ['B'] })], { creator: ['B'] }],
  ])('%s counts', (_, records, fields) => {
    expect(fieldsOf(records)).toEqual(fields);
  }); // oxfmt-ignore

  it('the terms of a licence are put together, and its own stand before the catalogue’s', () => {
    const index = new RecordIndex([
      { record: 'licence', id: 'own:Bright', name: 'Bright', credit: true },
      { record: 'licence', id: 'own:bright', credit: false, sites: [] },
      { record: 'licence', id: 'CC-BY-4.0', name: 'As agreed' },
    ]);
    expect(index.terms('OWN:BRIGHT')).toMatchObject({ name: 'Bright', needsCredit: false });
    expect(index.terms('cc-by-4.0')).toMatchObject({ kind: 'own', name: 'As agreed' });
    expect(index.terms('CC-BY-3.0')).toMatchObject({ kind: 'commons', needsCredit: true });
    expect(index.terms('own:other')).toBeNull();
  });

  it('the releases of a person are those of the last record that says any, none included', () => {
    const releasesOf = (...records: readonly RightsRecord[]) =>
      new RecordIndex(records).person('p')?.releases;
    expect(releasesOf({ record: 'person', id: 'p', releases: [{}] }, { record: 'person', id: 'p' })).toEqual([
      {},
    ]);
    expect(releasesOf({ record: 'person', id: 'p', releases: [{}] }, { record: 'person', id: 'p', releases: [] })).toEqual([]); // oxfmt-ignore
  });
});

describe('who is on a file', () => {
  const shows = (files: readonly string[], people: readonly string[] | null): RightsRecord => ({ record: 'shows', files, people }); // oxfmt-ignore
  it.each<[string, readonly RightsRecord[], readonly string[] | null]>([
    ['nobody said', [], null],
    ['those of its record', [shows(['img/hall.jpg'], ['a', 'b'])], ['a', 'b']],
    ['the most exact alone', [shows(['img/*'], ['a']), shows(['img/hall.jpg'], ['b'])], ['b']],
    ['several as exact together', [shows(['img/hall.jpg'], ['a']), shows(['img/hall.jpg'], ['b', 'a'])], ['a', 'b']],
    ['an empty list says nothing', [shows(['img/hall.jpg'], []), shows(['img/*'], ['a'])], ['a']],
    ['nobody, said so', [shows(['img/hall.jpg'], null), shows(['img/*'], ['a'])], []],
  ])('%s', (_, records, people) => {
    expect(new RecordIndex(records).shown(HALL)?.sort() ?? null).toEqual(people);
  }); // oxfmt-ignore
});

describe('who is on a part of a picture', () => {
  const marks = [
    { person: 'a', x: 0.2, y: 0.4 },
    { person: 'b', x: 0.8, y: 0.4 },
    { person: 'b', x: 0.9, y: 0.9 },
  ];
  const record: RightsRecord = { record: 'shows', files: ['img/hall.jpg'], people: ['a', 'b', 'c'], marks };
  const part = (left: number, top: number, width: number, height: number) => () => ({
    left,
    top,
    width,
    height,
  });
  const file = { url: 'img/hall-crop.jpg', master: 'img/hall.jpg' };
  const index = new RecordIndex([record]);

  it.each<
    [string, (() => { left: number; top: number; width: number; height: number }) | undefined, string[]]
  >([
    ['all, where nobody knows which part it is', undefined, ['a', 'b', 'c']],
    ['all of the whole', part(0, 0, 1, 1), ['a', 'b', 'c']],
    ['who is marked in it, and who is marked nowhere', part(0, 0, 0.5, 1), ['a', 'c']],
    ['who is marked at its edge: a face is larger than its mark', part(0.25, 0, 0.3, 1), ['a', 'c']],
    ['who is marked in it once, and beside it once', part(0.6, 0.6, 0.4, 0.4), ['b', 'c']],
    ['nobody of those who are marked', part(0.4, 0.6, 0.2, 0.4), ['c']],
  ])('%s', (_, frame, people) => {
    expect(index.shown(file, frame)).toEqual(people);
  });

  it('is nobody where all are marked beside it', () => {
    const both = new RecordIndex([{ ...record, people: ['a', 'b'] }]);
    expect(both.shown(file, part(0.4, 0.6, 0.2, 0.4))).toEqual([]);
  });

  it('asks marks of the master alone, not of another file', () => {
    const own = new RecordIndex([{ ...record, files: ['img/hall-crop.jpg'] }]);
    expect(own.shown(file, part(0.4, 0.6, 0.2, 0.4))).toEqual(['a', 'b', 'c']);
  });
});

it.each<[string, string, boolean]>([
  ['index.html', 'general', false],
  ['shop/a.html', 'selling', true],
  ['shop/kits/a.html', 'teaching', false],
  ['lessons/cello.html', 'teaching', false],
  ['lessons', 'general', false],
  ['about/team.html', 'general', true],
])('%s is for %s, commercial: %s', (page, purpose, isCommercial) => {
  const index = new RecordIndex([
    { record: 'section', pattern: 'shop/**', purpose: 'selling', commercial: true },
    { record: 'section', pattern: 'shop/kits/*', purpose: 'teaching' },
    { record: 'section', pattern: 'lessons/', purpose: 'teaching' },
    { record: 'section', pattern: 'about/*', purpose: null, commercial: true },
  ]);
  expect(index.purposeOf(page)).toEqual({ purpose, isCommercial });
});

it.each<[string, string]>([
  ['www.Ferndrake.example', 'www.ferndrake.example'],
  ['https://www.ferndrake.example/', 'www.ferndrake.example'],
  ['http://ferndrake.example:8080/a?b#c', 'ferndrake.example:8080'],
  [' ferndrake.example. ', 'ferndrake.example'],
])('the host in “%s” is %s', (written, host) => {
  expect(hostOf(written)).toBe(host);
});

it('takes the host that it is told where no record says one', () => {
  expect(new RecordIndex([], 'a.example').host).toBe('a.example');
  expect(new RecordIndex([{ record: 'site', host: 'B.example' }], 'a.example').host).toBe('b.example');
  expect(new RecordIndex([{ record: 'site', host: null }]).host).toBeNull();
});

it.each([
  ['index.html', { name: 'short' }],
  ['news/a.html', { template: 'Foto: {creator}' }],
  ['news/old/a.html', { name: 'plain' }],
])('credits on %s are written as %j', (page, form) => {
  const index = new RecordIndex([
    { record: 'credit-form', form: 'plain' },
    { record: 'credit-form', form: 'short' },
    { record: 'credit-form', form: 'Foto: {creator}', pattern: 'news/**' },
    { record: 'credit-form', form: 'plain', pattern: 'news/old/**' },
  ]);
  expect(index.creditForm(page)).toEqual(form);
  expect(new RecordIndex([]).creditForm(page)).toBeUndefined();
});
