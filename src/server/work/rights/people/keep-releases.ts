/** Records people and what they allow. What a screen says of a person stands before what came from files. */
import Joi from 'joi';
import { isoDay } from '@/core/dating/day';
import type { Release } from '@/core/rights/records';
import { requireRole, type Actor } from '../../../accounts/actor';
import { checkedInput } from '../../../checked-input';
import type { Database } from '../../../db/database';
import { asOne } from '../../../db/in-transaction';
import { rightsRecords } from '../../../db/schema/rights';
import { askAnew } from '../ask-anew';
import { ProblemError } from '../../../problem-error';
import { checkedRecord } from '../../../reading/read-records';
import { logEvent } from '../../log-event';
import { peopleOfSite } from './people-of-site';

/** A release as it is written: days as YYYY-MM-DD, empty for none. */
export interface ReleaseSaid {
  /** What for; none for everything. */
  readonly purposes: readonly string[];
  readonly from: string;
  readonly until: string;
}

const RELEASE = Joi.object<ReleaseSaid>({
  purposes: Joi.array().items(Joi.string().trim().min(1).max(60)).max(20).required(),
  from: Joi.string().trim().max(10).allow('').required(),
  until: Joi.string().trim().max(10).allow('').required(),
});
const GIVEN = Joi.object<{ people: string[]; release: ReleaseSaid | null }>({
  people: Joi.array().items(Joi.string().trim().min(1).max(100)).min(1).max(2000).required().messages({ 'array.min': 'Choose at least one person', 'string.empty': 'Say who it is: initials, a number or a name' }), // oxfmt-ignore
  release: RELEASE.allow(null).required(),
});

const REFUSAL = { code: 'RELEASE_INPUT', what: 'The release was not recorded.' };

/**
 * Adds a release to those of some people, who are recorded by it if they were not yet. Without a release it is recorded
 * that they have given none.
 */
export async function giveRelease(
  db: Database,
  actor: Actor,
  siteId: number,
  input: { readonly people: readonly string[]; readonly release: ReleaseSaid | null },
): Promise<void> {
  requireRole(actor, ['maintainer'], 'record releases');
  const { people, release } = checkedInput(GIVEN, { ...input, people: [...input.people] }, REFUSAL);
  if (release?.from && release.until && release.from > release.until)
    throw new ProblemError({
      ...REFUSAL,
      why: 'It ends before it begins.',
      remedy: 'Mend one of the two days.',
    });
  await asOne(db, async (tx) => {
    const known = new Map((await peopleOfSite(tx, siteId)).map((person) => [person.id, person]));
    for (const id of new Set(people)) {
      const before = (known.get(id)?.releases ?? []).map(written);
      const files = known.get(id)?.files ?? [];
      await keepPerson(tx, actor, {
        siteId,
        id,
        files,
        releases: release ? [...before, asWritten(release)] : [],
      });
    }
    const details = `${people.length === 1 ? people[0] : `${people.length} people`}${release?.until ? `, until ${release.until}` : ''}`;
    await logEvent(tx, actor, {
      siteId,
      verb: release ? 'record a release' : 'record that none is given',
      details,
    });
  });
}

function asWritten({ purposes, from, until }: ReleaseSaid): Record<string, unknown> {
  return {
    ...(purposes.length > 0 ? { purposes } : {}),
    ...(from ? { from } : {}),
    ...(until ? { until } : {}),
  };
}

/** A release as files of records write it. */
export function written({ purposes, from, until, withdrawn }: Release): Record<string, unknown> {
  const day = (value: number | null | undefined) =>
    value === null || value === undefined ? value : isoDay(value);
  const fields = { purposes, from: day(from), until: day(until), withdrawn: day(withdrawn) };
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));
}

interface PersonKept {
  readonly siteId: number;
  readonly id: string;
  readonly releases: readonly Record<string, unknown>[];
  /** Those that show them. */
  readonly files: readonly string[];
}

/**
 * Puts a person's releases in place of those recorded on a screen before, and has the pictures that show them answered anew.
 *
 * @param tx a transaction (`asOne`)
 */
export async function keepPerson(
  tx: Database,
  actor: Actor,
  { siteId, id, releases, files }: PersonKept,
): Promise<void> {
  const body = { record: 'person', id, releases };
  checkedRecord(
    body,
    (why) => new ProblemError({ ...REFUSAL, why, remedy: 'A day is written as 2026-08-31.' }),
  );
  await tx.pool.query('delete from rights_records where site_id = $1 and for_person = $2', [siteId, id]);
  await tx.orm
    .insert(rightsRecords)
    .values({ siteId, kind: 'person', forPerson: id, saidBy: actor.name, body });
  await askAnew(tx, siteId, files);
}
