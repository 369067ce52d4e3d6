/** Stet: a person lets an erratum stand, with the reason, and takes that back. */
import Joi from 'joi';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { ProblemError } from '../../problem-error';
import { logEvent } from '../log-event';
import { EDITORS } from '@/core/edition/edition-state';

export interface StetInput {
  /** Numbers of the errata. */
  readonly ids: readonly number[];
  readonly reason: string;
  /** ISO day until which it holds; empty for as long as the evidence is the same. */
  readonly until: string;
}

const SCHEMA = Joi.object<StetInput>({
  ids: Joi.array().items(Joi.number().integer().positive()).min(1).max(2000).required(),
  reason: Joi.string().trim().min(3).max(500).required().messages({
    'string.empty': 'Say why it may stand: whoever comes after you will ask.',
    'string.min': 'Say why it may stand: whoever comes after you will ask.',
  }),
  until: Joi.string().isoDate().raw().allow('').required(),
});

/**
 * Lets errata stand until their evidence changes, or until a day.
 *
 * @returns how many
 * @throws ProblemError `STET_INPUT` without a reason, `ERRATUM_GONE` where none of them is there any more
 */
export async function letStand(
  db: Database,
  actor: Actor,
  siteId: number,
  input: StetInput,
): Promise<number> {
  requireRole(actor, EDITORS, 'let errata stand');
  const { ids, reason, until } = checkedInput(SCHEMA, input, {
    code: 'STET_INPUT',
    what: 'Nothing was changed.',
  });
  const { rows } = await db.pool.query<{ rule: string }>(
    `insert into stets (site_id, page_path, key, rule, reason, said_by, until)
     select site_id, page_path, key, rule, $3, $4, nullif($5, '')::date from errata where site_id = $1 and id = any($2::int8[])
     on conflict (site_id, page_path, key) do update set reason = excluded.reason, said_by = excluded.said_by, said_at = now(), until = excluded.until
     returning rule`,
    [siteId, ids, reason, actor.name, until.slice(0, 10)],
  );
  if (rows.length === 0) throw gone();
  await logEvent(db, actor, { siteId, verb: 'let stand', details: `${rows.length}: ${reason}` });
  return rows.length;
}

/** Takes it back that errata stand. @throws ProblemError `ERRATUM_GONE` where none of them is there any more */
export async function standNoLonger(
  db: Database,
  actor: Actor,
  siteId: number,
  ids: readonly number[],
): Promise<void> {
  requireRole(actor, EDITORS, 'let errata stand');
  const { rows } = await db.pool.query<{ rule: string }>(
    `delete from stets s using errata e where e.site_id = $1 and e.id = any($2::int8[]) and s.site_id = e.site_id
       and s.page_path = e.page_path and s.key = e.key returning s.rule`,
    [siteId, ids],
  );
  if (!rows[0]) throw gone();
  const details = [...new Set(rows.map(({ rule }) => rule))].join(', ');
  await logEvent(db, actor, { siteId, verb: 'let stand no longer', details: `${rows.length}: ${details}` });
}

function gone(): ProblemError {
  return new ProblemError({
    code: 'ERRATUM_GONE',
    what: 'Nothing was changed.',
    why: 'The erratum is not there any more: the page or its picture has changed since.',
    remedy: 'Load the list again.',
  });
}
