/** Groups of errata, beside what the errata themselves say, after everything that they are made of has changed. */
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { siteFrame } from '@/app/_data/frame';
import { haveErrataGroups } from '@/server/work/errata/group-errata';
import { letStand, standNoLonger } from '@/server/work/errata/let-stand';
import { connected } from '../fixtures/connected';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { flatPicture, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId: number;

beforeAll(async () => {
  const root = join(held.folder, 'groups');
  const page = (title: string) => `<html lang="en"><title>${title}</title><img src="/img/a.png" alt="image"><img src="/img/a.png" alt="picture"><img src="/img/none.png" alt="A boat"><p style="background: url(/img/none.png)"></p><a href="x.html"><img src="/img/b.png" alt=""></a>`; // oxfmt-ignore
  await writeFiles(root, {
    ...Object.fromEntries(
      ['index', 'club/x', 'club/y', 'news/z'].map((path) => [`${path}.html`, page(path)]),
    ),
    'img/a.png': await flatPicture(200, 100, 'png'),
    'img/b.png': await flatPicture(400, 300, 'png'),
    'img/unused.png': await flatPicture(90, 90, 'png'),
  });
  siteId = await connected(held.db, 'Groups', root);
});

const query = async <R extends object>(text: string, values: unknown[] = []) =>
  (await held.db.pool.query<R>(text, [siteId, ...values])).rows;

/** What a group is, counted from the errata one by one; and what the groups that one act settles come to. */
const TOLD = `
    with told as (
      select e.id::int as id, e.rule, e.degree, e.subject, e.emphasis,
        coalesce((select x.words -> 'alt' <> 'null' or x.words -> 'addAttribute' <> 'null' or x.words -> 'caption' <> 'null' from placements x where x.id = e.placement_id), false) as takes,
        e.fix, coalesce(p.id, -e.id) as page, coalesce(p.reach, 0) as reach, coalesce(e.section, p.section) as section,
        exists (select 1 from stets s where s.site_id = e.site_id and s.page_path = e.page_path and s.key = e.key and coalesce(s.until >= current_date, true)) as stands
      from errata e left join pages p on p.site_id = e.site_id and p.path = e.page_path and p.gone_in is null
      where e.site_id = $1 and (p.id is not null or e.placement_id is null)
    )`;
const fromErrata = async () => ({
  parts: await query(`${TOLD}
    select rule, degree, stands, section, takes, case when stands or subject = '' then id end as "onlyId", subject,
      count(*)::int as places, count(fix)::int as fixes,
      round(sum(reach * emphasis)::numeric, 6)::float8 as weight, array_agg(id order by id) as ids
    from told group by 1, 2, 3, 4, 5, 6, 7 order by 1, 2, 3, 4, 5, 6, 7`),
  whole: await query(`${TOLD}
    select rule, degree, stands, subject, count(distinct page)::int as pages, round(sum(reach)::numeric, 6)::float8 as reach
    from (select distinct rule, degree, stands, subject, case when stands or subject = '' then id end as "onlyId", page, reach from told) t group by 1, 2, 3, 4, t."onlyId" order by 1, 2, 3, 4, 5`),
});

async function asGrouped() {
  await haveErrataGroups(held.db, siteId);
  return {
    parts: await query(`
    select rule, degree, stands, section, takes_words as takes, only_id::int as "onlyId", subject, places, fixes, round(weight::numeric, 6)::float8 as weight,
      (select array_agg(u.id::int order by u.id) from unnest(ids) as u(id)) as ids
    from errata_groups where site_id = $1 order by 1, 2, 3, 4, 5, 6, 7`),
    whole: await query(`
    select min(rule) as rule, min(degree) as degree, bool_or(stands) as stands, min(subject) as subject, sum(pages)::int as pages, round(sum(reach)::numeric, 6)::float8 as reach
    from errata_groups where site_id = $1 group by whole order by 1, 2, 3, 4, 5`),
  };
}

const TODAY = new Date().toISOString().slice(0, 10);
const stood = () => query('select 1 from errata_groups where site_id = $1 and stands');
const idOf = async (rule: string) => (await query<{ id: number }>('select id::int as id from errata where site_id = $1 and rule = $2 order by id limit 1', [rule]))[0]?.id ?? 0; // oxfmt-ignore

describe('groups of errata', () => {
  const stoodIds = async () =>
    (await query<{ id: number }>('select e.id::int as id from errata e join stets s using (site_id, page_path, key) where e.site_id = $1')).map(({ id }) => id); // oxfmt-ignore
  const changes: readonly (readonly [string, () => Promise<unknown>])[] = [
    ['the survey', async () => undefined],
    ['views of pages', () => query("update pages set reach = length(path) * 3.5 where site_id = $1")],
    ['a page of another section', () => query("update pages set section = 'other/' where site_id = $1 and path = 'club/y.html'")],
    ['a page that is gone', () => query("update pages set gone_in = 1 where site_id = $1 and path = 'news/z.html'")],
    ['a page that is back', () => query("update pages set gone_in = null where site_id = $1 and path = 'news/z.html'")],
    ['one that is let stand', async () => letStand(held.db, MAINTAINER, siteId, { ids: [await idOf('alt/generic')], reason: 'So it is.', until: '' })],
    ['its day that has passed', () => query("update stets set until = current_date - 1 where site_id = $1")],
    ['one that stands no longer', async () => standNoLonger(held.db, MAINTAINER, siteId, await stoodIds())],
    ['one that is another', async () => query("update errata set subject = '' where site_id = $1 and id = $2", [await idOf('alt/generic')])],
    ['one that is gone', async () => query('delete from errata where site_id = $1 and id = $2', [await idOf('alt/generic')])],
  ]; // oxfmt-ignore
  it.each(changes)('are what the errata are after %s', async (_, change) => {
    await change();
    const grouped = await asGrouped();
    expect(grouped.parts.length).toBeGreaterThan(4);
    expect(grouped).toEqual(await fromErrata());
    // Twice asked is once made.
    expect(await query("select 1 from list_changes where site_id = $1 and list = 'errata'")).toEqual([]);
  });

  it('pass over what is not committed, keep nobody waiting, and have it afterwards', async () => {
    const before = await siteFrame(siteId);
    const writer = await held.db.pool.connect();
    try {
      await writer.query('begin');
      await writer.query('delete from errata where id = $1', [await idOf('alt/empty-link')]);
      expect((await siteFrame(siteId)).counts.errata).toBe(before.counts.errata);
      await writer.query('commit');
    } finally {
      writer.release();
    }
    expect((await siteFrame(siteId)).counts.errata).toBe(before.counts.errata - 1);
    expect(await asGrouped()).toEqual(await fromErrata());
  });

  it('are there for all who ask at once, each once', async () => {
    await query('update errata set emphasis = 2 where site_id = $1');
    await Promise.all(Array.from({ length: 8 }, () => haveErrataGroups(held.db, siteId)));
    expect(await asGrouped()).toEqual(await fromErrata());
  });

  it('are looked at again when the day is over until which something was let stand', async () => {
    await letStand(held.db, MAINTAINER, siteId, { ids: [await idOf('alt/generic')], reason: 'This term.', until: TODAY });
    await haveErrataGroups(held.db, siteId);
    expect((await stood()).length).toBe(1);
    // As it will be tomorrow: nobody changed anything since.
    await held.db.pool.query(
      `alter table stets disable trigger stets_altered; update stets set until = current_date - 1;
       alter table stets enable trigger stets_altered; update errata_groups set grouped_on = current_date - 1`,
    );
    await haveErrataGroups(held.db, siteId);
    expect(await stood()).toEqual([]);
    expect(await asGrouped()).toEqual(await fromErrata());
  });
}); // oxfmt-ignore
