import {
  listPictures,
  PICTURE_FILTERS,
  PICTURE_ORDERS,
  type PictureFilter,
  type PictureOrder,
} from '@/app/_data/pictures';
import { hrefWith, listQuery, type SearchParams } from '@/app/_data/query';
import { siteBySlug } from '@/app/_data/site';
import { Choices } from '@/ui/choices';
import { Empty } from '@/ui/empty';
import { Pager } from '@/ui/pager';
import { currentActor } from '@/app/_data/session';
import { PictureRow } from './picture-row';

export const metadata = { title: 'Pictures' };

const FILTER_NAME: Readonly<Record<PictureFilter, string>> = {
  all: 'All',
  placeholder: 'Leftovers',
  old: 'Past their time',
  undescribed: 'No alt text',
  missing: 'Missing',
  unused: 'On no page',
};
const ORDER_NAME: Readonly<Record<PictureOrder, string>> = {
  places: 'By places',
  reach: 'By reach',
  age: 'By age',
  name: 'By name',
  weight: 'By weight',
};

export default async function PicturesPage({
  params,
  searchParams,
}: {
  params: Promise<{ slug: string }>;
  searchParams: SearchParams;
}) {
  const site = await siteBySlug((await params).slug);
  const { given, query, section, sheet } = await listQuery(searchParams);
  const filter = PICTURE_FILTERS.find((name) => name === given('show')) ?? 'all';
  const order = PICTURE_ORDERS.find((name) => name === given('order')) ?? 'places';
  const { rows, counts, contexts, sheets } = await listPictures(site.id, {
    filter,
    order,
    query,
    section,
    sheet,
  });
  const actor = await currentActor();
  const root = `/s/${site.slug}/pictures`;
  const now = {
    q: query,
    section,
    show: filter === 'all' ? null : filter,
    order: order === 'places' ? null : order,
  };
  return (
    <main className="min-h-[calc(100vh-46px)]">
      <h1 className="sr-only">Pictures</h1>
      <div className="flex flex-wrap items-center gap-2 border-b border-line bg-sheet px-5 py-2.5">
        <Choices
          names={PICTURE_FILTERS}
          labels={FILTER_NAME}
          chosen={filter}
          counts={counts}
          hrefOf={(name) => hrefWith(root, { ...now, show: name === 'all' ? null : name })}
        />
        <span className="ml-auto" />
        <Choices
          names={PICTURE_ORDERS}
          labels={ORDER_NAME}
          chosen={order}
          hrefOf={(name) => hrefWith(root, { ...now, order: name === 'places' ? null : name })}
        />
      </div>
      {query ? (
        <p className="border-b border-line-2 bg-sheet px-5 py-2 text-ink-2 lg:mr-[292px]">
          With “{query}” in the file’s name, its words or its pages.{' '}
          <a href={hrefWith(root, { ...now, q: null })} className="font-semibold text-green">
            Show all
          </a>
        </p>
      ) : null}
      {rows.length === 0 ? (
        <div className="bg-sheet lg:mr-[292px]">
          <Empty head="No picture here">
            {filter === 'all' && !query
              ? 'The survey that reads the site has not finished, or it found no pictures: see Surveys.'
              : 'Nothing on this site answers to that. Choose another filter.'}
          </Empty>
        </div>
      ) : (
        <>
          <div
            aria-hidden
            className="grid grid-cols-[112px_minmax(0,1fr)_130px_110px_92px] gap-4 border-b border-line bg-sheet px-5 py-2 text-sm text-ink-2 max-lg:hidden lg:mr-[292px]"
          >
            <span />
            <span>Picture</span>
            <span>Taken</span>
            <span>Size</span>
            <span className="text-right">Places</span>
          </div>
          <ul>
            {rows.map((row) => (
              <PictureRow
                key={row.id}
                slug={site.slug}
                mayTeach={actor?.role === 'maintainer' || actor?.role === 'owner'}
                isCounted={site.reachFrom !== null}
                row={row}
                placements={contexts.get(row.id) ?? []}
              />
            ))}
          </ul>
        </>
      )}
      <div className="bg-sheet lg:mr-[292px]">
        <Pager sheet={sheet} sheets={sheets} hrefOf={(to) => hrefWith(root, { ...now, sheet: to })} />
      </div>
    </main>
  );
}
