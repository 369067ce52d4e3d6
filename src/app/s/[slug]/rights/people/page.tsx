import { placesByFile, schoolYearOf, today } from '@/app/_data/rights/people';
import { nextTurn, releaseText, standingOf } from '@/core/rights/standing';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { isoDay, type Day } from '@/core/dating/day';
import { database } from '@/server/db/database';
import { lookAtPeople, type PersonOfSite } from '@/server/work/rights/people/people-of-site';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { WayBack } from '@/ui/way-back';
import { ReleaseForm } from './release-form';
import { STANDING_LOOK } from './standing';

export const metadata = { title: 'People' };

/** Everybody who can be recognised on a picture, with what they allowed. */
export default async function PeoplePage({ params }: { params: Promise<{ slug: string }> }) {
  const site = await siteBySlug((await params).slug);
  const actor = await requireActor();
  const root = `/s/${site.slug}/rights`;
  if (actor.role !== 'maintainer')
    return (
      <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-3">
        <WayBack href={root} to="Rights">
          People
        </WayBack>
        <Empty head="Only maintainers see who allowed what">You are signed in as {actor.role}.</Empty>
      </main>
    );
  const day = today();
  const [people, places, year] = await Promise.all([
    lookAtPeople(database(), actor, site.id),
    placesByFile(site.id),
    schoolYearOf(site.id, day),
  ]);
  const rows = people
    .map((person) => ({
      person,
      standing: standingOf(person.releases, day),
      places: placesOf(person, places),
    }))
    .sort((a, b) => urgency(b) - urgency(a));
  return (
    <main className="grid min-h-[calc(100vh-46px)] grid-cols-[minmax(0,1fr)_292px] max-lg:grid-cols-1">
      <div className="bg-sheet">
        <div className="border-b border-line px-5 py-2.5">
          <WayBack href={root} to="Rights">
            People
          </WayBack>
          <h1 className="text-lg font-semibold">People and what they allowed</h1>
          <p className="text-sm text-ink-2">
            {count(people.length, 'person', 'people')} on pictures of this site. Seen by maintainers alone;
            each look is written down.{' '}
            {people.length > 0 ? (
              <Link href={`${root}/people/list`} className="font-semibold text-green">
                List to print
              </Link>
            ) : null}
          </p>
        </div>
        {rows.length === 0 ? (
          <Empty head="Nobody is recorded">
            Mark people on a picture’s own record, or bring in a file of records; then say here what they
            allowed.
          </Empty>
        ) : (
          <table className="w-full text-left">
            <thead className="text-sm text-ink-2">
              <tr className="border-b border-line">
                <th className="w-12 py-1.5 pl-5 font-normal">
                  <span className="sr-only">Choose</span>
                </th>
                <th className="py-1.5 font-normal">Who</th>
                <th className="py-1.5 font-normal">Today</th>
                <th className="py-1.5 font-normal">Allowed</th>
                <th className="py-1.5 pr-5 text-right font-normal">On pictures</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ person, standing, places: n }) => (
                <tr key={person.id} className="border-b border-line-2 align-top">
                  <td className="py-2 pl-5">
                    <input
                      type="checkbox"
                      form="release"
                      name="person"
                      value={person.id}
                      aria-label={`Choose ${person.id}`}
                      className="mt-1 size-4 accent-[var(--green)]"
                    />
                  </td>
                  <td className="py-2 pr-3">
                    <Link href={`${root}/people/${encodeURIComponent(person.id)}`} className="font-semibold">
                      {person.id}
                    </Link>
                  </td>
                  <td className={`py-2 pr-3 font-semibold ${STANDING_LOOK[standing]}`}>{standing}</td>
                  <td className="py-2 pr-3 text-sm">
                    {(person.releases ?? []).map((release, i) => (
                      <span key={i} className="block">
                        {releaseText(release)}
                      </span>
                    ))}
                    <TurnText person={person} day={day} />
                  </td>
                  <td className="py-2 pr-5 text-right text-sm whitespace-nowrap text-ink-2">
                    {person.files.length === 0
                      ? 'on none'
                      : `${count(person.files.length, 'file')}, ${count(n, 'place')}`}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </div>
      <aside aria-label="Record a release" className="border-l border-line px-4 py-3.5 max-lg:border-l-0">
        <ReleaseForm slug={site.slug} siteId={site.id} year={year} />
      </aside>
    </main>
  );
}

const placesOf = ({ files }: PersonOfSite, places: ReadonlyMap<string, number>): number =>
  files.reduce((sum, path) => sum + (places.get(path) ?? 0), 0);

/** Who is shown without leave comes first, then who is shown most. */
const urgency = ({ standing, places }: { standing: string; places: number }): number =>
  places + (standing === 'in force' || places === 0 ? 0 : 1e6);

function TurnText({ person, day }: { person: PersonOfSite; day: Day }) {
  const turn = nextTurn(person, day);
  if (turn === null || turn - day > 90) return null;
  return <span className="block text-should">changes on {isoDay(turn)}</span>;
}
