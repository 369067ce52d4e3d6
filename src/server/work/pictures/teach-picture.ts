/** What people say of pictures: it is remembered, and holds through all later surveys. */
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { PICTURE_KINDS, type PictureKind } from '@/core/dating/shelf-life';
import type { Teaching } from '@/core/picture/leftover-strength';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { logEvent } from '../log-event';
import { IDS, picturesOf } from './chosen-pictures';
import { judgeAgain } from './judge-again';

/** What held of a picture before somebody said something else, to be said again where that is taken back. */
export interface Before<T> {
  readonly id: number;
  readonly was: T | null;
}

/**
 * Says of pictures that they are leftovers of a template, or are not; `null` takes back what was said.
 *
 * @returns what was said of each before
 * @throws ProblemError `PICTURE_GONE`, `PICTURE_INPUT`
 */
export async function teachPlaceholder(
  db: Database,
  actor: Actor,
  siteId: number,
  input: { readonly ids: readonly number[]; readonly teaching: Teaching | null },
): Promise<Before<Teaching>[]> {
  requireRole(actor, EDITORS, 'say what a picture is');
  const schema = Joi.object<typeof input>({
    ids: IDS,
    teaching: Joi.valid('placeholder', 'not a placeholder', null).required(),
  });
  const { ids, teaching } = checkedInput(schema, input, {
    code: 'PICTURE_INPUT',
    what: 'Nothing was changed.',
  });
  const known = await picturesOf(db, siteId, ids);
  const { rows: before } = await db.pool.query<Before<Teaching>>(
    `select v.id, (select t.teaching from teachings t join files f on f.site_id = t.site_id and f.sha256 = t.sha256
       where t.site_id = $1 and f.picture_id = v.id limit 1) as was from unnest($2::int[]) as v(id)`,
    [siteId, known],
  );
  await db.pool.query(
    `delete from teachings t using files f where t.site_id = $1 and f.site_id = $1 and f.sha256 = t.sha256 and f.picture_id = any($2::int[])`,
    [siteId, known],
  );
  if (teaching) {
    await db.pool.query(
      `insert into teachings (site_id, sha256, teaching, said_by)
       select $1, f.sha256, $3, $4 from files f where f.site_id = $1 and f.picture_id = any($2::int[]) and f.is_master and f.sha256 is not null
       group by f.sha256`,
      [siteId, known, teaching, actor.name],
    );
  }
  await judgeAgain(db, siteId, known);
  await logEvent(db, actor, {
    siteId,
    verb: 'say what a picture is',
    details: `${known.length}: ${teaching ?? 'taken back'}`,
  });
  return before;
}

/**
 * Settles what pictures show; `null` leaves it to be guessed again.
 *
 * @returns what was settled of each before
 * @throws ProblemError as above
 */
export async function settleKind(
  db: Database,
  actor: Actor,
  siteId: number,
  input: { readonly ids: readonly number[]; readonly kind: PictureKind | null },
): Promise<Before<PictureKind>[]> {
  requireRole(actor, EDITORS, 'say what a picture shows');
  const schema = Joi.object<typeof input>({ ids: IDS, kind: Joi.valid(...PICTURE_KINDS, null).required() });
  const { ids, kind } = checkedInput(schema, input, { code: 'PICTURE_INPUT', what: 'Nothing was changed.' });
  const known = await picturesOf(db, siteId, ids);
  const { rows: before } = await db.pool.query<Before<PictureKind>>(
    'select id, case when is_kind_settled then kind end as was from pictures where id = any($1::int[])',
    [known],
  );
  await db.pool.query(
    `update pictures set is_kind_settled = $3::text is not null, kind = $3, kind_reason = case when $3::text is null then '' else $4 end
     where site_id = $1 and id = any($2::int[])`,
    [siteId, known, kind, `settled by ${actor.name}`],
  );
  await judgeAgain(db, siteId, known);
  await logEvent(db, actor, {
    siteId,
    verb: 'settle kind',
    details: `${known.length}: ${kind ?? 'guessed again'}`,
  });
  return before;
}
