/** What people say of two files: that they are one picture, or are not. It holds through all later surveys. */
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { logEvent } from '../log-event';

export interface FamilyCorrection {
  /** `null` takes back what was said of them: their looks tell again. */
  readonly kind: 'together' | 'apart' | null;
  /** Hashes of the two files. */
  readonly a: string;
  readonly b: string;
}

/**
 * Says that two files are one picture, or are not; the families are sorted anew by the worker.
 *
 * @returns what was said of them before, to be said again where this is taken back
 * @throws ProblemError `CORRECTION_INPUT` where they are not two files of the site
 */
export async function correctFamily(
  db: Database,
  actor: Actor,
  siteId: number,
  input: FamilyCorrection,
): Promise<FamilyCorrection> {
  requireRole(actor, EDITORS, 'sort files into pictures');
  const sha = Joi.string().hex().length(64).required();
  const schema = Joi.object<FamilyCorrection>({
    kind: Joi.valid('together', 'apart', null).required(),
    ...{ a: sha, b: sha },
  });
  const { kind, ...pair } = checkedInput(schema, input, {
    code: 'CORRECTION_INPUT',
    what: 'Nothing was changed.',
  });
  await refuseUnlessThere(db, siteId, pair);
  const [a, b] = pair.a < pair.b ? [pair.a, pair.b] : [pair.b, pair.a];
  return asOne(db, async (tx) => {
    const { rows: before } = await tx.pool.query<Pick<FamilyCorrection, 'kind'>>(
      'select kind from family_corrections where site_id = $1 and a = $2 and b = $3',
      [siteId, a, b],
    );
    if (kind) {
      await tx.pool.query(
        `insert into family_corrections (site_id, kind, a, b, said_by) values ($1, $2, $3, $4, $5)
         on conflict (site_id, a, b) do update set kind = excluded.kind, said_by = excluded.said_by, said_at = now()`,
        [siteId, kind, a, b, actor.name],
      );
    } else {
      await tx.pool.query('delete from family_corrections where site_id = $1 and a = $2 and b = $3', [
        siteId,
        a,
        b,
      ]);
    }
    await logEvent(tx, actor, {
      siteId,
      verb: VERBS[kind ?? 'null'],
      details: `${a.slice(0, 12)} ${b.slice(0, 12)}`,
    });
    await addJob(tx.pool, 'know-pictures', { siteId }, `pictures-${siteId}`);
    return { kind: before[0]?.kind ?? null, a, b };
  });
}

const VERBS = {
  apart: 'put files apart',
  together: 'put files together',
  null: 'take back what was said of files',
} as const;

async function refuseUnlessThere(
  { pool }: Database,
  siteId: number,
  { a, b }: Pick<FamilyCorrection, 'a' | 'b'>,
): Promise<void> {
  const { rows } = await pool.query(
    'select distinct sha256 from files where site_id = $1 and gone_in is null and sha256 = any($2::text[])',
    [siteId, [a, b]],
  );
  if (rows.length === 2) return;
  throw new ProblemError({
    code: 'CORRECTION_INPUT',
    what: 'Nothing was changed.',
    why: 'Two different files of this site are needed, and one of them is not there any more.',
    remedy: 'Open the picture again and choose among the files that it shows now.',
  });
}
