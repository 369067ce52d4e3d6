import { notFound } from 'next/navigation';
import { schoolYearOf, today } from '@/app/_data/rights/people';
import { releaseText, standingOf } from '@/core/rights/standing';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { isoDay } from '@/core/dating/day';
import { database } from '@/server/db/database';
import { lookAtPeople } from '@/server/work/rights/people/people-of-site';
import { count } from '@/ui/format';
import { WayBack } from '@/ui/way-back';

export const metadata = { title: 'Releases, to be renewed' };

/** A list to print and to sign: who is on pictures, what they allowed, and room for what they allow next. */
export default async function ListToPrint({ params }: { params: Promise<{ slug: string }> }) {
  const site = await siteBySlug((await params).slug);
  const actor = await requireActor();
  if (actor.role !== 'maintainer') notFound();
  const day = today();
  const [people, year] = await Promise.all([
    lookAtPeople(database(), actor, site.id),
    schoolYearOf(site.id, day),
  ]);
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-3 print:px-0">
      <div className="print:hidden">
        <WayBack href={`/s/${site.slug}/rights/people`} to="People">
          List to print
        </WayBack>
      </div>
      <h1 className="mt-1 text-xl font-semibold">
        {site.name}: pictures of people, {year.from.slice(0, 4)}/{year.until.slice(2, 4)}
      </h1>
      <p className="text-sm text-ink-2">
        As of {isoDay(day)}. Sign where you agree to what is written in the row.
      </p>
      <table className="mt-3 w-full border-collapse text-left text-sm">
        <thead>
          <tr className="border-b-2 border-ink">
            {['Who', 'On', 'Allowed so far', 'Today', `Until ${year.until}, for`, 'Signed'].map((head) => (
              <th key={head} className="py-1 pr-3 font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {people.map(({ id, releases, files }) => (
            <tr key={id} className="break-inside-avoid border-b border-line">
              <td className="py-3 pr-3 font-semibold">{id}</td>
              <td className="py-3 pr-3">{count(files.length, 'file')}</td>
              <td className="py-3 pr-3">{(releases ?? []).map(releaseText).join('; ') || '—'}</td>
              <td className="py-3 pr-3">{standingOf(releases, day)}</td>
              <td className="w-40 py-3 pr-3" />
              <td className="w-48 py-3" />
            </tr>
          ))}
        </tbody>
      </table>
    </main>
  );
}
