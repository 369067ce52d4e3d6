/** Titles of pictures, given by hand or taken from what was proposed; never without somebody having seen them. */
import Joi from 'joi';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { logEvent } from '../log-event';
import { picturesOf } from './chosen-pictures';
import { judgePictures } from './judge-pictures';
import { EDITORS } from '@/core/edition/edition-state';

export interface GivenTitle {
  /** Number of the picture. */
  readonly id: number;
  /** Empty takes the given title away. */
  readonly title: string;
}

const SCHEMA = Joi.object<{ titles: readonly GivenTitle[] }>({
  titles: Joi.array()
    .items(
      Joi.object({
        id: Joi.number().integer().positive().required(),
        title: Joi.string().trim().max(200).allow('').required().messages({
          'string.max': 'A title has 200 characters at most; more belongs into a caption.',
        }),
      }),
    )
    .min(1)
    .max(500)
    .required(),
});

/**
 * Gives pictures their titles.
 *
 * @returns the titles that people had given them before, empty where none had: to be given again where this is taken back
 * @throws ProblemError `TITLE_INPUT` where one is too long, `PICTURE_GONE` where none of the pictures is there
 */
export async function titlePictures(
  db: Database,
  actor: Actor,
  siteId: number,
  given: readonly GivenTitle[],
): Promise<GivenTitle[]> {
  requireRole(actor, EDITORS, 'give pictures their titles');
  const { titles } = checkedInput(
    SCHEMA,
    { titles: given },
    { code: 'TITLE_INPUT', what: 'No title was saved.' },
  );
  const known = new Set(
    await picturesOf(
      db,
      siteId,
      titles.map(({ id }) => id),
    ),
  );
  const there = titles.filter(({ id }) => known.has(id));
  const ids = there.map(({ id }) => id);
  const { rows: before } = await db.pool.query<GivenTitle>(
    `select v.id, coalesce((select t.title from titles t join files f on f.site_id = t.site_id and f.sha256 = t.sha256
       where t.site_id = $1 and f.picture_id = v.id order by f.is_master desc, t.sha256 limit 1), '') as title from unnest($2::int[]) as v(id)`,
    [siteId, ids],
  );
  await db.pool.query(
    'delete from titles t using files f where t.site_id = $1 and f.site_id = $1 and f.sha256 = t.sha256 and f.picture_id = any($2::int[])',
    [siteId, ids],
  );
  await db.pool.query(
    `insert into titles (site_id, sha256, title, said_by)
     select distinct on (f.sha256) $1::int, f.sha256, v.title, $4 from unnest($2::int[], $3::text[]) as v(id, title)
     join files f on f.picture_id = v.id and f.is_master and f.gone_in is null and f.sha256 is not null where v.title <> ''`,
    [siteId, ids, there.map(({ title }) => title), actor.name],
  );
  await judgePictures(db, siteId, Date.now(), ids);
  await logEvent(db, actor, { siteId, verb: 'give titles', details: String(there.length) });
  return before;
}
