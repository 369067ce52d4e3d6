/** Puts new words for places into the edition that is being gathered, without another picture. */
import { and, eq, isNull, sql } from 'drizzle-orm';
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { takesWords, type PlaceWords, type TakenWords } from '@/core/edit/word-edits';
import type { WordAnchors } from '@/core/markup/placement';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { changes } from '../../db/schema/editions';
import { asOne } from '../../db/in-transaction';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { draftEdition } from '../editions/draft-edition';
import { logEvent } from '../log-event';
import { prepareBeside, wordedSources } from '../editions/prepare-beside';
import { releasePlacements } from '../editions/release-placements';

/** Words for some places: `null` leaves what the site says there. */
export interface WordsOfPlaces extends PlaceWords {
  /** Numbers of the placements. */
  readonly ids: readonly number[];
}

/** As many as a logo has on a large site. */
const MOST_PLACES = 20_000;
const TEXT = Joi.string().trim().max(2000).allow('', null).required().messages({
  'string.max': 'Words of more than 2,000 characters belong on the page, not into an alt text or a caption',
});
const SCHEMA = Joi.object<{ places: WordsOfPlaces[] }>({
  places: Joi.array()
    .items(
      Joi.object({
        ids: Joi.array().items(Joi.number().integer().positive()).min(1).max(MOST_PLACES).required(),
        ...{ alt: TEXT, caption: TEXT },
        block: Joi.string().trim().max(5000).allow('', null),
      }),
    )
    .min(1)
    .max(MOST_PLACES)
    .required()
    .messages({ 'array.min': 'Choose at least one place' }),
});

const ALL: TakenWords = { alt: true, caption: true, block: true };

interface PlaceRow {
  readonly id: number;
  readonly path: string;
  readonly alt: string | null;
  readonly caption: string | null;
  readonly words: WordAnchors;
}

/**
 * Puts words into the edition being gathered: one change for each file whose places they are. Words that the edition
 * had for one of the places give way to these; a place whose words are those that the site has already leaves it.
 *
 * @returns the edition's number, or `null` where nothing differs from the site; and how many places change
 * @throws ProblemError `WORDS_INPUT` for words that can't be kept, `PLACES_GONE` where a place is not there any more
 */
export async function gatherWords(
  db: Database,
  actor: Actor,
  siteId: number,
  places: readonly WordsOfPlaces[],
): Promise<{ edition: number | null; places: number }> {
  requireRole(actor, EDITORS, 'change words');
  const refusal = { code: 'WORDS_INPUT', what: 'The words were not added.' };
  const { places: given } = checkedInput(SCHEMA, { places: [...places] }, refusal);
  return asOne(db, (tx) => gathered(tx, actor, siteId, given));
}

/** Writes changes of words, and all that follows from them, in one transaction. */
async function gathered(
  db: Database,
  actor: Actor,
  siteId: number,
  given: readonly WordsOfPlaces[],
): Promise<{ edition: number | null; places: number }> {
  const wanted = new Map(given.flatMap(({ ids, ...words }) => ids.map((id) => [id, words])));
  const rows = await placesNow(db, siteId, [...wanted.keys()]);
  const byFile = new Map<string, Record<string, PlaceWords>>();
  let count = 0;
  for (const row of rows) {
    const words = changed(row, wanted.get(row.id));
    if (!words) continue;
    count++;
    const known = byFile.get(row.path) ?? {};
    known[row.id] = words;
    byFile.set(row.path, known);
  }
  const edition = count > 0 ? await draftEdition(db, actor, siteId) : null;
  // Words for a place say that it stays.
  if (edition) await releasePlacements(db, edition.id, [...byFile.values()].flatMap((words) => Object.keys(words).map(Number)), 'take-off'); // oxfmt-ignore
  const made = edition
    ? await insertChanges(db, { editionId: edition.id, byFile, createdBy: actor.name })
    : [];
  // Only once the new ones are there: whatever ends the process in between, no words are lost.
  const fields = new Map([...wanted.keys()].map((id) => [id, ALL]));
  await releaseWords(db, siteId, fields, made);
  for (const id of made) await addJob(db.pool, 'prepare-change', { changeId: id }, `change-${id}`);
  if (!edition) return { edition: null, places: 0 };
  const details = `${count} places, edition ${edition.number}`;
  await logEvent(db, actor, { siteId, verb: 'change words', details });
  return { edition: edition.number, places: count };
}

interface NewChanges {
  readonly editionId: number;
  /** Words by placement, by the path of the file. */
  readonly byFile: ReadonlyMap<string, Readonly<Record<string, PlaceWords>>>;
  readonly createdBy: string;
}

async function insertChanges(db: Database, { editionId, byFile, createdBy }: NewChanges): Promise<number[]> {
  const rows = await db.orm
    .insert(changes)
    .values(
      [...byFile].map(([fromPath, placeWords]) => ({
        ...{ editionId, fromPath, placeWords, createdBy },
        words: { alt: null, caption: null },
        placementIds: Object.keys(placeWords).map(Number),
      })),
    )
    .returning({ id: changes.id });
  return rows.map(({ id }) => id);
}

async function placesNow(
  { pool }: Database,
  siteId: number,
  ids: readonly number[],
): Promise<readonly PlaceRow[]> {
  const { rows } = await pool.query<PlaceRow & { id: string }>(
    `select id, coalesce(file_path, url, raw) as path, alt, caption, words from placements
     where site_id = $1 and id = any($2::bigint[]) and until_survey is null order by file_path, page_path, ordinal`,
    [siteId, ids],
  );
  const gone = new Set(ids).size - rows.length;
  if (gone > 0) {
    throw new ProblemError({
      code: 'PLACES_GONE',
      what: 'The words were not added.',
      why: `${gone} of the ${ids.length} places are not there any more: a survey has read their pages since.`,
      remedy: 'Load the desk again; the words that you typed can be copied from it first.',
    });
  }
  return rows.map((row) => ({ ...row, id: Number(row.id) }));
}

/** What of the words differs from the site, where the place takes them; `null` where nothing does. */
function changed(row: PlaceRow, words: PlaceWords | undefined): PlaceWords | null {
  const takes = takesWords(row.words);
  const alt = takes.alt && words && words.alt !== row.alt ? words.alt : null;
  const caption = takes.caption && words && words.caption !== row.caption ? words.caption : null;
  const block = (takes.block && words?.block) || null;
  return alt === null && caption === null && block === null ? null : { alt, caption, block };
}

/**
 * Takes words out of the changes of words in the edition being gathered; a change that has none left goes.
 *
 * @param fields which of its words each place gives up
 * @param except numbers of changes that keep theirs
 */
export async function releaseWords(
  db: Database,
  siteId: number,
  fields: ReadonlyMap<number, TakenWords>,
  except: readonly number[] = [],
): Promise<void> {
  const others = await db.orm
    .select({ id: changes.id, placeWords: changes.placeWords, placementIds: changes.placementIds })
    .from(changes)
    .where(
      and(
        isNull(changes.intakeId),
        eq(changes.takesOff, false),
        eq(changes.writesRights, false),
        isNull(changes.tells),
        sql`${changes.editionId} in (select id from editions where site_id = ${siteId} and state = 'draft')`,
      ),
    );
  const touched = others.filter(
    ({ id, placementIds }) => !except.includes(id) && placementIds.some((place) => fields.has(place)),
  );
  const sources = await wordedSources(
    db,
    touched.map(({ id }) => id),
  );
  for (const { id, placeWords } of touched) {
    const kept: Record<string, PlaceWords> = {};
    for (const [placement, words] of Object.entries(placeWords)) {
      const gives = fields.get(Number(placement));
      const left = {
        alt: gives?.alt ? null : words.alt,
        caption: gives?.caption ? null : words.caption,
        block: gives?.block ? null : (words.block ?? null),
      };
      if (left.alt !== null || left.caption !== null || left.block !== null) kept[placement] = left;
    }
    if (Object.keys(kept).length === 0) await db.orm.delete(changes).where(eq(changes.id, id));
    else {
      await db.orm
        .update(changes)
        .set({ placeWords: kept, placementIds: Object.keys(kept).map(Number), state: 'preparing' })
        .where(eq(changes.id, id));
      await addJob(db.pool, 'prepare-change', { changeId: id }, `change-${id}`);
    }
  }
  await prepareBeside(db, siteId, sources);
}
