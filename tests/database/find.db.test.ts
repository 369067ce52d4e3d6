/** Looking for words: pictures and pages in one answer, the weightiest place first, furniture last. */
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, expect, it } from 'vitest';
import { findPages } from '@/app/_data/find/found-pages';
import { listPages } from '@/app/_data/pages/pages';
import { findPictures } from '@/app/_data/find/found-pictures';
import { facade, hands, river, stage } from '@demo/site/scenes';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { useDatabase } from '../fixtures/test-database';
import { writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId = 0;
const drawn = (svg: string) => sharp(Buffer.from(svg)).resize(240, 160).png().toBuffer();

beforeAll(async () => {
  const root = join(held.folder, 'find');
  const menu = '<nav><img src="/img/mark.png" alt="The organ school"><a href="/organ/index.html">Organ</a> <a href="/a.html">Bells</a></nav>'; // oxfmt-ignore
  const page = (title: string, body: string) => `<title>${title}</title><body>${menu}${body}`;
  await writeFiles(root, {
    'index.html': page('Home', '<a href="b.html">b</a><a href="c.html">c</a><img src="/img/bench.png" alt="A bench">'),
    'a.html': page('Bells', '<img src="/img/hall.png" alt="The organ in the hall"><p>An organ has pipes. The organ was built in 1912.</p>'),
    'b.html': page('Boats', '<img src="/img/boat.png" alt="In the boat">'),
    'c.html': page('Lamps', '<img src="/img/lamp.png" alt="A lamp">'),
    'organ/index.html': page('Keys', '<img src="/img/door.png" alt="A door">'),
    'organ/new.html': page('The new organ', '<img src="/img/organ-2.png" alt="A pipe">'),
    'img/mark.png': await drawn(facade(3, 'red')),
    'img/hall.png': await drawn(stage(11)),
    'img/boat.png': await drawn(river(4)),
    'img/bench.png': await drawn(hands(7)),
    'img/lamp.png': await drawn(stage(21)),
    'img/door.png': await drawn(facade(8, 'green')),
    'img/organ-2.png': await drawn(river(9)),
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Find', root);
  await runJobs(held.db);
  const { pool } = held.db;
  const of = (path: string) => `(select sha256 from files where site_id = ${siteId} and path = '${path}')`;
  await pool.query(`update pictures set title = 'Where the organist sits' where site_id = $1 and master_sha = ${of('img/bench.png')}`, [siteId]); // oxfmt-ignore
  const { rows } = await pool.query<{ id: number }>("insert into subjects (site_id, name, kind) values ($1, 'The organ loft', 'place') returning id", [siteId]); // oxfmt-ignore
  await pool.query(`insert into picture_subjects (site_id, sha256, subject_id, said_by) select $1, ${of('img/boat.png')}, $2, 'Ada'`, [siteId, rows[0]?.id]); // oxfmt-ignore
  await pool.query(`insert into readings (sha256, languages, text) select ${of('img/lamp.png')}, 'eng', 'Organ recital at seven' on conflict (sha256) do update set text = excluded.text`); // oxfmt-ignore
});

it('finds pictures by title, subject, words, name, writing and page, in this order, the logo last', async () => {
  const { rows, all } = await findPictures(siteId, 'organ');
  expect(rows.map(({ path, found_in: where, text }) => [path, where, text])).toEqual([
    ['img/bench.png', 'title', 'Where the organist sits'],
    ['img/boat.png', 'subject', 'The organ loft'],
    ['img/hall.png', 'words', 'The organ in the hall'],
    ['img/organ-2.png', 'name', 'img/organ-2.png'],
    ['img/lamp.png', 'picture', 'Organ recital at seven'],
    ['img/door.png', 'page', 'img/door.png'],
    ['img/mark.png', 'words', 'The organ school'],
  ]);
  expect(all).toBe(7);
  expect(rows[2]?.page).toMatchObject({ path: 'a.html', title: 'Bells' });
});

it('finds pages by title, address and text; what stands in the menu of all is no find', async () => {
  const { rows, all, isAtLeast, isEverywhere, inList } = await findPages(siteId, 'organ');
  expect(rows.map(({ path, found_in: where }) => [path, where])).toEqual([
    ['organ/new.html', 'title'],
    ['organ/index.html', 'address'],
    ['a.html', 'text'],
  ]);
  expect(rows[2]?.text).toContain('organ');
  expect({ all, isAtLeast, isEverywhere, inList }).toEqual({
    all: 3,
    isAtLeast: false,
    isEverywhere: true,
    inList: 6,
  });
  const list = { query: 'organ', section: null, filter: 'all', order: 'address', sheet: 1 } as const;
  expect(inList, 'where the number leads').toBe((await listPages(siteId, list)).total);
});

it.each([
  ['words of some pages alone', 'pipes', { all: 1, inList: 1, isEverywhere: false, rows: [['a.html', 'text']] }],
  ['one word in the title, one in the text', 'bells pipes', { all: 1, inList: 1, isEverywhere: false, rows: [['a.html', 'text']] }],
  ['the beginning of a word of a title', 'orga new', { all: 1, inList: 1, isEverywhere: false, rows: [['organ/new.html', 'title']] }],
  ['what begins no word of the title', 'ells', { all: 0, inList: 0, isEverywhere: false, rows: [] }],
  ['words in the menu of all, where they are said more often', 'bells organ', { all: 1, inList: 6, isEverywhere: true, rows: [['a.html', 'text']] }],
  ['letters in the middle of an address, whatever their case', 'RGAN/N', { all: 1, inList: 1, isEverywhere: false, rows: [['organ/new.html', 'address']] }],
  ['nothing', '', { all: 0, inList: 0, isEverywhere: false, rows: [] }],
])('finds pages by %s', async (_, query, expected) => {
  const { rows, isAtLeast, ...told } = await findPages(siteId, query);
  expect(isAtLeast).toBe(false);
  expect({ ...told, rows: rows.map(({ path, found_in: where }) => [path, where]) }).toEqual(expected);
}); // oxfmt-ignore

it.each([
  ['words in several places', 'organ hall', ['img/hall.png']],
  ['one in the words, one in the name', 'pipe organ', ['img/organ-2.png']],
  ['letters in the middle of a name, whatever their case', 'RGAN-2', ['img/organ-2.png']],
  ['nothing but signs', '%_', []],
  ['nothing that is there', 'tuba', []],
])('finds by %s', async (_, query, paths) => {
  expect((await findPictures(siteId, query)).rows.map(({ path }) => path)).toEqual(paths);
});

it('looks through a thousand pages of a large site for what they say more often than most', async () => {
  await held.db.pool.query(
    `insert into pages (site_id, path, section, title, encoding, sha256, size_bytes, sheets_key, read_in, since_in, changed_in, reach, words)
     select $1, 'large/' || n || '.html', 'large', 'Page ' || n, 'utf-8', '', 0, '', 1, 1, 1, (2000 - n) / 2000.0,
       case when n in (5, 900, 1300) then 'lantern lantern lantern' else 'lantern' end from generate_series(1, 1500) n`,
    [siteId],
  );
  const { rows, ...told } = await findPages(siteId, 'lantern');
  expect(rows.map(({ path }) => path)).toEqual(['large/5.html', 'large/900.html']);
  expect(told).toEqual({ all: 2, isAtLeast: true, isEverywhere: true, inList: 1500 });
});
