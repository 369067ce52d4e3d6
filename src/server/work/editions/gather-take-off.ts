/** Puts places that are to be taken off their pages into the edition being gathered, and their files with them. */
import { and, eq } from 'drizzle-orm';
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { changes } from '../../db/schema/editions';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { logEvent } from '../log-event';
import { releaseWords } from '../words/gather-words';
import { keepRemoval } from './keep-removal';
import { draftEdition } from './draft-edition';
import { releasePlacements } from './release-placements';

export interface TakeOffRequest {
  readonly siteId: number;
  readonly placementIds: readonly number[];
  /** Files that go as well, once none of their places is left; for maintainers alone. */
  readonly files: readonly string[];
  /** Whether the files go even where scripts or other texts name them. */
  readonly mustGo: boolean;
}

const MOST_PLACES = 20_000;
const SCHEMA = Joi.object<TakeOffRequest>({
  siteId: Joi.number().integer().required(),
  placementIds: Joi.array().items(Joi.number().integer()).max(MOST_PLACES).required(),
  files: Joi.array().items(Joi.string().max(2000)).max(MOST_PLACES).required(),
  mustGo: Joi.boolean().required(),
});

/**
 * Gathers places to be taken off. What the edition had for them gives way: a swap, other words. An edition has one such
 * change, in which all are worked out together, since what is left empty depends on all of them.
 *
 * @returns the edition's number
 * @throws ProblemError `PLACES_GONE` where a place is not there any more, `TAKE_OFF_INPUT` where nothing is chosen
 */
export async function gatherTakeOff(db: Database, actor: Actor, request: TakeOffRequest): Promise<number> {
  requireRole(actor, EDITORS, 'take pictures off their pages');
  if (request.files.length > 0) requireRole(actor, ['maintainer'], 'take files off the site');
  return asOne(db, (tx) => takeOffWithin(tx, actor, request));
}

/** The same within a transaction of the caller's, who has looked at the role. */
export async function takeOffWithin(tx: Database, actor: Actor, request: TakeOffRequest): Promise<number> {
  const refusal = { code: 'TAKE_OFF_INPUT', what: 'Nothing was taken off.' };
  const value = checkedInput(SCHEMA, request, refusal);
  if (value.placementIds.length + value.files.length === 0)
    throw new ProblemError({ ...refusal, why: 'No place was chosen.', remedy: 'Choose at least one place.' });
  const edition = await draftEdition(tx, actor, value.siteId);
  const ids = [...new Set(value.placementIds)];
  if (ids.length > 0) {
    const fromPath = await refuseGonePlaces(tx, value.siteId, ids);
    await releasePlacements(tx, edition.id, ids, 'swaps');
    await releaseWords(tx, value.siteId, new Map(ids.map((id) => [id, ALL_WORDS])));
    await keepChange(tx, { editionId: edition.id, fromPath, ids, createdBy: actor.name });
  }
  for (const path of new Set(value.files))
    await keepRemoval(tx, actor, { editionId: edition.id, path, ...value });
  const details = `${ids.length} places, ${value.files.length} files, edition ${edition.number}`;
  await logEvent(tx, actor, { siteId: value.siteId, verb: 'take pictures off', details });
  return edition.number;
}

const ALL_WORDS = { alt: true, caption: true, block: true };

/** @returns the file of the first of them */
async function refuseGonePlaces({ pool }: Database, siteId: number, ids: readonly number[]): Promise<string> {
  const { rows } = await pool.query<{ path: string }>(
    `select coalesce(file_path, url, raw) as path from placements
     where site_id = $1 and id = any($2::bigint[]) and until_survey is null order by page_path, ordinal`,
    [siteId, ids],
  );
  if (rows[0] && rows.length === ids.length) return rows[0].path;
  throw new ProblemError({
    code: 'PLACES_GONE',
    what: 'Nothing was taken off.',
    why: `${ids.length - rows.length} of the ${ids.length} places are not there any more, or are not of this site.`,
    remedy: 'Load the picture again and choose the places as they are now.',
  });
}

interface NewTakeOff {
  readonly editionId: number;
  readonly fromPath: string;
  readonly ids: readonly number[];
  readonly createdBy: string;
}

async function keepChange(tx: Database, { editionId, fromPath, ids, createdBy }: NewTakeOff): Promise<void> {
  const [known] = await tx.orm
    .select({ id: changes.id, placementIds: changes.placementIds })
    .from(changes)
    .where(and(eq(changes.editionId, editionId), eq(changes.takesOff, true)));
  const placementIds = [...new Set([...(known?.placementIds ?? []), ...ids])];
  const [kept] = known
    ? await tx.orm
        .update(changes)
        .set({ placementIds, state: 'preparing', problem: null })
        .where(eq(changes.id, known.id))
        .returning({ id: changes.id })
    : await tx.orm
        .insert(changes)
        .values({
          editionId,
          fromPath,
          takesOff: true,
          placementIds,
          words: { alt: null, caption: null },
          createdBy,
        })
        .returning({ id: changes.id });
  if (kept) await addJob(tx.pool, 'prepare-change', { changeId: kept.id }, `change-${kept.id}`);
}

/** Leaves places of a draft where they are; a change that takes off none any more goes. */
export async function leavePlaces(
  db: Database,
  actor: Actor,
  siteId: number,
  spots: readonly { readonly source: string; readonly start: number }[],
): Promise<void> {
  requireRole(actor, EDITORS, 'change an edition');
  await asOne(db, async (tx) => {
    const { rows } = await tx.pool.query<{ id: string; edition_id: number }>(
      `select distinct p.id, c.edition_id from changes c
         join editions e on e.id = c.edition_id and e.site_id = $1 and e.state = 'draft'
         join placements p on p.site_id = $1 and p.id in (select jsonb_array_elements_text(c.placement_ids)::bigint)
         join jsonb_to_recordset($2::jsonb) as s (source text, start int)
           on s.source = p.source_path and s.start = p.start
       where c.takes_off`,
      [siteId, JSON.stringify(spots)],
    );
    const editionId = rows[0]?.edition_id;
    if (editionId === undefined) return;
    await releasePlacements(tx, editionId, rows.map(({ id }) => Number(id)), 'take-off'); // oxfmt-ignore
  });
}
