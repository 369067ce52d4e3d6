import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { editionByNumber, listEditions } from '@/app/_data/editions/editions';
import { filesByPath, listPages, PAGE_ORDERS, pageById } from '@/app/_data/pages/pages';
import { openProofSite, placementsInProof } from '@/server/work/proof/make-proof';
import { listPictures, pictureById, recentIntake, type PictureQuery } from '@/app/_data/pictures/pictures';
import {
  narrowingChoices,
  narrowingOf,
  NOT_NARROWED,
  readingOf,
} from '@/app/_data/pictures/picture-narrowing';
import { hrefWith, listQuery, numbersIn } from '@/app/_data/query';
import { gatherSwap } from '@/server/work/editions/gather-swap';
import { receiveIntake } from '@/server/work/intake/receive-intake';
import { facade, hands, river, stage } from '@demo/site/scenes';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { flatPicture, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId: number;

const ALL: PictureQuery = { filter: 'all', order: 'places', query: '', section: null, sheet: 1 };

beforeAll(async () => {
  const folder = join(held.folder, 'site');
  const many: Record<string, string> = {};
  for (let n = 0; n < 60; n++)
    many[`many/p${String(n).padStart(2, '0')}.html`] =
      `<title>Page ${n}</title><img src=/img/a.png alt="A boat">`;
  await writeFiles(folder, {
    ...many,
    'index.html':
      '<title>Home 100% _x</title><img src="img/a.png" alt="A boat"><img src="img/b.png"><img src="img/none.png" alt="x">',
    'club/x.html':
      '<title>Club</title><figure><img src="/img/b.png" alt=""><figcaption>Harbour at night</figcaption></figure>',
    'img/a.png': await flatPicture(20, 10, 'png'),
    'img/b.png': await flatPicture(400, 300, 'png'),
    'img/unused.png': await flatPicture(30, 30, 'png'),
  });
  siteId = await connected(held.db, 'Lists', folder);
});

describe('numbersIn', () => {
  it.each([
    ['12,15', [12, 15]],
    ['12,x,-3,0,1.5,7', [12, 7]],
    ['', []],
    [undefined, []],
    [
      ['4', '5'],
      [4, 5],
    ],
  ])('%j', (text, numbers) => expect(numbersIn(text)).toEqual(numbers));
});

describe('what pictures can be narrowed to', () => {
  it('reads an address, and takes what can’t be read as not asked', () => {
    const given: Record<string, string> = {
      kind: 'portrait',
      before: '2019',
      below: 'small',
      folder: '',
      owner: 'x',
      credit: 'all',
    };
    expect(narrowingOf((name) => given[name])).toEqual({
      ...NOT_NARROWED,
      kind: 'portrait',
      before: 2019,
      owner: 'x',
    });
  });

  it('offers the folders of the site, and tells how far the pictures are read', async () => {
    expect((await narrowingChoices(siteId)).folders).toEqual([{ folder: 'img', files: 4 }]);
    expect(await readingOf(siteId)).toEqual({ read: 3, all: 3 });
  });
});

describe('pictures that are looked for by a word', () => {
  it('come by where it stands: a title, what is said of them, their name, and last the pages they are on', async () => {
    const folder = join(held.folder, 'ranked');
    const drawn = (svg: string) => sharp(Buffer.from(svg)).resize(300).png().toBuffer();
    const logo = '<img src="/img/mark.png" alt="Ferndrake">';
    await writeFiles(folder, {
      'choir/index.html': `${logo}<img src="/img/hall.png" alt="The choir sings">`,
      'choir/old.html': `${logo}<img src="/img/choir-2.png" alt="In the boat">`,
      'index.html': `${logo}<img src="/img/bench.png" alt="A bench">`,
      'img/mark.png': await drawn(facade(3, 'red')),
      'img/hall.png': await drawn(stage(11)),
      'img/choir-2.png': await drawn(river(4)),
      'img/bench.png': await drawn(hands(7)),
    });
    const id = await connected(held.db, 'Ranked', folder);
    await held.db.pool.query(
      "update pictures set title = 'Where the choir sits' where site_id = $1 and id = (select picture_id from files where site_id = $1 and path = 'img/bench.png')",
      [id],
    );
    const { rows } = await listPictures(id, { ...ALL, query: 'choir', order: 'match' });
    expect(rows.map(({ path }) => path)).toEqual([
      'img/bench.png',
      'img/hall.png',
      'img/choir-2.png',
      'img/mark.png',
    ]);
  });
});

describe('pictures', () => {
  const names = async (asked: Partial<PictureQuery>) => {
    const { rows } = await listPictures(siteId, { ...ALL, ...asked });
    return rows.map(({ path }) => path.replace('img/', ''));
  };

  it.each<[string, Partial<PictureQuery>, string[]]>([
    ['by places', {}, ['a.png', 'b.png', 'none.png', 'unused.png']],
    ['by name', { order: 'name' }, ['a.png', 'b.png', 'none.png', 'unused.png']],
    ['by weight', { order: 'weight' }, ['b.png', 'unused.png', 'a.png', 'none.png']],
    ['leftovers', { filter: 'placeholder' }, []],
    ['past their time', { filter: 'old' }, []],
    ['on no page', { filter: 'unused' }, ['unused.png']],
    ['missing', { filter: 'missing' }, ['none.png']],
    ['without alt text', { filter: 'undescribed' }, ['b.png']],
    ['by a word of their alt text', { query: 'boat' }, ['a.png']],
    ['by a word of their caption', { query: 'NIGHT' }, ['b.png']],
    ['by their page', { query: 'club/' }, ['b.png']],
    ['by their name', { query: 'unus' }, ['unused.png']],
    ['by a section', { section: 'club' }, ['b.png']],
    ['by the top of the site', { section: '' }, ['a.png', 'b.png', 'none.png']],
    ['by what is not there', { query: 'nothing' }, []],
    [
      'by their folder',
      { narrowing: { ...NOT_NARROWED, folder: 'img' } },
      ['a.png', 'b.png', 'none.png', 'unused.png'],
    ],
    ['by the beginning of a folder’s name', { narrowing: { ...NOT_NARROWED, folder: 'im' } }, []],
    ['smaller than', { narrowing: { ...NOT_NARROWED, below: 100 } }, ['a.png', 'unused.png']],
    [
      'of no kind, with a word',
      { query: 'boat', narrowing: { ...NOT_NARROWED, kind: 'unknown' } },
      ['a.png'],
    ],
    ['of a kind', { narrowing: { ...NOT_NARROWED, kind: 'portrait' } }, []],
    [
      'that nobody answers for',
      { narrowing: { ...NOT_NARROWED, owner: 'none', below: 100 } },
      ['a.png', 'unused.png'],
    ],
    [
      'without a credit',
      { narrowing: { ...NOT_NARROWED, credit: 'none' }, view: 'contact' },
      ['a.png', 'b.png', 'unused.png'],
    ],
    ['taken before', { narrowing: { ...NOT_NARROWED, before: 2000 } }, []],
    ['showing somebody', { narrowing: { ...NOT_NARROWED, subject: 7 } }, []],
    ['a wildcard is a character', { query: '%' }, []],
    ['beyond the last sheet', { sheet: 9 }, []],
  ] as [string, Partial<PictureQuery>, string[]][])('%s', async (_name, asked, expected) => {
    const found = await names(asked);
    expect(asked.order === undefined && asked.filter !== 'undescribed' ? found.sort() : found).toEqual(
      expected,
    );
  });

  it('come with counts, and with at most a dozen of their places', async () => {
    const { counts, contexts, rows, sheets } = await listPictures(siteId, ALL);
    const idOf = (path: string) => rows.find((row) => row.path === path)?.id ?? 0;
    expect(counts).toEqual({
      all: 4,
      placeholder: 0,
      maybe: 1,
      old: 0,
      unused: 1,
      missing: 1,
      undescribed: 1,
    });
    expect(rows[0]).toMatchObject({ path: 'img/a.png', places: 61, words: 'A boat', width_px: 20 });
    expect(contexts.get(idOf('img/a.png'))).toHaveLength(12);
    expect(contexts.get(idOf('img/b.png'))?.map(({ pagePath }) => pagePath)).toEqual([
      'club/x.html',
      'index.html',
    ]);
    expect(sheets).toBe(1);
  });

  it('open with all their places', async () => {
    const { rows } = await listPictures(siteId, ALL);
    const found = await pictureById(siteId, rows[0]?.id ?? 0);
    expect(found?.placements).toHaveLength(61);
    expect(await pictureById(siteId + 1, rows[0]?.id ?? 0)).toBeNull();
  });
});

const EVERY = { section: null, query: '', filter: 'all', order: 'address', sheet: 1 } as const;

describe('pages', () => {
  it('come in sheets of thirty, by section and path', async () => {
    const first = await listPages(siteId, { ...EVERY, sheet: 1 });
    expect([first.total, first.sheets, first.rows.length, first.rows[0]?.path]).toEqual([
      62,
      3,
      30,
      'index.html',
    ]);
    const last = await listPages(siteId, { ...EVERY, sheet: 3 });
    expect([last.rows.length, last.rows.at(-1)?.path]).toEqual([2, 'many/p59.html']);
  });

  it.each([
    ['a section', { section: 'club', query: '' }, ['club/x.html']],
    ['a title', { section: null, query: 'page 59' }, ['many/p59.html']],
    ['a title with signs that SQL knows', { section: null, query: '100% _x' }, ['index.html']],
    ['a section and a word', { section: 'many', query: 'club' }, []],
    ['the beginning of a word of its text', { section: null, query: 'PAGE 59' }, ['many/p59.html']],
    ['a missing picture', { filter: 'missing' as const, section: '' }, ['index.html']],
    ['what the last survey found new', { filter: 'new' as const }, []],
  ])('by %s', async (_name, asked, expected) => {
    const { rows } = await listPages(siteId, { ...EVERY, ...asked });
    expect(rows.map(({ path }) => path)).toEqual(expected);
  });

  it.each(PAGE_ORDERS)('come once each in the order %s', async (order) => {
    const sheets = await Promise.all([1, 2, 3].map((sheet) => listPages(siteId, { ...EVERY, order, sheet })));
    expect(new Set(sheets.flatMap(({ rows }) => rows.map(({ path }) => path))).size).toBe(62);
  });

  it('show the strip of their pictures in page order, and open with their places', async () => {
    const { rows } = await listPages(siteId, { ...EVERY, section: '' });
    expect(rows[0]?.pictures.map(({ path, sha256 }) => [path, sha256 !== null])).toEqual([
      ['img/a.png', true],
      ['img/b.png', true],
      ['img/none.png', false],
    ]);
    const found = await pageById(siteId, rows[0]?.id ?? 0);
    expect(found?.path).toBe('index.html');
    const proof = await openProofSite(held.db, siteId, 'live');
    const placements = await placementsInProof(proof, 'index.html');
    expect(placements.map(({ raw }) => raw)).toEqual(['img/a.png', 'img/b.png', 'img/none.png']);
    expect([...(await filesByPath(siteId, ['img/a.png', 'img/none.png', 'x.png'])).keys()].sort()).toEqual([
      'img/a.png',
      'img/none.png',
    ]);
    expect(await pageById(siteId, 0)).toBeNull();
  });
});

describe('editions', () => {
  it('come with what they hold', async () => {
    const { rows } = await listPictures(siteId, ALL);
    const found = await pictureById(siteId, rows[0]?.id ?? 0);
    const intakeId = await receiveIntake(held.db, MAINTAINER, {
      siteId,
      fileName: 'b_new.png',
      bytes: await flatPicture(200, 100, 'png'),
    });
    expect((await recentIntake(siteId)).map(({ title }) => title)).toEqual(['B new']);
    // The same bytes once more are offered as they came last, or as they are asked for.
    const bytes = await flatPicture(200, 100, 'png');
    const again = await receiveIntake(held.db, MAINTAINER, { siteId, fileName: 'b again.png', bytes });
    expect((await recentIntake(siteId)).map(({ id }) => id)).toEqual([again]);
    expect((await recentIntake(siteId, intakeId)).map(({ id }) => id)).toEqual([intakeId]);
    const placementIds = found?.placements.map(({ id }) => id) ?? [];
    await gatherSwap(held.db, MAINTAINER, {
      siteId,
      fromPath: 'img/a.png',
      intakeId,
      placementIds,
      alt: 'A ship',
      caption: null,
      focal: { x: 0, y: 1 },
    });
    await runJobs(held.db);
    expect(await listEditions(siteId)).toMatchObject([
      { edition: { number: 1, state: 'draft' }, changes: 1, pages: 61 },
    ]);
    const edition = await editionByNumber(siteId, 1);
    expect(edition?.edits).toHaveLength(122);
    expect(edition?.files.map(({ path }) => path)).toEqual(['img/b-new.png', 'img/b-new-20x10.png']);
    expect(edition?.gathered[0]?.picture).toMatchObject({ focalX: 0, focalY: 1 });
    expect(edition?.run).toBeNull();
    expect(await editionByNumber(siteId, 2)).toBeNull();
  });
});

describe('a list’s address', () => {
  it('is read with care: what makes no sense counts as not given', async () => {
    const read = async (params: Record<string, string | string[]>) => {
      const { query, section, sheet } = await listQuery(Promise.resolve(params));
      return { query, section, sheet };
    };
    expect(await read({})).toEqual({ query: '', section: null, sheet: 1 });
    expect(await read({ q: ' boat ', section: '', sheet: '3' })).toEqual({
      query: 'boat',
      section: '',
      sheet: 3,
    });
    expect(await read({ q: ['a', 'b'], sheet: '-1' })).toEqual({ query: 'a', section: null, sheet: 1 });
    expect(await read({ sheet: 'x; drop table pages' })).toMatchObject({ sheet: 1 });
  });

  it('is written without what is not set', () => {
    expect(hrefWith('/p', { q: '', section: null, sheet: 2 })).toBe('/p?sheet=2');
    expect(hrefWith('/p', { q: 'a b&c' })).toBe('/p?q=a+b%26c');
    expect(hrefWith('/p', {})).toBe('/p');
  });
});
