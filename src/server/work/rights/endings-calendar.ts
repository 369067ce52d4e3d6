/** What ends when, as a calendar that any program keeps (RFC 5545): an entry for each day from which pictures may not stand. */
import { createEvents, type EventAttributes } from 'ics';
import { partsOf } from '@/core/dating/day';
import type { Database } from '../../db/database';
import { ProblemError } from '../../problem-error';

interface Ending {
  readonly until: number;
  readonly files: readonly string[];
  readonly pages: readonly string[];
}

/** Files and pages that an entry names; there may be many. */
const NAMED = 10;
/** Reminders before the day. */
const REMINDERS_DAYS = [60, 14] as const;

/** @param site names it in the entries; its slug makes them the same ones whenever they are fetched anew */
export async function endingsCalendar(
  { pool }: Database,
  site: { readonly id: number; readonly name: string; readonly slug: string },
): Promise<string> {
  const { rows } = await pool.query<Ending>(
    `select until, array_agg(distinct file_path order by file_path) as files, array_agg(distinct page_path order by page_path) as pages
     from rights_answers where site_id = $1 and until is not null group by until order by until`,
    [site.id],
  );
  const { error, value } = createEvents(
    rows.map((row) => eventOf(row, site)),
    { productId: 'ibidem', calName: `${site.name}: pictures that may stand no longer` },
  );
  if (error || !value)
    throw new ProblemError({
      code: 'CALENDAR_UNWRITABLE',
      what: 'The calendar was not made.',
      why: error?.message ?? 'Nothing came of it.',
      remedy: 'Look at what ends on the screen of rights.',
    });
  return value;
}

function eventOf(
  { until, files, pages }: Ending,
  { name, slug }: { readonly name: string; readonly slug: string },
): EventAttributes {
  const dayOf = (day: number): [number, number, number] => {
    const { year, month, date } = partsOf(day);
    return [year, month, date];
  };
  const many = files.length === 1 ? `${files[0] ?? ''} may` : `${files.length} picture files may`;
  const listed = (all: readonly string[]) =>
    [...all.slice(0, NAMED), ...(all.length > NAMED ? [`and ${all.length - NAMED} more`] : [])].join('\n');
  return {
    uid: `rights-${slug}-${until}@ibidem`,
    start: dayOf(until),
    end: dayOf(until + 1),
    title: `${name}: ${many} stand no longer`,
    description: `Files:\n${listed(files)}\n\nPages:\n${listed(pages)}`,
    busyStatus: 'FREE',
    alarms: REMINDERS_DAYS.map((days) => ({
      action: 'display' as const,
      description: `In ${days} days ${many} stand no longer`,
      // Whole hours: the library ends a duration of days with a `T` that RFC 5545 does not know there.
      trigger: { hours: 24 * days, before: true },
    })),
  };
}
