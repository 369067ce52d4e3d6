/** How a person's releases stand as a whole, and in words. */
import { isoDay, type Day } from '../dating/day';
import { turningDays } from './people';
import type { PersonRecord, Release } from './records';

/** How a person's permission stands on a day. */
export type Standing = 'in force' | 'ended' | 'not yet' | 'withdrawn' | 'none given' | 'not asked';

export function standingOf(releases: PersonRecord['releases'], day: Day): Standing {
  if (!releases) return 'not asked';
  if (releases.length === 0) return 'none given';
  const open = releases.filter(({ withdrawn }) => !isDay(withdrawn) || withdrawn > day);
  if (open.length === 0) return 'withdrawn';
  const begun = open.filter(({ from }) => !isDay(from) || from <= day);
  if (begun.length === 0) return 'not yet';
  return begun.some(({ until }) => !isDay(until) || until >= day) ? 'in force' : 'ended';
}

const isDay = (day: Day | null | undefined): day is Day => day !== null && day !== undefined;

/** The next day on which something changes for a person, or `null`. */
export function nextTurn({ id, releases }: Pick<PersonRecord, 'id' | 'releases'>, day: Day): Day | null {
  const days = turningDays({ record: 'person', id, releases }).filter((turn) => turn > day);
  return days.length === 0 ? null : Math.min(...days);
}

/** A release in words: what for, from when, until when. */
export function releaseText({ purposes, from, until, withdrawn }: Release): string {
  const parts = [
    purposes && purposes.length > 0 ? `for ${purposes.join(', ')}` : 'for everything',
    isDay(from) ? `from ${isoDay(from)}` : '',
    isDay(until) ? `until ${isoDay(until)}` : '',
    isDay(withdrawn) ? `· withdrawn on ${isoDay(withdrawn)}` : '',
  ];
  return parts.filter(Boolean).join(' ');
}
