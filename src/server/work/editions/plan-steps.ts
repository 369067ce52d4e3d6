/** Works out, before anything is touched, which files a publication adds, writes and removes: its journal. */
import { asc, eq } from 'drizzle-orm';
import { applyEdits } from '@/core/edit/apply-edits';
import { withoutMoot } from '@/core/edit/moot-edits';
import { rebaseEdits } from '@/core/edit/rebase-edits';
import type { SourceEdit } from '@/core/edit/source-edit';
import type { Problem } from '@/core/problem';
import { decodeSource } from '@/core/source/decode-source';
import type { ReadableConnection, WritableConnection } from '../../connections/connection';
import type { Database } from '../../db/database';
import { changes, editions, edits, newFiles, removals, steps } from '../../db/schema/editions';
import { sha256 } from '../../hash';
import { problemOf } from '../../problem-error';
import { storeBytes, storedBytes } from '../../store/store';
import { refuseUsed } from './prepare-removal';
import { lastPublication } from './publish-edition';

type NewStep = Omit<typeof steps.$inferInsert, 'publicationId' | 'ordinal'>;

/** Steps that make an edition live: new files first, then the sources that show them. */
export async function planPublishing(
  db: Database,
  connection: WritableConnection,
  editionId: number,
): Promise<NewStep[]> {
  const files = await db.orm
    .select({ path: newFiles.path, sha256: newFiles.sha256 })
    .from(newFiles)
    .innerJoin(changes, eq(changes.id, newFiles.changeId))
    .where(eq(changes.editionId, editionId))
    .orderBy(asc(newFiles.id));
  const planned: NewStep[] = [];
  for (const file of files) {
    const there = await bytesOrNull(connection, file.path);
    const was = there ? await storeBytes(there) : null;
    planned.push({ action: 'add file', path: file.path, wasSha: was, becomesSha: file.sha256 });
  }
  const rows = await db.orm
    .select({ edit: edits })
    .from(edits)
    .innerJoin(changes, eq(changes.id, edits.changeId))
    .where(eq(changes.editionId, editionId))
    .orderBy(asc(edits.sourcePath), asc(edits.start));
  const bySource = new Map<string, (typeof edits.$inferSelect)[]>();
  for (const { edit } of rows) {
    // A second address of a file, through a link, is that file: it is written once.
    const path = await fileBehind(connection, edit.sourcePath);
    const others = bySource.get(path) ?? [];
    if (!others.some((other) => isSameEdit(other, edit))) bySource.set(path, [...others, edit]);
  }
  for (const [path, list] of bySource) {
    planned.push(
      await planSource(connection, path, { edits: withoutMoot(list), expects: list[0]?.expects ?? '' }),
    );
  }
  planned.push(...(await planRemovals(db, editionId)));
  return planned;
}

/** The path of the file that a path stands for: another one where a link of the site leads to it. */
export async function fileBehind(connection: ReadableConnection, path: string): Promise<string> {
  return (await connection.sourceOf?.(path)) ?? path;
}

const isSameEdit = (a: SourceEdit, b: SourceEdit): boolean =>
  a.start === b.start && a.end === b.end && a.becomes === b.becomes;

/** Files to be taken off go last; one that a place has come to show since stays. */
async function planRemovals(db: Database, editionId: number): Promise<NewStep[]> {
  const rows = await db.orm
    .select({ removal: removals, siteId: editions.siteId })
    .from(removals)
    .innerJoin(editions, eq(editions.id, removals.editionId))
    .where(eq(removals.editionId, editionId))
    .orderBy(asc(removals.path));
  const planned: NewStep[] = [];
  for (const { removal, siteId } of rows) {
    const { path, sha256: wasSha } = removal;
    const problem = await refuseUsed(db, siteId, removal).then(
      () => null,
      (error: unknown) => problemOf(error),
    );
    const step = { action: 'remove file', path, wasSha, becomesSha: null } as const;
    planned.push(problem ? { ...step, state: 'left alone', problem } : step);
  }
  return planned;
}

/** Steps that take an edition back: files that went come first, then the sources, then the files only they showed. */
export async function planWithdrawal(
  db: Database,
  connection: WritableConnection,
  editionId: number,
): Promise<NewStep[]> {
  const publication = await lastPublication(db, editionId, 'publish');
  if (!publication) return [];
  const done = await db.orm
    .select()
    .from(steps)
    .where(eq(steps.publicationId, publication.id))
    .orderBy(asc(steps.ordinal));
  const planned: NewStep[] = [];
  for (const step of done) {
    if (step.action !== 'remove file' || step.state !== 'done' || step.wasSha === null) continue;
    planned.push({ action: 'add file', path: step.path, wasSha: null, becomesSha: step.wasSha });
  }
  for (const step of done) {
    if (step.action !== 'write source' || step.state !== 'done' || !step.wasSha || !step.becomesSha) continue;
    planned.push(
      await planTakingBack(connection, { ...step, wasSha: step.wasSha, becomesSha: step.becomesSha }),
    );
  }
  for (const step of done) {
    if (step.action !== 'add file' || step.state !== 'done') continue;
    const isRestored = step.wasSha !== null;
    const user = isRestored ? null : await stillUses(db, connection, { editionId, planned, path: step.path });
    if (user !== null) {
      planned.push({
        action: 'remove file',
        path: step.path,
        state: 'left alone',
        problem: keptProblem(step.path, user),
      });
      continue;
    }
    planned.push({
      action: isRestored ? 'add file' : 'remove file',
      path: step.path,
      wasSha: step.becomesSha,
      becomesSha: step.wasSha,
    });
  }
  return planned;
}

/** A source's way back: its edits the other way round. Bytes that the store has lost are told, never passed over. */
async function planTakingBack(
  connection: WritableConnection,
  {
    path,
    wasSha,
    becomesSha,
    edits: made,
  }: { path: string; wasSha: string; becomesSha: string; edits: readonly SourceEdit[] | null },
): Promise<NewStep> {
  try {
    const before = await storedBytes(wasSha);
    const applied = applyEdits({ bytes: before, source: decodeSource(path, before) }, made ?? []);
    if (!applied.ok) return leftAlone(path, applied.problem);
    return await planSource(connection, path, { edits: applied.inverse, expects: becomesSha });
  } catch (error) {
    return leftAlone(path, problemOf(error));
  }
}

/**
 * What still uses a file that an edition added, once the edition is taken back: a place that this run does not change, a
 * source that it leaves alone, or another edition that is live. `null` where nothing does.
 */
async function stillUses(
  { pool }: Database,
  connection: WritableConnection,
  { editionId, planned, path }: { editionId: number; planned: readonly NewStep[]; path: string },
): Promise<string | null> {
  const written = planned.flatMap((step) =>
    step.action === 'write source' && step.state !== 'left alone' ? [step.path] : [],
  );
  const { rows } = await pool.query<{ source: string }>(
    `select p.source_path as source from placements p join editions e on e.site_id = p.site_id
     where e.id = $1 and p.until_survey is null and p.file_path = $2 and not (p.source_path = any($3::text[]))
     union
     select s.path from steps s join publications b on b.id = s.publication_id
       join editions o on o.id = b.edition_id, editions e
     where e.id = $1 and o.site_id = e.site_id and o.id <> e.id and o.state in ('published', 'publishing')
       and b.direction = 'publish' and s.action = 'write source' and s.state in ('done', 'planned')
       and exists (select 1 from jsonb_array_elements(s.edits) t where strpos(t ->> 'becomes', $4) > 0)`,
    [editionId, path, written, path.split('/').at(-1) ?? path],
  );
  const left = planned.find(
    ({ action, state, path: source }) => action === 'write source' && state === 'left alone' && source,
  );
  for (const { source } of rows) if (!written.includes(await fileBehind(connection, source))) return source;
  return left?.path ?? null;
}

/** The code of a file that stays on purpose: no failure of a withdrawal. */
export const FILE_KEPT = 'FILE_KEPT';

function keptProblem(path: string, user: string): Problem {
  return {
    code: FILE_KEPT,
    what: `${path} stays on the site.`,
    why: `${user} uses it by now.`,
    remedy: 'Swap it there first; the list of files shows it once nothing uses it.',
  };
}

async function bytesOrNull(connection: WritableConnection, path: string): Promise<Uint8Array | null> {
  return connection.read(path).catch(() => null);
}

/** One source's step: its edits as they are, carried over to what somebody changed meanwhile, or left alone. */
async function planSource(
  connection: WritableConnection,
  path: string,
  wanted: { edits: readonly SourceEdit[]; expects: string },
): Promise<NewStep> {
  const bytes = await bytesOrNull(connection, path);
  if (!bytes) return leftAlone(path, conflict(path, 'It is no longer there.'));
  const wasSha = await storeBytes(bytes);
  const source = decodeSource(path, bytes);
  let list: readonly SourceEdit[] = wanted.edits.map(({ start, end, was, becomes, becomesBytes }) =>
    becomesBytes ? { start, end, was, becomes, becomesBytes } : { start, end, was, becomes },
  );
  if (sha256(bytes) !== wanted.expects) {
    const before = decodeSource(path, await storedBytes(wanted.expects));
    const rebased = rebaseEdits(before.text, source.text, list);
    const first = rebased.conflicts[0];
    if (first)
      return leftAlone(
        path,
        conflict(path, `Somebody has changed it where it said “${first.was.slice(0, 80)}”.`),
      );
    list = rebased.edits;
  }
  const applied = applyEdits({ bytes, source }, list);
  if (!applied.ok) return leftAlone(path, applied.problem);
  return { action: 'write source', path, wasSha, becomesSha: await storeBytes(applied.bytes), edits: list };
}

function leftAlone(path: string, problem: Problem): NewStep {
  return { action: 'write source', path, state: 'left alone', problem };
}

function conflict(path: string, why: string): Problem {
  return {
    code: 'SOURCE_CONFLICT',
    what: `${path} was left alone.`,
    why,
    remedy: 'Survey the site and make this change anew.',
  };
}
