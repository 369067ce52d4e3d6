/** Rows of pictures, beside what files and pictures say themselves, after everything that they are made of has changed. */
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { listPictures } from '@/app/_data/pictures/pictures';
import { havePictureRows } from '@/server/work/pictures/picture-rows';
import { knowPictures } from '@/server/work/pictures/know-pictures';
import { connected } from '../fixtures/connected';
import { useDatabase } from '../fixtures/test-database';
import { flatPicture, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId: number;

beforeAll(async () => {
  const root = join(held.folder, 'rows');
  await writeFiles(root, {
    'index.html': '<title>A</title><img src="a.png"><img src="a-small.png" alt="A"><img src="none.png"><img src="b.png">',
    'b/index.html': '<title>B</title><img src="../a-small.png"><img src="../a-small.png">',
    'a.png': await flatPicture(200, 100, 'png'),
    'a-small.png': await flatPicture(100, 50, 'png'),
    'b.png': await flatPicture(90, 300, 'png'),
    'unused.png': await flatPicture(333, 90, 'png'),
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Rows', root);
  await knowPictures(held.db, siteId);
});

const query = async <R extends object>(text: string) =>
  (await held.db.pool.query<R>(text, text.includes('$1') ? [siteId] : [])).rows;

/** What a row is, from each picture and its files one by one. */
const fromFiles = () =>
  query(`
    with standing as (select *, coalesce(picture_id, -id) as key from files where site_id = $1 and gone_in is null)
    select k.key, m.id as file_id, m.picture_id, m.path, p.title, m.sha256 is not null or m.problem is not null as is_there, m.size_bytes,
      (select count(*)::int from standing s where s.key = k.key) as files,
      (select sum(s.places)::int from standing s where s.key = k.key) as places, (select sum(s.uses)::int from standing s where s.key = k.key) as uses,
      (select sum(s.undescribed)::int from standing s where s.key = k.key) as undescribed, (select sum(s.reach) from standing s where s.key = k.key) as reach,
      coalesce(p.overdue, 0) as overdue, p.taken_until, coalesce(p.is_placeholder, false) as is_placeholder, coalesce(p.placeholder_belief, 0) as belief, p.changed is not null as is_changed
    from (select distinct key from standing) k
    join lateral (select * from standing s where s.key = k.key order by s.is_master desc, s.places desc, s.id limit 1) m on true
    left join pictures p on p.id = m.picture_id order by k.key`);

async function asRows() {
  await havePictureRows(held.db, siteId);
  const rows = await query<{ site_id: number }>('select * from picture_rows where site_id = $1 order by key');
  return rows.map(({ site_id: _, ...row }) => row);
}

describe('rows of pictures', () => {
  const changes: readonly (readonly [string, string])[] = [
    ['pictures are known', 'select 1'],
    ['views', 'update files set reach = length(path) * 2.5 where site_id = $1'],
    ['tallies', "update files set places = 7, uses = 9, undescribed = 3 where site_id = $1 and path = 'b.png'"],
    ['another file that stands for its picture', "update files set is_master = not is_master where site_id = $1 and path like 'a%'"],
    ['a file that is no longer of its picture', "update files set picture_id = null, is_master = false where site_id = $1 and path = 'a-small.png'"],
    ['a file that is gone', "update files set gone_in = 1 where site_id = $1 and path = 'a.png'"],
    ['one that is back', "update files set gone_in = null where site_id = $1 and path = 'a.png'"],
    ['one that came', "insert into files (site_id, path, seen_in, size_bytes) values ($1, 'c.png', 1, 5)"],
    ['one that is there and can’t be read', "update files set problem = 'too busy' where site_id = $1 and path = 'none.png'"],
    ['a title', "update pictures set title = 'Boats' where site_id = $1 and id = (select min(id) from pictures)"],
    ['age and belief', "update pictures set overdue = 2, taken_until = 9000, is_placeholder = true, placeholder_belief = 0.9 where site_id = $1"],
    ['something that changed', `update pictures set changed = '{"name": "Hall", "on": 1, "how": "x"}' where site_id = $1`],
    ['a picture that is no more', 'delete from pictures where site_id = $1 and id = (select max(id) from pictures)'],
    ['a file that was taken out', "delete from files where site_id = $1 and path = 'unused.png'"],
  ]; // oxfmt-ignore
  it.each(changes)('are what files and pictures are after %s', async (what, change) => {
    const before = await asRows();
    await query(change);
    const rows = await asRows();
    expect(rows).toEqual(await fromFiles());
    if (what !== 'pictures are known') expect(rows).not.toEqual(before);
    expect(await query("select 1 from list_changes where site_id = $1 and list = 'pictures'")).toEqual([]);
  });

  it('stay as they are where nothing of them changed', async () => {
    await asRows();
    await query('update files set words = path, pages = 4 where site_id = $1');
    await query('update pictures set pages = 4 where site_id = $1');
    expect(await query("select 1 from list_changes where site_id = $1 and list = 'pictures'")).toEqual([]);
  });

  it('are what the list counts and sorts', async () => {
    const rows = await asRows();
    const asked = { filter: 'all', order: 'places', query: '', section: null, sheet: 1 } as const;
    const listed = await listPictures(siteId, asked);
    expect(listed.counts?.all).toBe(rows.length);
    expect(listed.rows.map(({ places }) => places)).toEqual(
      listed.rows.map(({ places }) => places).toSorted((a, b) => b - a),
    );
    expect(listed.rows.map(({ id }) => id).toSorted()).toEqual(
      (rows as unknown as { file_id: number }[]).map((row) => row.file_id).toSorted(),
    );
  });
});
