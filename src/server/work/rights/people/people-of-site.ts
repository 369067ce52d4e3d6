/** What the records of a site say of people: their releases, and the files that show them. */
import type { PersonRecord } from '@/core/rights/records';
import type { Link } from '@/core/picture/judge';
import { fileUnder } from '@/core/rights/filed';
import { RecordIndex } from '@/core/rights/record-index';
import { requireRole, type Actor } from '../../../accounts/actor';
import type { Database } from '../../../db/database';
import { logEvent } from '../../log-event';
import { recordsOf } from '../records-of-site';

export interface PersonOfSite {
  readonly id: string;
  /** `undefined`: named on a picture, and nothing recorded. */
  readonly releases: PersonRecord['releases'];
  /** Paths of the files that show them. */
  readonly files: readonly string[];
}

/** Everybody who is recorded or named on a picture, by id. It is written down that somebody looked, and at whom. */
export async function lookAtPeople(
  db: Database,
  actor: Actor,
  siteId: number,
  only: string | null = null,
): Promise<PersonOfSite[]> {
  requireRole(actor, ['maintainer'], 'look at releases');
  const people = await peopleOfSite(db, siteId);
  const looked = only === null ? people : people.filter(({ id }) => id === only);
  await logEvent(db, actor, { siteId, verb: 'look at releases', details: only ?? `${looked.length} people` });
  return looked;
}

export async function peopleOfSite(db: Database, siteId: number): Promise<PersonOfSite[]> {
  const records = await recordsOf(db, siteId);
  const index = new RecordIndex(records);
  const filesOf = await filesShowing(db, siteId, index);
  const ids = new Set([
    ...filesOf.keys(),
    ...records.flatMap((one) => (one.record === 'person' ? [one.id] : [])),
  ]);
  return [...ids]
    .sort((a, b) => a.localeCompare(b, 'en', { numeric: true }))
    .map((id) => ({ id, releases: index.person(id)?.releases, files: filesOf.get(id) ?? [] }));
}

/**
 * The files of a site that show each person: what is recorded of a picture’s master holds for all its files, but for parts of
 * it beside which somebody marked them.
 */
async function filesShowing(
  { pool }: Database,
  siteId: number,
  index: RecordIndex,
): Promise<Map<string, string[]>> {
  const { rows } = await pool.query<{ path: string; master: string | null; link: Link | null }>(
    `select f.path, m.path as master, case when f.is_master then null else f.link end as link from files f
     left join lateral (select path from files where picture_id = f.picture_id and is_master and gone_in is null
       order by id limit 1) m on true
     where f.site_id = $1 and f.gone_in is null and f.sha256 is not null order by f.path`,
    [siteId],
  );
  const filesOf = new Map<string, string[]>();
  for (const { path, master, link } of rows) {
    for (const person of index.shown({ url: path, master }, () => link?.other ?? null) ?? [])
      fileUnder(filesOf, person, path);
  }
  return filesOf;
}
