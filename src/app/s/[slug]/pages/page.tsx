import Link from 'next/link';
import { listPages } from '@/app/_data/pages';
import { hrefWith, listQuery, type SearchParams } from '@/app/_data/query';
import { siteBySlug } from '@/app/_data/site';
import { Chip } from '@/ui/chip';
import { Empty } from '@/ui/empty';
import { count, dateText, placeText, titleText } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { Pager } from '@/ui/pager';

export const metadata = { title: 'Pages' };

export default async function PagesPage({
  params,
  searchParams,
}: {
  params: Promise<{ slug: string }>;
  searchParams: SearchParams;
}) {
  const site = await siteBySlug((await params).slug);
  const { query, section, sheet } = await listQuery(searchParams);
  const { rows, total, sheets } = await listPages(site.id, { section, query, sheet });
  const root = `/s/${site.slug}/pages`;
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <div className="flex items-center gap-3 border-b border-line px-5 py-2.5">
        <h1 className="text-lg font-semibold">
          {section === null ? 'Pages' : section === '' ? 'Top of the site' : placeText(section)}
        </h1>
        <span className="text-ink-2">{count(total, 'page')}</span>
        <form className="ml-auto" role="search" aria-label="This list">
          {section !== null ? <input type="hidden" name="section" value={section} /> : null}
          <input
            name="q"
            defaultValue={query}
            aria-label="Find a page by title or address"
            placeholder="Title or address"
            className="w-56 rounded-sm border border-line bg-mat px-2.5 py-1 placeholder:text-ink-3"
          />
        </form>
        {query ? <Chip href={hrefWith(root, { section })} isChosen={false} label="Show all" /> : null}
      </div>
      {rows.length === 0 ? (
        <Empty head="No page here">
          {query
            ? 'No title or address holds these words.'
            : 'The survey that reads the site has not finished, or it failed: see Surveys.'}
        </Empty>
      ) : (
        <ul>
          {rows.map((page) => (
            <li
              key={page.id}
              className="grid grid-cols-[minmax(0,1fr)_minmax(0,540px)] items-center gap-5 border-b border-line-2 px-5 py-2.5 max-lg:grid-cols-1"
            >
              <div className="min-w-0">
                <Link href={`${root}/${page.id}`} className="block truncate font-serif text-lg font-semibold">
                  {titleText(page.title, site.name) || placeText(page.path)}
                </Link>
                <p className="truncate text-sm text-ink-2">
                  {page.path} · {count(page.placements, 'place')}
                  {page.modified_at ? ` · ${dateText(page.modified_at)}` : ''}
                </p>
              </div>
              <div className="flex gap-1.5 overflow-hidden">
                {page.pictures.map((picture, i) => (
                  <Mat
                    key={i}
                    src={picture.sha256 ? `/s/${site.slug}/image/${picture.sha256}` : null}
                    alt={picture.sha256 ? '' : 'missing'}
                    width={62}
                    height={48}
                  />
                ))}
              </div>
            </li>
          ))}
        </ul>
      )}
      <Pager
        sheet={sheet}
        sheets={sheets}
        hrefOf={(to) => hrefWith(root, { section, q: query, sheet: to })}
      />
    </main>
  );
}
