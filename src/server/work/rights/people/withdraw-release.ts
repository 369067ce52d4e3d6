/** A person takes their release back: every place of every picture of theirs is gathered to be taken off, with the files. */
import Joi from 'joi';
import { dayOfMs, isoDay, type Day } from '@/core/dating/day';
import { requireRole, type Actor } from '../../../accounts/actor';
import { checkedInput } from '../../../checked-input';
import type { Database } from '../../../db/database';
import { asOne } from '../../../db/in-transaction';
import { ProblemError } from '../../../problem-error';
import { takeOffWithin } from '../../editions/gather-take-off';
import { logEvent } from '../../log-event';
import { keepPerson, written } from './keep-releases';
import { peopleOfSite } from './people-of-site';

/** Kinds of places that show no file of their own. */
const WITHOUT_FILE = ['drawn', 'area'];

export interface Withdrawal {
  readonly person: string;
  /** `2026-03-02`: the first day on which nothing is allowed any more. */
  readonly on: string;
  /** Milliseconds since 1970: a withdrawal of a later day is recorded, and nothing gathered yet. */
  readonly now: number;
}

const WITHDRAWAL = Joi.object<Withdrawal>({
  person: Joi.string().max(100).required(),
  now: Joi.number().required(),
  on: Joi.string().pattern(/^\d{4}-\d{2}-\d{2}$/u).required().messages({ '*': 'Say on which day, as 2026-08-31' }), // oxfmt-ignore
});

export interface Withdrawn {
  /** The edition that takes the pictures off; `null` where none stands, or the day is still to come. */
  readonly edition: number | null;
  readonly places: number;
  readonly files: number;
}

/**
 * Records the withdrawal of all that a person allowed, and in the same step gathers what follows: each place of each
 * file of a picture of theirs, crops and share pictures included, and the files themselves, which scripts that name them
 * do not keep.
 */
export async function withdrawRelease(
  db: Database,
  actor: Actor,
  siteId: number,
  input: Withdrawal,
): Promise<Withdrawn> {
  requireRole(actor, ['maintainer'], 'withdraw releases');
  const refusal = { code: 'WITHDRAWAL_INPUT', what: 'Nothing was withdrawn.' };
  const { person, on, now } = checkedInput(WITHDRAWAL, input, refusal);
  return asOne(db, async (tx) => {
    const known = (await peopleOfSite(tx, siteId)).find(({ id }) => id === person);
    if (!known)
      throw new ProblemError({ ...refusal, why: `Nobody is recorded as ${person}.`, remedy: 'Look at the list of people again.' }); // oxfmt-ignore
    const releases = (known.releases ?? [])
      .map(written)
      .map((one) => ({ ...one, withdrawn: one['withdrawn'] ?? on }));
    await keepPerson(tx, actor, { siteId, id: person, releases, files: known.files });
    await logEvent(tx, actor, { siteId, verb: 'withdraw a release', details: `${person}, ${on}` });
    if (on > isoDay(dayOfMs(now)) || known.files.length === 0)
      return { edition: null, places: 0, files: known.files.length };
    return { ...(await gatherAll(tx, actor, siteId, known.files)), files: known.files.length };
  });
}

/** Gathers all places of files, and the files with them. */
async function gatherAll(
  tx: Database,
  actor: Actor,
  siteId: number,
  files: readonly string[],
): Promise<Pick<Withdrawn, 'edition' | 'places'>> {
  const { rows } = await tx.pool.query<{ id: string }>(
    `select id from placements where site_id = $1 and file_path = any($2::text[]) and until_survey is null
       and not (kind = any($3::text[]))`,
    [siteId, files, WITHOUT_FILE],
  );
  const placementIds = rows.map(({ id }) => Number(id));
  const edition = await takeOffWithin(tx, actor, { siteId, placementIds, files, mustGo: true });
  return { edition, places: placementIds.length };
}

/** Who does what nobody pressed: what was recorded for a day to come. */
const OVERNIGHT: Actor = { id: '', name: 'Ibidem, overnight', role: 'maintainer' };

/**
 * Gathers what follows from releases whose withdrawal was recorded for a day that has come; it is published by a person.
 *
 * @param tx a transaction (`asOne`)
 * @param after the last day that was looked at
 * @param until today
 */
export async function gatherDueWithdrawals(
  tx: Database,
  siteId: number,
  { after, until }: { readonly after: Day; readonly until: Day },
): Promise<void> {
  const isOver = (day: Day | null | undefined) => day !== null && day !== undefined && day <= until;
  for (const { releases, files } of await peopleOfSite(tx, siteId)) {
    if (!releases || files.length === 0 || !releases.every(({ withdrawn }) => isOver(withdrawn))) continue;
    if (!releases.some(({ withdrawn }) => isOver(withdrawn) && (withdrawn as Day) > after)) continue;
    await gatherAll(tx, OVERNIGHT, siteId, files);
  }
}
