/** Keeps a site's families true: new files are placed, those that are gone are left out, what people said is obeyed. */
import { setImmediate } from 'node:timers/promises';
import type { PoolClient } from 'pg';
import { FamilyBuilder, type Family } from '@/core/picture/families';
import type { Correction, FamilyFile, FamilyState } from '@/core/picture/family-state';
import { JUDGE_VERSION } from '@/core/picture/judge';
import type { Database } from '../../db/database';
import { inTransaction } from '../../db/in-transaction';
import { goOn, type Turn } from '../../jobs/turn';
import { recentPrints } from '../../imaging/recent-prints';
import { updateReachOfFiles } from '../reach/update-reach';
import { LOOKS_VERSION } from './read-looks';
import { storedLandmarks, storedPrint } from './stored-prints';

/** Of what is known of families: how pictures were read, and judged, when it came about. */
const STATE_VERSION = 1000 * LOOKS_VERSION + JUDGE_VERSION;

/** Places the files of a site, writes which picture each belongs to, and gives how many pictures there are. */
export async function placeFamilies(db: Database, siteId: number, turn: Turn): Promise<number> {
  const { rows: files } = await db.pool.query<FamilyFile>(
    `select distinct f.sha256 as id, l.width_px as "widthPx", l.height_px as "heightPx"
     from files f join looks l on l.sha256 = f.sha256 and l.problem is null
     where f.site_id = $1 and f.gone_in is null order by 2 desc, 3 desc, 1`,
    [siteId],
  );
  const { rows: corrections } = await db.pool.query<Correction>(
    'select kind, a, b from family_corrections where site_id = $1 order by id',
    [siteId],
  );
  const { rows: known } = await db.pool.query<{ state: FamilyState }>(
    'select state from family_states where site_id = $1 and version = $2',
    [siteId, STATE_VERSION],
  );
  const builder = new FamilyBuilder(recentPrints(storedPrint), corrections, files.length);
  const wanted = new Set(files.map(({ id }) => id));
  if (known[0]) builder.restore(known[0].state, (id) => wanted.has(id), storedLandmarks);
  // Comparing keeps this process busy; its other jobs and its signals get their turn between two pictures.
  const nextTurn = async () => {
    await setImmediate();
    goOn(turn);
  };
  const bySize = files.toSorted((a, b) => b.widthPx * b.heightPx - a.widthPx * a.heightPx);
  for (const file of bySize) {
    builder.add(file);
    await nextTurn();
  }
  for (const id of builder.lonely()) {
    builder.lookAgain(id);
    await nextTurn();
  }
  for (const pair of builder.doubtful()) {
    builder.compareAcross(pair);
    await nextTurn();
  }
  const families = builder.families();
  const client = await db.pool.connect();
  try {
    await inTransaction(client, async () => {
      await writeFamilies(client, siteId, families);
      await client.query(
        `insert into family_states (site_id, state, version) values ($1, $2, $3)
         on conflict (site_id) do update set state = excluded.state, version = excluded.version`,
        [siteId, JSON.stringify(builder.state()), STATE_VERSION],
      );
    });
  } finally {
    client.release();
  }
  return families.length;
}

/** A family keeps the number of the picture that most of its files belonged to; a new one gets a new number. */
async function writeFamilies(client: PoolClient, siteId: number, families: readonly Family[]): Promise<void> {
  const { rows } = await client.query<{ sha256: string; picture_id: number }>(
    'select distinct sha256, picture_id from files where site_id = $1 and picture_id is not null and sha256 is not null',
    [siteId],
  );
  const before = new Map(rows.map(({ sha256, picture_id: id }) => [sha256, id]));
  const taken = new Set<number>();
  const numbered = families
    .toSorted((a, b) => b.members.length - a.members.length)
    .map((family) => ({ family, id: usualNumber(family, before, taken) }));
  const fresh = numbered.filter(({ id }) => id === null);
  const { rows: made } = await client.query<{ id: number }>(
    `insert into pictures (site_id, master_sha) select $1, sha from unnest($2::text[]) with ordinality as v(sha, n) order by n returning id`,
    [siteId, fresh.map(({ family }) => family.master)],
  );
  const twinOf = await twinsWithUpright(client, siteId, families);
  const all = numbered.map(({ family, id }) => ({ family, id: id ?? (made.shift() as { id: number }).id }));
  const rowsOf = all.flatMap(({ family, id }) =>
    family.members.map((member) => ({ id, sha: member.id, master: member.isMaster, link: member.link })),
  );
  await client.query(
    `update files f set picture_id = v.id, is_master = v.master, link = v.link
     from jsonb_to_recordset($2::jsonb) as v(id int, sha text, master boolean, link jsonb)
     where f.site_id = $1 and f.sha256 = v.sha and f.gone_in is null
       and (f.picture_id, f.is_master, f.link) is distinct from (v.id, v.master, v.link)`,
    [siteId, JSON.stringify(rowsOf)],
  );
  await client.query(
    `update files set picture_id = null, is_master = false, link = null
     where site_id = $1 and picture_id is not null and (gone_in is not null or not (sha256 = any($2::text[])) or sha256 is null)`,
    [siteId, rowsOf.map(({ sha }) => sha)],
  );
  await client.query(
    `update pictures p set master_sha = v.sha, twin = v.twin
     from jsonb_to_recordset($2::jsonb) as v(id int, sha text, twin jsonb)
     where p.site_id = $1 and p.id = v.id and (p.master_sha, p.twin) is distinct from (v.sha, v.twin)`,
    [siteId, JSON.stringify(all.map(({ id, family }) => ({ id, sha: family.master, twin: twinOf(family) })))],
  );
  await client.query(
    'delete from pictures p where p.site_id = $1 and not exists (select 1 from files f where f.picture_id = p.id)',
    [siteId],
  );
  await updateReachOfFiles(client, siteId);
}

/** Gives the twin of a family, with what cameras noted in the files of both. */
async function twinsWithUpright(client: PoolClient, siteId: number, families: readonly Family[]) {
  const byMaster = new Map(families.map((family) => [family.master, family]));
  const { rows } = families.some(({ twins }) => twins.length > 0)
    ? await client.query<{ sha256: string }>(
        `select distinct l.sha256 from files f join looks l on l.sha256 = f.sha256
         where f.site_id = $1 and f.gone_in is null and l.metadata ? 'orientation'`,
        [siteId],
      )
    : { rows: [] };
  const turned = new Set(rows.map(({ sha256 }) => sha256));
  const isNoted = (family: Family | undefined) => family?.members.some(({ id }) => turned.has(id)) ?? false;
  return (family: Family) => {
    const [twin] = family.twins;
    if (!twin) return null;
    const [own, other] = [isNoted(family), isNoted(byMaster.get(twin.to))];
    return { ...twin, upright: own === other ? null : own ? 'own' : 'other' };
  };
}

function usualNumber(
  { members }: Family,
  before: ReadonlyMap<string, number>,
  taken: Set<number>,
): number | null {
  const votes = new Map<number, number>();
  for (const { id } of members) {
    const number = before.get(id);
    if (number !== undefined && !taken.has(number)) votes.set(number, (votes.get(number) ?? 0) + 1);
  }
  const [most] = [...votes].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
  if (!most) return null;
  taken.add(most[0]);
  return most[0];
}
