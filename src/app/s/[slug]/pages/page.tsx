import {
  listPages,
  PAGE_FILTERS,
  PAGE_ORDERS,
  type PageFilterName,
  type PageOrder,
} from '@/app/_data/pages/pages';
import { hrefWith, listQuery, type SiteScreenProps } from '@/app/_data/query';
import { sectionName, siteBySlug } from '@/app/_data/site';
import { Chip } from '@/ui/chip';
import { Choices } from '@/ui/choices';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { Pager } from '@/ui/pager';
import { PageLine } from './page-line';

export const metadata = { title: 'Pages' };

const FILTER_NAME: Readonly<Record<PageFilterName, string>> = {
  all: 'All',
  missing: 'With a missing picture',
  undescribed: 'No alt text',
  new: 'New or changed',
};
const ORDER_NAME: Readonly<Record<PageOrder, string>> = {
  address: 'By address',
  reach: 'By reach',
  changed: 'By last change',
  places: 'By places',
};

export default async function PagesPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { given, query, section, sheet } = await listQuery(searchParams);
  const filter = PAGE_FILTERS.find((name) => name === given('show')) ?? 'all';
  const order = PAGE_ORDERS.find((name) => name === given('order')) ?? 'address';
  const { rows, counts, total, sheets } = await listPages(site.id, { section, query, filter, order, sheet });
  const root = `/s/${site.slug}/pages`;
  const now = {
    q: query,
    section,
    show: filter === 'all' ? null : filter,
    order: order === 'address' ? null : order,
  };
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-5 py-2.5">
        <h1 className="text-lg font-semibold">
          {section === null ? 'Pages' : await sectionName(site.id, section)}
        </h1>
        <Choices
          names={PAGE_FILTERS}
          labels={FILTER_NAME}
          chosen={filter}
          counts={counts}
          hrefOf={(name) => hrefWith(root, { ...now, show: name === 'all' ? null : name })}
        />
        <span className="ml-auto flex flex-wrap items-center gap-2">
          <Choices
            names={PAGE_ORDERS}
            labels={ORDER_NAME}
            chosen={order}
            hrefOf={(name) => hrefWith(root, { ...now, order: name === 'address' ? null : name })}
          />
        </span>
      </div>
      <div className="flex items-center gap-3 border-b border-line-2 px-5 py-2 text-sm text-ink-2">
        <form role="search" aria-label="This list">
          {section !== null ? <input type="hidden" name="section" value={section} /> : null}
          <input
            name="q"
            defaultValue={query}
            aria-label="Find pages by title, words or address"
            placeholder="Title, words or address"
            className="w-64 rounded-sm border border-line bg-mat px-2.5 py-1 text-base text-ink placeholder:text-ink-3"
          />
        </form>
        {query ? <Chip href={hrefWith(root, { ...now, q: null })} isChosen={false} label="Show all" /> : null}
        <span className="whitespace-nowrap">{count(total, 'page')}</span>
        <span className="ml-auto">
          {site.reachFrom
            ? `Reach: views a month, from ${site.reachFrom}`
            : 'Reach: share of all page views, estimated from links'}
          {' · '}
          <Link href={`/s/${site.slug}/sections`} className="text-green">
            Sections and reach
          </Link>
        </span>
      </div>
      {rows.length === 0 ? (
        <Empty head="No page here">
          {query || filter !== 'all'
            ? 'No page of the site answers to that.'
            : 'The survey that reads the site has not finished, or it failed: see Surveys.'}
        </Empty>
      ) : (
        <ul>
          {rows.map((page) => (
            <PageLine key={page.id} site={site} page={page} />
          ))}
        </ul>
      )}
      <Pager sheet={sheet} sheets={sheets} hrefOf={(to) => hrefWith(root, { ...now, sheet: to })} />
    </main>
  );
}
