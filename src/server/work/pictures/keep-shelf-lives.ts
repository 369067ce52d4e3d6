/** How long pictures stay current: by what they show, on the whole site or in one section. */
import Joi from 'joi';
import { PICTURE_KINDS, type PictureKind, type ShelfLife } from '@/core/dating/shelf-life';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { logEvent } from '../log-event';
import { judgeAgain } from './judge-again';

export interface ShelfLifeInput {
  /** Pattern of a section, or a folder; empty for the whole site. */
  readonly section: string;
  readonly kind: PictureKind;
  /** `null` goes back to what holds where nothing is set. */
  readonly life: ShelfLife | null;
}

const COUNT = Joi.number().integer().max(50).required().messages({
  'number.base': 'How many years is a number.',
  'number.max': 'A shelf life has 50 years at most; what lives longer does not age.',
  'number.min': 'Years are counted from 1, school years from 0: to the end of the same one.',
});
const LIFE = Joi.alternatives().conditional('.unit', {
  switch: [
    { is: 'years', then: Joi.object({ unit: Joi.valid('years').required(), count: COUNT.min(1) }) },
    {
      is: 'school-years',
      then: Joi.object({ unit: Joi.valid('school-years').required(), count: COUNT.min(0) }),
    },
    { is: 'forever', then: Joi.object({ unit: Joi.valid('forever').required() }) },
  ],
  otherwise: Joi.forbidden(),
});
const SCHEMA = Joi.object<ShelfLifeInput>({
  section: Joi.string().max(200).allow('').required(),
  kind: Joi.valid(...PICTURE_KINDS).required(),
  life: LIFE.allow(null).required(),
});

const REFUSAL = { code: 'SHELF_LIFE_INPUT', what: 'The shelf life was not saved.' };

/**
 * Sets how long pictures of a kind stay current, and judges all pictures anew.
 *
 * @throws ProblemError `SHELF_LIFE_INPUT` where the count is no number of years
 */
export async function saveShelfLife(
  db: Database,
  actor: Actor,
  siteId: number,
  input: ShelfLifeInput,
): Promise<void> {
  requireRole(actor, ['maintainer'], 'set how long pictures stay current');
  const { section, kind, life } = checkedInput(SCHEMA, input, REFUSAL);
  await db.pool.query(
    life === null
      ? 'delete from shelf_lives where site_id = $1 and section = $2 and kind = $3'
      : `insert into shelf_lives (site_id, section, kind, life) values ($1, $2, $3, $4)
         on conflict (site_id, section, kind) do update set life = excluded.life`,
    [siteId, section, kind, ...(life === null ? [] : [JSON.stringify(life)])],
  );
  await judgeAgain(db, siteId);
  const words = life === null ? 'the usual' : `${life.unit}${'count' in life ? ` ${life.count}` : ''}`;
  await logEvent(db, actor, {
    siteId,
    verb: 'set shelf life',
    details: `${kind} in ${section || 'all'}: ${words}`,
  });
}

/**
 * Sets the month in which school years begin, and judges all pictures anew.
 *
 * @param month 1 to 12
 * @throws ProblemError `SHELF_LIFE_INPUT` where it is no month
 */
export async function saveSchoolYear(
  db: Database,
  actor: Actor,
  siteId: number,
  month: number,
): Promise<void> {
  requireRole(actor, ['maintainer'], 'set how long pictures stay current');
  const schema = Joi.object<{ month: number }>({ month: Joi.number().integer().min(1).max(12).required() });
  checkedInput(schema, { month }, REFUSAL);
  await db.pool.query('update sites set school_year_month = $2 where id = $1', [siteId, month]);
  await judgeAgain(db, siteId);
  await logEvent(db, actor, { siteId, verb: 'set school year', details: `begins in month ${month}` });
}
