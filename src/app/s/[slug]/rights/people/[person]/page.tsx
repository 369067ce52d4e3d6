import { notFound } from 'next/navigation';
import { picturesOf, schoolYearOf, today } from '@/app/_data/rights/people';
import { releaseText, standingOf } from '@/core/rights/standing';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { isoDay } from '@/core/dating/day';
import { database } from '@/server/db/database';
import { papersOf } from '@/server/work/rights/papers';
import { lookAtPeople } from '@/server/work/rights/people/people-of-site';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { WayBack } from '@/ui/way-back';
import { ReleaseForm } from '../release-form';
import { STANDING_LOOK } from '../standing';
import { Papers } from '../../papers/papers';
import { EraseButton, WithdrawButton } from './person-acts';

export const metadata = { title: 'Person' };

/** One person: what they allowed, the papers, and every picture they are on. */
export default async function PersonPage({ params }: { params: Promise<{ slug: string; person: string }> }) {
  const { slug, person: encoded } = await params;
  const id = decodeURIComponent(encoded);
  const site = await siteBySlug(slug);
  const actor = await requireActor();
  if (actor.role !== 'maintainer') notFound();
  const [person] = await lookAtPeople(database(), actor, site.id, id);
  if (!person) notFound();
  const day = today();
  const [pictures, papers, year] = await Promise.all([
    picturesOf(site.id, person.files),
    papersOf(database(), actor, site.id, { person: id }),
    schoolYearOf(site.id, day),
  ]);
  const standing = standingOf(person.releases, day);
  const places = pictures.reduce((sum, picture) => sum + picture.places, 0);
  return (
    <main className="grid min-h-[calc(100vh-46px)] grid-cols-[minmax(0,1fr)_292px] max-lg:grid-cols-1">
      <div className="bg-sheet px-5 py-3">
        <WayBack href={`/s/${slug}/rights/people`} to="People">
          {id}
        </WayBack>
        <h1 className="mt-1 text-xl font-semibold">{id}</h1>
        <p>
          <strong className={STANDING_LOOK[standing]}>{standing}</strong>
          <span className="text-ink-2"> today, on {count(places, 'place')} of this site</span>
        </p>
        <ul className="mt-2 max-w-xl">
          {(person.releases ?? []).map((release, i) => (
            <li key={i} className="border-t border-line-2 py-1.5">
              {releaseText(release)}
            </li>
          ))}
        </ul>
        <h2 className="mt-6 border-b border-line pb-1 text-lg font-semibold">On these pictures</h2>
        {pictures.length === 0 ? (
          <Empty head="On none">Nobody has marked them on a picture of this site.</Empty>
        ) : (
          <ul className="mt-3 grid grid-cols-4 gap-4 max-xl:grid-cols-3 max-md:grid-cols-2">
            {pictures.map(({ id: fileId, sha256, path, title, places: n, pages }) => (
              <li key={fileId} className="min-w-0">
                <Link href={`/s/${slug}/pictures/${fileId}`}>
                  <Mat src={`/s/${slug}/image/${sha256}`} alt="" width={190} height={140} />
                  <span className="mt-1 block truncate font-serif font-semibold">
                    {title || path.split('/').at(-1)}
                  </span>
                </Link>
                <span className="text-sm text-ink-2">
                  {n === 0
                    ? 'on no page, still reachable'
                    : `${count(n, 'place')} on ${count(pages, 'page')}`}
                </span>
              </li>
            ))}
          </ul>
        )}
        <Papers slug={slug} siteId={site.id} subject={{ person: id }} head="Papers" papers={papers} />
      </div>
      <aside aria-label="What to do" className="space-y-6 border-l border-line px-4 py-3.5 max-lg:border-l-0">
        {standing === 'withdrawn' && places === 0 ? null : (
          <WithdrawButton
            slug={slug}
            siteId={site.id}
            person={id}
            isWithdrawn={standing === 'withdrawn'}
            today={isoDay(day)}
            effect={`${count(pictures.length, 'picture')} in ${count(places, 'place')}`}
          />
        )}
        <ReleaseForm slug={slug} siteId={site.id} year={year} person={id} />
        <section className="text-sm">
          <h2 className="border-b border-line pb-1 text-base font-semibold">What is kept of them</h2>
          <p className="py-1.5">
            <a
              href={`/s/${slug}/rights/people/${encodeURIComponent(id)}/data`}
              className="font-semibold text-green"
            >
              Give it all out
            </a>{' '}
            <span className="text-ink-2">(JSON, papers included)</span>
          </p>
          <EraseButton slug={slug} siteId={site.id} person={id} />
        </section>
      </aside>
    </main>
  );
}
