import { findPages, type FoundPage, type FoundPages } from '@/app/_data/find/found-pages';
import { findPictures, type FoundIn, type FoundPicture } from '@/app/_data/find/found-pictures';
import { hrefWith, listQuery, type SiteScreenProps } from '@/app/_data/query';
import { siteBySlug } from '@/app/_data/site';
import { Empty } from '@/ui/empty';
import { FoundWords } from '@/ui/found-words';
import { count, numberText, placeText, reachText, titleText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { PageTitle } from '@/ui/page-title';

export async function generateMetadata({ searchParams }: SiteScreenProps) {
  const { query } = await listQuery(searchParams);
  return { title: query === '' ? 'Find' : `“${query}”` };
}

const WHERE: Readonly<Record<FoundIn, string>> = {
  title: 'its title',
  subject: 'it shows',
  words: 'alt text and caption',
  name: 'file',
  picture: 'written in it',
  parts: 'partly in its words, partly in names',
  page: 'the page it stands on',
};
const WHERE_OF_PAGE: Readonly<Record<FoundPage['found_in'], string>> = {
  title: 'title',
  address: 'address',
  text: 'text',
};

type Site = Awaited<ReturnType<typeof siteBySlug>>;

/** Pictures and pages in which some words were found, in one answer, each with where. */
export default async function FindPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { query } = await listQuery(searchParams);
  const [pictures, pages] = await Promise.all([findPictures(site.id, query), findPages(site.id, query)]);
  const root = `/s/${site.slug}`;
  if (pictures.all + pages.inList === 0)
    return (
      <main className="min-h-[calc(100vh-46px)] bg-sheet">
        <h1 className="sr-only">Find</h1>
        <Empty head={query === '' ? 'What are you looking for?' : `Nothing with “${query}”`}>
          {query === ''
            ? 'Type a word of a title, an alt text, a caption, a file’s name, a page, or one that is written in a picture.'
            : 'It stands in no title, alt text, caption, name or page of this site, and in no picture that was read. Try the beginning of a word, or fewer words.'}
        </Empty>
      </main>
    );
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <h1 className="border-b border-line px-5 py-2.5 text-lg font-semibold">
        “{query}” in {count(pictures.all, 'picture')} and on {count(pages.all, 'page')}
        {pages.isAtLeast ? ' or more' : ''}
      </h1>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,440px)] max-lg:grid-cols-1">
        <section aria-label="Pictures" className="border-r border-line-2">
          {pictures.rows.length === 0 ? (
            <p className="px-5 py-3 text-ink-2">No picture speaks of it.</p>
          ) : null}
          <ul>
            {pictures.rows.map((row) => (
              <PictureFound key={row.id} {...{ site, row, query }} />
            ))}
          </ul>
          <More
            all={pictures.all}
            shown={pictures.rows.length}
            href={hrefWith(`${root}/pictures`, { q: query })}
            what="pictures"
          />
        </section>
        <section aria-label="Pages">
          {pages.isEverywhere || pages.rows.length === 0 ? (
            <p className="border-b border-line-2 px-5 py-3 text-ink-2">{pagesNote(pages)}</p>
          ) : null}
          <ul>
            {pages.rows.map((row) => (
              <PageFound key={row.id} {...{ site, row, query }} />
            ))}
          </ul>
          <More
            all={pages.inList}
            shown={pages.rows.length}
            href={hrefWith(`${root}/pages`, { q: query })}
            what={pages.isEverywhere ? 'pages that have it' : 'pages'}
          />
        </section>
      </div>
    </main>
  );
}

/** One picture, where the words were found, and what stands there. */
function PictureFound({ site, row, query }: { site: Site; row: FoundPicture; query: string }) {
  const { id, path, sha256, title, words, places, pages, found_in: where, text, page } = row;
  const root = `/s/${site.slug}`;
  const name = title ?? words ?? path.split('/').at(-1) ?? path;
  const pageName = page && (titleText(page.title, site.name) || placeText(page.path));
  return (
    <li className="grid grid-cols-[112px_minmax(0,1fr)] gap-4 border-b border-line-2 px-5 py-2.5">
      <Link href={`${root}/pictures/${id}`} tabIndex={-1} aria-hidden>
        <Mat src={sha256 ? `${root}/image/${sha256}` : null} alt="" width={112} height={76} />
      </Link>
      <div className="min-w-0">
        <Link href={`${root}/pictures/${id}`} className="block truncate font-serif text-lg font-semibold">
          {name}
        </Link>
        <p className="line-clamp-2 text-sm">
          <span className="text-ink-2">{WHERE[where]}: </span>
          <FoundWords text={(where === 'page' ? (page?.path ?? text) : text) ?? path} query={query} />
        </p>
        <p className="truncate text-sm text-ink-2">
          {places === 0 ? 'on no page' : `${count(places, 'place')} on ${count(pages, 'page')}`}
          {page ? (
            <>
              {', as on '}
              <Link href={`${root}/pages/${page.id}`} className="text-green">
                {pageName}
              </Link>
            </>
          ) : null}
        </p>
      </div>
    </li>
  );
}

/** What is said above the pages where they are not simply those that have the words. */
function pagesNote({ inList, rows }: FoundPages): string {
  if (inList === 0) return 'No page has it.';
  if (rows.length === 0) return 'Nearly all pages have it, as a menu would, and none says it more often.';
  return 'Nearly all pages have it, as a menu would. These say it elsewhere, or more often than most.';
}

function PageFound({ site, row, query }: { site: Site; row: FoundPage; query: string }) {
  return (
    <li className="border-b border-line-2 px-5 py-2.5">
      <PageTitle
        href={`/s/${site.slug}/pages/${row.id}`}
        title={row.title}
        path={row.path}
        siteName={site.name}
      />
      <p className="line-clamp-2 text-sm">
        <span className="text-ink-2">{WHERE_OF_PAGE[row.found_in]}: </span>
        <FoundWords text={row.text ?? (row.found_in === 'title' ? row.title : row.path)} query={query} />
      </p>
      <p className="text-sm text-ink-2">
        {count(row.places, 'place')} · {reachText(row.reach, site.reachFrom !== null)}
      </p>
    </li>
  );
}

interface MoreProps {
  all: number;
  shown: number;
  href: string;
  what: 'pictures' | 'pages' | 'pages that have it';
}

function More({ all, shown, href, what }: MoreProps) {
  if (all === 0) return null;
  return (
    <p className="px-5 py-3">
      <Link href={href} className="font-semibold text-green">
        {all > shown ? `All ${numberText(all)} ${what}` : `As a list of ${what}, to narrow and sort`}
      </Link>
    </p>
  );
}
