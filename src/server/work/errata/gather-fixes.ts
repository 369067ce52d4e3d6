import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import type { Finding } from '@/core/errata/rule';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { ProblemError } from '../../problem-error';
import { ERRATUM_STANDS } from './erratum-stands';
import { gatherWords, type WordsOfPlaces } from '../words/gather-words';

const IDS = Joi.array<number[]>().items(Joi.number().integer().positive()).min(1).max(2000).required();

/** What was put into an edition: its number, `null` where the site has all of it already, and the places. */
export interface GatheredFixes {
  readonly edition: number | null;
  readonly placementIds: readonly number[];
}

/**
 * Puts the texts that the rules themselves propose for some errata into the edition being gathered, both of a place
 * together where it gets two. What is let stand is left out, and so are errata without such a text.
 *
 * @throws ProblemError `NO_TEXTS` where none of them has one any more
 */
export async function gatherFixes(
  db: Database,
  actor: Actor,
  siteId: number,
  ids: readonly number[],
): Promise<GatheredFixes> {
  requireRole(actor, EDITORS, 'change words');
  const { rows } = await db.pool.query<{ id: number; fix: NonNullable<Finding['fix']> }>(
    `select x.id::float8 as id, e.fix from errata e join placements x on x.id = e.placement_id and x.until_survey is null
     where e.site_id = $1 and e.id = any($2::bigint[]) and e.fix is not null
       and not ${ERRATUM_STANDS}
     order by x.id`,
    [siteId, Joi.attempt(ids, IDS)],
  );
  const words = new Map<number, WordsOfPlaces>();
  for (const { id, fix } of rows) {
    const known = words.get(id) ?? { ids: [id], alt: null, caption: null };
    words.set(id, { ...known, [fix.field]: fix.text });
  }
  if (words.size === 0)
    throw new ProblemError({
      code: 'NO_TEXTS',
      what: 'No text was put into an edition.',
      why: 'None is proposed for these any more.',
      remedy: 'Load the list again; write the words at the text desk.',
    });
  const { edition } = await gatherWords(db, actor, siteId, [...words.values()]);
  return { edition, placementIds: [...words.keys()] };
}
