import { sectionsOf } from '@/app/_data/frame';
import { shelfLivesOf } from '@/app/_data/pictures/shelf-lives';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { PICTURE_KINDS, SHELF_LIVES } from '@/core/dating/shelf-life';
import { KIND_NAME } from '@/ui/date-words';
import { placeText } from '@/ui/format';
import { WayBack } from '@/ui/way-back';
import { ExceptionForm } from './exception-form';
import { LifeLine } from './life-line';
import { SchoolYear } from './school-year';

export const metadata = { title: 'Shelf lives' };

export default async function ShelfLivesPage({ params }: { params: Promise<{ slug: string }> }) {
  const site = await siteBySlug((await params).slug);
  const { role } = await requireActor();
  const mayChange = role === 'maintainer';
  const [set, sections] = await Promise.all([shelfLivesOf(site.id), sectionsOf(site.id)]);
  const named = sections
    .filter(({ section }) => section !== '')
    .map(({ section, name }) => ({ section, name: name ?? placeText(section) }));
  const nameOf = (section: string) => named.find((one) => one.section === section)?.name ?? section;
  const exceptions = set.filter(({ section }) => section !== '');
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-4">
      <WayBack href={`/s/${site.slug}/settings`} to="Settings">
        Shelf lives
      </WayBack>
      <h1 className="mt-1 text-xl font-semibold">How long pictures stay current</h1>
      <p className="mt-1 max-w-[70ch] text-ink-2">
        A picture that is older is past its time. Pictures of the news of their own year do not age, nor do
        those that are shown for their age.
      </p>
      <SchoolYear slug={site.slug} month={site.schoolYearMonth} mayChange={mayChange} />
      <h2 className="mt-5 font-semibold">On the whole site</h2>
      <ul className="max-w-[720px]">
        {PICTURE_KINDS.filter((kind) => kind !== 'evergreen').map((kind) => {
          const own = set.find((one) => one.section === '' && one.kind === kind);
          return (
            <LifeLine
              key={kind}
              {...{ slug: site.slug, section: '', kind, mayChange }}
              head={KIND_NAME[kind]}
              life={own?.life ?? SHELF_LIVES[kind]}
              isSet={own !== undefined}
            />
          );
        })}
      </ul>
      <h2 className="mt-5 font-semibold">Otherwise in a section</h2>
      {exceptions.length === 0 ? (
        <p className="text-ink-2">No section has a shelf life of its own.</p>
      ) : (
        <ul className="max-w-[720px]">
          {exceptions.map(({ section, kind, life }) => (
            <LifeLine
              key={`${section} ${kind}`}
              {...{ slug: site.slug, section, kind, life, mayChange }}
              head={`${KIND_NAME[kind]} in ${nameOf(section)}`}
              isSet
            />
          ))}
        </ul>
      )}
      {mayChange && named.length > 0 ? <ExceptionForm slug={site.slug} sections={named} /> : null}
    </main>
  );
}
