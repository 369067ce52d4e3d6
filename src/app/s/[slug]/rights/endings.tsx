import type { Ending } from '@/app/_data/rights/rights';
import { isoDay } from '@/core/dating/day';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';

/** What may stand today and will not for ever, by the day on which it has to be gone. */
export function Endings({ slug, endings }: { slug: string; endings: readonly Ending[] }) {
  return (
    <section>
      <h2 className="border-b border-line pb-1 font-semibold">Ends next</h2>
      {endings.length === 0 ? (
        <p className="py-1.5 text-sm text-ink-2">Nothing that stands today has an end.</p>
      ) : (
        <table className="w-full text-sm">
          <thead className="sr-only">
            <tr>
              <th>Gone from</th>
              <th>What</th>
            </tr>
          </thead>
          <tbody>
            {endings.map(({ until, id, path, pictures, places }) => (
              <tr key={until} className="border-b border-line-2 align-top">
                <td className="w-24 py-1.5 tabular-nums">{isoDay(until)}</td>
                <td className="py-1.5">
                  {id !== null ? (
                    <Link href={`/s/${slug}/pictures/${id}#rights`} className="text-green break-all">
                      {path.split('/').at(-1)}
                    </Link>
                  ) : (
                    <span className="break-all">{path}</span>
                  )}
                  <span className="text-ink-2">
                    {pictures > 1 ? ` and ${pictures - 1} more` : ''}, in {count(places, 'place')}
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {endings.length > 0 ? (
        <p className="mt-2 text-sm">
          <Link href={`/s/${slug}/rights/endings`} className="font-semibold text-green">
            All of them, on a line of time
          </Link>
          ; or as a{' '}
          <a href={`/s/${slug}/rights/endings.ics`} className="font-semibold text-green">
            calendar
          </a>
          , with reminders.
        </p>
      ) : null}
    </section>
  );
}
