import { mayEdit } from '@/core/edition/edition-state';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { listSubjects } from '@/app/_data/pictures/subjects';
import { numbersIn, type SiteScreenProps } from '@/app/_data/query';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { WayBack } from '@/ui/way-back';
import { NewSubject } from './new-subject';
import { SubjectLine } from './subject-line';

export const metadata = { title: 'People, places, things' };

export default async function SubjectsPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { role } = await requireActor();
  const mayName = mayEdit(role);
  const ids = numbersIn((await searchParams)['for']);
  const subjects = await listSubjects(site.id);
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-4">
      <WayBack href={`/s/${site.slug}/pictures`} to="Pictures">
        People, places, things
      </WayBack>
      <h1 className="mt-1 text-xl font-semibold">Who and what the pictures show</h1>
      <p className="mt-1 max-w-[70ch] text-ink-2">
        When something on them changes, say when: a front is repainted, a tutor leaves. Every picture of it
        that was taken before is then marked as out of date.
      </p>
      {mayName ? (
        <section className="mt-4 max-w-[760px] border-t border-line pt-3">
          <h2 className="font-semibold">
            {ids.length > 0 ? `Name what ${count(ids.length, 'picture')} show` : 'Name somebody or something'}
          </h2>
          <NewSubject slug={site.slug} ids={ids} />
        </section>
      ) : null}
      {subjects.length === 0 ? (
        <Empty head="Nothing is named yet">
          Name the building, the people, the instruments that your pictures show, as far as it helps to find
          them again.
        </Empty>
      ) : (
        <ul className="mt-5 border-t border-line">
          {subjects.map((subject) => (
            <SubjectLine key={subject.id} slug={site.slug} subject={subject} mayName={mayName} />
          ))}
        </ul>
      )}
    </main>
  );
}
