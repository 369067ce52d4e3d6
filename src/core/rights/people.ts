/** Whether a person's releases let a picture of theirs stand, on a day, for a purpose. */
import { isoDay, type Day } from '../dating/day';
import { purposeText } from './record-index';
import type { PersonRecord, Release } from './records';

/** What stands against it, in the order in which one hides the others of the same person. */
export type ReleaseCode =
  | 'release-withdrawn'
  | 'release-none'
  | 'release-purpose'
  | 'release-not-yet'
  | 'release-ended';

export interface ReleaseReason {
  readonly code: ReleaseCode;
  readonly sentence: string;
}

const isWithdrawn = ({ withdrawn }: Release, day: Day): boolean =>
  withdrawn !== null && withdrawn !== undefined && withdrawn <= day;
const hasBegun = ({ from }: Release, day: Day): boolean => from === null || from === undefined || from <= day;
const isOver = ({ until }: Release, day: Day): boolean =>
  until !== null && until !== undefined && until < day;
const fits = ({ purposes }: Release, purpose: string): boolean =>
  !purposes || purposes.length === 0 || purposes.includes(purpose);
const isInForce = (release: Release, day: Day): boolean =>
  !isWithdrawn(release, day) && hasBegun(release, day) && !isOver(release, day);

/**
 * What stands against showing a person.
 *
 * @returns `null` where a release is in force; `unknown` where the record says nothing of releases
 */
export function releaseReason(
  { id, releases }: PersonRecord,
  day: Day,
  purpose: string,
): ReleaseReason | 'unknown' | null {
  if (releases === undefined || releases === null) return 'unknown';
  if (releases.some((release) => fits(release, purpose) && isInForce(release, day))) return null;
  const withdrawn = releases.find((release) => isWithdrawn(release, day));
  if (withdrawn)
    return {
      code: 'release-withdrawn',
      sentence: `${id}’s release was withdrawn on ${isoDay(withdrawn.withdrawn as Day)}.`,
    };
  if (releases.length === 0) return { code: 'release-none', sentence: `${id} has given no release.` };
  const fitting = releases.filter((release) => fits(release, purpose));
  const isOtherInForce = releases.some((release) => isInForce(release, day));
  if (fitting.length === 0 || isOtherInForce)
    return {
      code: 'release-purpose',
      sentence: `${id}’s release is for ${purposesOf(releases)}, and this page is for ${purposeText(purpose)}.`,
    };
  const coming = fitting.filter((release) => !hasBegun(release, day));
  if (coming.length > 0) {
    const first = Math.min(...coming.map(({ from }) => from as Day));
    return { code: 'release-not-yet', sentence: `${id}’s release begins on ${isoDay(first)}.` };
  }
  const last = Math.max(...fitting.map(({ until }) => until as Day));
  return { code: 'release-ended', sentence: `${id}’s release ended on ${isoDay(last)}.` };
}

function purposesOf(releases: readonly Release[]): string {
  const all = [...new Set(releases.flatMap(({ purposes }) => purposes ?? []))];
  return all.length === 0 ? 'everything' : all.join(', ');
}

/** The days on which what a person's releases allow may change. */
export function turningDays({ releases }: PersonRecord): Day[] {
  return (releases ?? []).flatMap(({ from, until, withdrawn }) => [
    ...(from !== null && from !== undefined ? [from] : []),
    ...(until !== null && until !== undefined ? [until + 1] : []),
    ...(withdrawn !== null && withdrawn !== undefined ? [withdrawn] : []),
  ]);
}
