/** Prepares a change of an edition, whatever it is, and keeps what was worked out. */
import { eq, sql } from 'drizzle-orm';
import type { Database } from '../../db/database';
import { changes, edits, editions, intake, newFiles } from '../../db/schema/editions';
import { sites } from '../../db/schema/sites';
import { problemOf, ProblemError } from '../../problem-error';
import { OpenedSources } from './opened-sources';
import type { Prepared } from './prepared';
import { asOne } from '../../db/in-transaction';
import { prepareRemovalsOf } from './prepare-removals-of';
import { prepareSwap } from './prepare-swap';
import { prepareTakeOff } from './prepare-take-off';
import { prepareCredits } from '../rights/prepare-credits';
import { prepareRights } from '../rights/prepare-rights';
import { prepareStatements } from '../rights/prepare-statements';
import { prepareWords } from '../words/prepare-words';
import { openConnection } from '../sites/site-connection';

type Change = typeof changes.$inferSelect;
type Intake = typeof intake.$inferSelect;
/** Prepares a change that was gathered; what goes wrong is written into it. */
export async function prepareChange(db: Database, changeId: number): Promise<void> {
  try {
    for (let turn = 0; turn < TURNS; turn++) {
      // Read anew each time: the new picture may have been made anew meanwhile.
      const preparing = await changeToPrepare(db, changeId);
      if (!preparing || (await keepPrepared(db, preparing, await prepare(db, preparing)))) return;
    }
    throw new Error(`no names were free for the files of change ${changeId}`);
  } catch (error) {
    await db.orm
      .update(changes)
      .set({ state: 'failed', problem: problemOf(error) })
      .where(eq(changes.id, changeId));
    if (!(error instanceof ProblemError)) throw error;
  }
}

type Tx = Database['orm'];

interface Preparing {
  readonly change: Change;
  readonly picture: Intake | null;
  readonly site: typeof sites.$inferSelect;
}

/** Changes of an edition that are prepared side by side may choose one name for two files: so often another is chosen. */
const TURNS = 50;

/** `null` where there is nothing left to prepare. */
async function changeToPrepare({ orm }: Database, changeId: number): Promise<Preparing | null> {
  const [row] = await orm
    .select({ change: changes, picture: intake, site: sites })
    .from(changes)
    .leftJoin(intake, eq(intake.id, changes.intakeId))
    .innerJoin(editions, eq(editions.id, changes.editionId))
    .innerJoin(sites, eq(sites.id, editions.siteId))
    .where(eq(changes.id, changeId));
  return !row || row.change.state === 'ready' ? null : row;
}

async function prepare(db: Database, { change, picture, site }: Preparing): Promise<Prepared> {
  const connection = await openConnection(db, site);
  if (change.writesRights) return prepareRights(db, connection, { change, site });
  const sources = new OpenedSources(db, site.id, connection);
  if (change.tells === 'statements') return prepareStatements(db, connection, { site, sources });
  if (change.tells === 'credits') return prepareCredits(db, { site, sources });
  if (change.takesOff) return prepareTakeOff(db, sources, change);
  return picture ? prepareSwap(db, sources, { change, picture, site }) : prepareWords(db, sources, change);
}

/**
 * Keeps what a change came to, unless it was gathered anew meanwhile: then another job prepares it. Where two changes
 * of an edition put words into the same spot, the later one has it.
 *
 * @returns whether it is done with; not where another change of the edition has a name meanwhile that this one chose, or where
 *   the new picture was made anew meanwhile
 */
async function keepPrepared(
  db: Database,
  { change, picture }: Preparing,
  prepared: Prepared,
): Promise<boolean> {
  const { edits: made, files, places, offs = [] } = prepared;
  return asOne(db, async (one) => {
    const tx = one.orm;
    await tx
      .select({ id: editions.id })
      .from(editions)
      .where(eq(editions.id, change.editionId))
      .for('update');
    const [now] = await tx.select().from(changes).where(eq(changes.id, change.id)).for('update');
    if (!now || gatheredAs(now) !== gatheredAs(change)) return true;
    if (picture && (await isRevised(one, picture))) return false;
    if (await areTaken(one, change, files)) return false;
    await tx.delete(edits).where(eq(edits.changeId, change.id));
    await tx.delete(newFiles).where(eq(newFiles.changeId, change.id));
    if (made.length > 0)
      await tx.insert(edits).values(made.map((edit) => ({ ...edit, changeId: change.id })));
    if (files.length > 0)
      await tx.insert(newFiles).values(files.map((file) => ({ ...file, changeId: change.id })));
    await yieldSpots(tx, change.editionId);
    await tx
      .update(changes)
      .set({ state: 'ready', places, offs, problem: null })
      .where(eq(changes.id, change.id));
    // What goes with the places is looked at once they are known to change.
    if (change.takesOff || change.intakeId !== null) await prepareRemovalsOf(one, change.editionId);
    return true;
  });
}

/** Whether the new picture was made anew meanwhile. */
async function isRevised({ orm }: Database, { id, sha256 }: Intake): Promise<boolean> {
  const [now] = await orm.select({ sha256: intake.sha256 }).from(intake).where(eq(intake.id, id));
  return now?.sha256 !== sha256;
}

/** Whether another change of the edition adds a file under one of these names. */
async function areTaken(
  { pool }: Database,
  { id, editionId }: Change,
  files: Prepared['files'],
): Promise<boolean> {
  const { rows } = await pool.query(
    `select 1 from new_files n join changes c on c.id = n.change_id
     where c.edition_id = $1 and c.id <> $2 and n.path = any($3) limit 1`,
    [editionId, id, files.map(({ path }) => path)],
  );
  return rows.length > 0;
}

const gatheredAs = ({ placementIds, words, placeWords, placeFocals }: Change) =>
  JSON.stringify([placementIds, words, placeWords, placeFocals]);

async function yieldSpots(tx: Tx, editionId: number): Promise<void> {
  await tx.execute(sql`
    delete from edits e using changes c where c.id = e.change_id and c.edition_id = ${editionId}
      and e.subject <> 'reference' and exists (
        select 1 from edits o join changes d on d.id = o.change_id
        where d.edition_id = ${editionId} and d.id > c.id and o.subject = e.subject
          and o.source_path = e.source_path and o.start = e.start)`);
}
