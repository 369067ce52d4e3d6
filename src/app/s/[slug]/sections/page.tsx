import { peopleForSections } from '@/app/_data/pages/pages';
import { sectionsOf } from '@/app/_data/frame';
import { siteBySlug } from '@/app/_data/site';
import { placeText } from '@/ui/format';
import { SectionForm, ViewsForm } from './section-form';

export const metadata = { title: 'Sections and reach' };

export default async function SectionsPage({ params }: { params: Promise<{ slug: string }> }) {
  const site = await siteBySlug((await params).slug);
  const [sections, people] = await Promise.all([sectionsOf(site.id), peopleForSections()]);
  const { slug, id: siteId } = site;
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet pb-8">
      <div className="border-b border-line px-5 py-2.5">
        <h1 className="text-lg font-semibold">Sections and reach</h1>
        <p className="text-sm text-ink-2">
          A section is a part of the site with an owner, who answers for its pictures. A page belongs to the
          longest pattern its address fits; <code>*</code> stands for anything.
        </p>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)_60px_170px] gap-3 px-5 pt-3 pb-1 text-sm text-ink-2 max-lg:hidden">
        <span>Folder or pattern</span>
        <span>Name</span>
        <span>Owner</span>
        <span className="text-right">Pages</span>
        <span />
      </div>
      {sections
        .filter(({ section }) => section !== '')
        .map(({ section, name, owner_id: ownerId, pages }) => (
          <SectionForm
            key={section}
            {...{ slug, siteId, people, pages }}
            section={{ pattern: section, name: name ?? placeText(section), ownerId, isKept: name !== null }}
          />
        ))}
      <SectionForm
        // A section that was added empties the line for the next one.
        key={`new ${sections.length}`}
        {...{ slug, siteId, people }}
        pages={0}
        section={{ pattern: '', name: '', ownerId: null, isKept: false }}
      />
      <section className="mt-6 border-t border-line px-5 pt-4" aria-labelledby="reach">
        <h2 id="reach" className="font-semibold">
          Reach
        </h2>
        <p className="mb-3 max-w-2xl text-ink-2">
          {site.reachFrom
            ? `Page views a month, from ${site.reachFrom}.`
            : 'Estimated: a visit begins at the home page and follows the links. Give the access log of the web server, or a table with the columns page and views, and the pages are ranked by what was really looked at.'}
        </p>
        <ViewsForm slug={slug} siteId={siteId} isCounted={site.reachFrom !== null} />
      </section>
    </main>
  );
}
