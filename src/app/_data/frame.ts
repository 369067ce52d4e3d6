import 'server-only';
import { and, desc, eq, sql } from 'drizzle-orm';
import { database } from '@/server/db/database';
import { editions } from '@/server/db/schema/editions';
import { surveys } from '@/server/db/schema/sites';
import { haveErrataGroups } from '@/server/work/errata/group-errata';

/** What the running head and the index show of a site. */
export async function siteFrame(siteId: number) {
  const { orm } = database();
  await haveErrataGroups(database(), siteId);
  const [[survey], [draft], counts, sections] = await Promise.all([
    orm.select().from(surveys).where(eq(surveys.siteId, siteId)).orderBy(desc(surveys.number)).limit(1),
    orm
      .select({
        number: editions.number,
        changes: sql<number>`(select count(*)::int from changes where edition_id = "editions"."id") + (select count(*)::int from removals where edition_id = "editions"."id")`,
      })
      .from(editions)
      .where(and(eq(editions.siteId, siteId), eq(editions.state, 'draft'))),
    countsOf(siteId),
    sectionsOf(siteId),
  ]);
  return { survey: survey ?? null, draft: draft ?? null, counts, sections };
}

interface Counts {
  readonly pages: number;
  readonly pictures: number;
  readonly errata: number;
  readonly editions: number;
}

async function countsOf(siteId: number): Promise<Counts> {
  const { rows } = await database().pool.query<Counts>(
    `select (select count(*)::int from pages where site_id = $1 and gone_in is null) as pages,
            (select count(distinct coalesce(picture_id, -id))::int from files where site_id = $1 and gone_in is null) as pictures,
            (select coalesce(sum(places), 0)::int from errata_groups where site_id = $1 and not stands) as errata,
            (select count(*)::int from editions where site_id = $1) as editions`,
    [siteId],
  );
  return rows[0] ?? { pages: 0, pictures: 0, errata: 0, editions: 0 };
}

export interface SectionCount {
  /** The pattern of a section, or the first folder of pages that fall under none; empty at the root. */
  readonly section: string;
  /** `null` for a folder that nobody made a section of. */
  readonly name: string | null;
  readonly owner_id: string | null;
  readonly pages: number;
}

/** The sections of a site with their pages counted, those without pages included. */
export async function sectionsOf(siteId: number): Promise<SectionCount[]> {
  const { rows } = await database().pool.query<SectionCount>(
    `select coalesce(c.section, s.pattern) as section, s.name, s.owner_id, coalesce(c.pages, 0)::int as pages
     from (select section, count(*) as pages from pages where site_id = $1 and gone_in is null group by section) c
     full join (select * from sections where site_id = $1) s on s.pattern = c.section
     order by 1`,
    [siteId],
  );
  return rows;
}
