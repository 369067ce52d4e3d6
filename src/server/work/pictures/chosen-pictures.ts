/** Pictures that a person chose, to say something of all of them. */
import Joi from 'joi';
import type { Database } from '../../db/database';
import { ProblemError } from '../../problem-error';

/** Numbers of pictures as a person sends them. */
export const IDS = Joi.array().items(Joi.number().integer().positive()).min(1).max(2000).required();

/** Those of the pictures that are on the site. @throws ProblemError `PICTURE_GONE` where none is */
export async function picturesOf(db: Database, siteId: number, ids: readonly number[]): Promise<number[]> {
  const { rows } = await db.pool.query<{ id: number }>(
    'select id from pictures where site_id = $1 and id = any($2::int[])',
    [siteId, ids],
  );
  if (rows.length === 0) {
    throw new ProblemError({
      code: 'PICTURE_GONE',
      what: 'Nothing was changed.',
      why: 'The picture is not on the site any more, or it belongs to another one now.',
      remedy: 'Go back to the list of pictures and look for it there.',
    });
  }
  return rows.map(({ id }) => id);
}
