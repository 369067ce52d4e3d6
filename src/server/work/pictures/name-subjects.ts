/** People, places and things that pictures show: named, found again, and marked as changed. */
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { SUBJECT_KINDS, type SubjectKind } from '@/core/dating/changed-subject';
import { dayOfMs } from '@/core/dating/day';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { ProblemError } from '../../problem-error';
import { logEvent } from '../log-event';
import { IDS, picturesOf } from './chosen-pictures';
import { judgeAgain } from './judge-again';

export interface SubjectInput {
  /** `null` makes a new one. */
  readonly id: number | null;
  readonly name: string;
  readonly kind: SubjectKind;
  /** ISO day, as in `2023-05-14`; empty where nothing changed. */
  readonly changedOn: string;
  /** What changed, in words. */
  readonly changedHow: string;
}

const SUBJECT = Joi.object<SubjectInput>({
  id: Joi.number().integer().positive().allow(null).required(),
  name: Joi.string().trim().min(1).max(80).required().messages({ 'string.empty': 'It needs a name.' }),
  kind: Joi.valid(...SUBJECT_KINDS).required(),
  changedOn: Joi.string()
    .isoDate()
    .raw()
    .allow('')
    .required()
    .messages({ 'string.isoDate': 'The day of the change is written as in 2023-05-14.' }),
  changedHow: Joi.string().trim().max(200).allow('').required(),
});

/**
 * Makes a subject, or changes one; its pictures are judged anew.
 *
 * @returns its number
 * @throws ProblemError `SUBJECT_INPUT` where the name or the day is wrong, or another one has that name
 */
export async function saveSubject(
  db: Database,
  actor: Actor,
  siteId: number,
  input: SubjectInput,
): Promise<number> {
  requireRole(actor, EDITORS, 'name what pictures show');
  const refusal = { code: 'SUBJECT_INPUT', what: 'Nothing was saved.' };
  const { id, name, kind, changedOn, changedHow } = checkedInput(SUBJECT, input, refusal);
  const day = changedOn === '' ? null : dayOfMs(Date.parse(`${changedOn.slice(0, 10)}T00:00:00Z`));
  const { rows: namesakes } = await db.pool.query(
    'select 1 from subjects where site_id = $1 and lower(name) = lower($2) and id is distinct from $3::int',
    [siteId, name, id],
  );
  if (namesakes.length > 0) {
    throw new ProblemError({
      ...refusal,
      why: `There is another one called “${name}”.`,
      remedy: 'Add the pictures to that one, or give this one a name of its own.',
    });
  }
  const { rows } = await db.pool.query<{ id: number }>(
    id === null
      ? 'insert into subjects (site_id, name, kind, changed_on, changed_how) values ($1, $2, $3, $4, $5) returning id'
      : 'update subjects set name = $2, kind = $3, changed_on = $4, changed_how = $5 where site_id = $1 and id = $6 returning id',
    [siteId, name, kind, day, changedHow, ...(id === null ? [] : [id])],
  );
  const saved = rows[0]?.id;
  if (saved === undefined) throw gone();
  await judgeAgain(db, siteId, await picturesShowing(db, saved));
  await logEvent(db, actor, {
    siteId,
    verb: 'save subject',
    details: changedOn ? `${name}: ${changedHow || 'changed'} on ${changedOn.slice(0, 10)}` : name,
  });
  return saved;
}

/** Forgets a subject: its pictures stay, and are no longer held against it. */
export async function removeSubject(db: Database, actor: Actor, siteId: number, id: number): Promise<void> {
  requireRole(actor, EDITORS, 'name what pictures show');
  const showing = await picturesShowing(db, id);
  const { rows } = await db.pool.query<{ name: string }>(
    'delete from subjects where site_id = $1 and id = $2 returning name',
    [siteId, id],
  );
  if (!rows[0]) throw gone();
  await judgeAgain(db, siteId, showing);
  await logEvent(db, actor, { siteId, verb: 'remove subject', details: rows[0].name });
}

/**
 * Says that pictures show a subject, or do not.
 *
 * @returns the pictures of which that is new
 * @throws ProblemError `PICTURE_GONE`, `SUBJECT_GONE`
 */
export async function showSubject(
  db: Database,
  actor: Actor,
  siteId: number,
  input: { readonly ids: readonly number[]; readonly subjectId: number; readonly isShown: boolean },
): Promise<number[]> {
  requireRole(actor, EDITORS, 'say what a picture shows');
  const schema = Joi.object<typeof input>({
    ids: IDS,
    subjectId: Joi.number().integer().positive().required(),
    isShown: Joi.boolean().required(),
  });
  const { ids, subjectId, isShown } = checkedInput(schema, input, {
    code: 'PICTURE_INPUT',
    what: 'Nothing was changed.',
  });
  const { rows: subjects } = await db.pool.query<{ name: string }>(
    'select name from subjects where site_id = $1 and id = $2',
    [siteId, subjectId],
  );
  if (!subjects[0]) throw gone();
  const showing = new Set(await picturesShowing(db, subjectId));
  const known = (await picturesOf(db, siteId, ids)).filter((id) => showing.has(id) !== isShown);
  if (isShown) {
    await db.pool.query(
      `insert into picture_subjects (site_id, sha256, subject_id, said_by)
       select distinct $1::int, f.sha256, $3::int, $4 from files f
       where f.site_id = $1 and f.picture_id = any($2::int[]) and f.is_master and f.gone_in is null and f.sha256 is not null
       on conflict do nothing`,
      [siteId, known, subjectId, actor.name],
    );
  } else {
    await db.pool.query(
      `delete from picture_subjects s using files f
       where s.site_id = $1 and s.subject_id = $3 and f.site_id = $1 and f.sha256 = s.sha256 and f.picture_id = any($2::int[])`,
      [siteId, known, subjectId],
    );
  }
  await judgeAgain(db, siteId, known);
  await logEvent(db, actor, {
    siteId,
    verb: isShown ? 'say that pictures show' : 'say that pictures do not show',
    details: `${subjects[0].name}: ${known.length}`,
  });
  return known;
}

async function picturesShowing({ pool }: Database, subjectId: number): Promise<number[]> {
  const { rows } = await pool.query<{ id: number }>(
    `select distinct f.picture_id as id from picture_subjects s
     join files f on f.site_id = s.site_id and f.sha256 = s.sha256 and f.gone_in is null
     where s.subject_id = $1 and f.picture_id is not null`,
    [subjectId],
  );
  return rows.map(({ id }) => id);
}

function gone(): ProblemError {
  return new ProblemError({
    code: 'SUBJECT_GONE',
    what: 'Nothing was changed.',
    why: 'Somebody has removed it in the meantime.',
    remedy: 'Go back to the list, and name it anew where it is still wanted.',
  });
}
