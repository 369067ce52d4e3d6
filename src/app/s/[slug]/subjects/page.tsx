import Link from 'next/link';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { listSubjects } from '@/app/_data/subjects';
import { numbersIn, type SearchParams } from '@/app/_data/query';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { NewSubject } from './new-subject';
import { SubjectLine } from './subject-line';

export const metadata = { title: 'People, places, things' };

export default async function SubjectsPage({
  params,
  searchParams,
}: {
  params: Promise<{ slug: string }>;
  searchParams: SearchParams;
}) {
  const site = await siteBySlug((await params).slug);
  const { role } = await requireActor();
  const mayName = role === 'maintainer' || role === 'owner';
  const ids = numbersIn((await searchParams)['for']);
  const subjects = await listSubjects(site.id);
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-4">
      <p className="text-sm text-ink-2">
        <Link href={`/s/${site.slug}/pictures`} className="text-green">
          Pictures
        </Link>{' '}
        / People, places, things
      </p>
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
