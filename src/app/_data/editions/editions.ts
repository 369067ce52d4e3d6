import 'server-only';
import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import { database } from '@/server/db/database';
import {
  changes,
  editions,
  edits,
  intake,
  newFiles,
  publications,
  removals,
  steps,
} from '@/server/db/schema/editions';

/** The editions of a site, newest first, with what each holds. */
export async function listEditions(siteId: number) {
  return database()
    .orm.select({
      edition: editions,
      changes: sql<number>`(select count(*)::int from changes where edition_id = "editions"."id") + (select count(*)::int from removals where edition_id = "editions"."id")`,
      pages: sql<number>`(select count(distinct page_path)::int from edits join changes on changes.id = change_id where edition_id = "editions"."id")`,
    })
    .from(editions)
    .where(eq(editions.siteId, siteId))
    .orderBy(desc(editions.number))
    .limit(100);
}

/** One edition with its changes, their edits and files, and how its publications went; or `null`. */
export async function editionByNumber(siteId: number, number: number) {
  const { orm } = database();
  const [edition] = await orm
    .select()
    .from(editions)
    .where(and(eq(editions.siteId, siteId), eq(editions.number, number)));
  if (!edition) return null;
  const gathered = await orm
    .select({ change: changes, picture: intake })
    .from(changes)
    .leftJoin(intake, eq(intake.id, changes.intakeId))
    .where(eq(changes.editionId, edition.id))
    .orderBy(asc(changes.id));
  const ids = gathered.map(({ change }) => change.id);
  const listed =
    ids.length > 0
      ? await orm
          .select()
          .from(edits)
          .where(inArray(edits.changeId, ids))
          .orderBy(asc(edits.pagePath), asc(edits.start))
      : [];
  const files =
    ids.length > 0
      ? await orm.select().from(newFiles).where(inArray(newFiles.changeId, ids)).orderBy(asc(newFiles.id))
      : [];
  const taken = await orm
    .select()
    .from(removals)
    .where(eq(removals.editionId, edition.id))
    .orderBy(asc(removals.path));
  const runs = await orm
    .select()
    .from(publications)
    .where(eq(publications.editionId, edition.id))
    .orderBy(desc(publications.id));
  const last = runs[0];
  const journal = last
    ? await orm.select().from(steps).where(eq(steps.publicationId, last.id)).orderBy(asc(steps.ordinal))
    : [];
  return { edition, gathered, taken, edits: listed, files, run: last ?? null, journal };
}
