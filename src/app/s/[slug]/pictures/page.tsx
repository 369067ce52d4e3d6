import { narrowingChoices, narrowingOf, readingOf } from '@/app/_data/pictures/picture-narrowing';
import {
  listPictures,
  PICTURE_FILTERS,
  PICTURE_ORDERS,
  PICTURE_VIEWS,
  type PictureFilter,
  type PictureOrder,
  type PictureRow as Row,
  type PictureView,
  type ShownPlacement,
} from '@/app/_data/pictures/pictures';
import { hrefWith, listQuery, type SiteScreenProps } from '@/app/_data/query';
import { siteBySlug } from '@/app/_data/site';
import { Choices } from '@/ui/choices';
import { Empty } from '@/ui/empty';
import { Pager } from '@/ui/pager';
import { currentActor } from '@/app/_data/session';
import { BulkBar, type ChoosablePicture } from './bulk-bar';
import { ChooseAll, Choosing } from '@/ui/choosing';
import { numberText } from '@/ui/format';
import { Link } from '@/ui/link';
import { ContactSheet } from './contact-sheet';
import { Narrowed, NarrowForm } from './narrow-form';
import { PictureRow } from './picture-row';

export const metadata = { title: 'Pictures' };

const FILTER_NAME: Readonly<Record<PictureFilter, string>> = {
  all: 'All',
  placeholder: 'Leftovers',
  maybe: 'Perhaps leftovers',
  old: 'Past their time',
  undescribed: 'No alt text',
  missing: 'Missing',
  unused: 'On no page',
};
const ORDER_NAME: Readonly<Record<PictureOrder, string>> = {
  match: 'By where the words stand',
  strength: 'By how sure it is',
  places: 'By places',
  reach: 'By reach',
  age: 'By age',
  name: 'By name',
  weight: 'By weight',
};

const VIEW_NAME: Readonly<Record<PictureView, string>> = { list: 'Places', contact: 'Contact sheet' };

/** What of a sheet can be chosen: pictures that were read. */
function choosable(rows: readonly Row[]): ChoosablePicture[] {
  return rows.flatMap(({ picture_id: id, id: fileId, sha256 }) =>
    id !== null && sha256 !== null ? [{ id, fileId, sha256 }] : [],
  );
}

export default async function PicturesPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { given, query, section, sheet } = await listQuery(searchParams);
  const filter = PICTURE_FILTERS.find((name) => name === given('show')) ?? 'all';
  const orders = PICTURE_ORDERS.filter((name) =>
    name === 'match' ? query !== '' : name !== 'strength' || filter === 'placeholder' || filter === 'maybe',
  );
  // Whoever looks for a word wants what it is said of first; whoever looks for leftovers the surest.
  const usual = orders[0] ?? 'places';
  const order = orders.find((name) => name === given('order')) ?? usual;
  const view = PICTURE_VIEWS.find((name) => name === given('view')) ?? 'list';
  const narrowing = narrowingOf(given);
  const [{ rows, counts, contexts, sheets }, choices, reading] = await Promise.all([
    listPictures(site.id, { filter, order, query, section, sheet, narrowing, view }),
    narrowingChoices(site.id),
    readingOf(site.id),
  ]);
  const actor = await currentActor();
  const mayTeach = actor?.role === 'maintainer' || actor?.role === 'owner';
  const pictures = mayTeach ? choosable(rows) : [];
  const root = `/s/${site.slug}/pictures`;
  const now = {
    q: query,
    section,
    show: filter === 'all' ? null : filter,
    order: order === usual ? null : order,
    view: view === 'list' ? null : view,
    ...narrowing,
  };
  return (
    <main className="min-h-[calc(100vh-46px)]">
      <h1 className="sr-only">Pictures</h1>
      <div className="flex flex-wrap items-center gap-2 border-b border-line bg-sheet px-5 py-2.5">
        <Choices
          names={PICTURE_FILTERS.filter(
            (name) => name !== 'maybe' || filter === 'maybe' || (counts?.maybe ?? 0) > 0,
          )}
          labels={FILTER_NAME}
          chosen={filter}
          counts={counts}
          hrefOf={(name) => hrefWith(root, { ...now, show: name === 'all' ? null : name })}
        />
        <NarrowForm root={root} now={now} narrowing={narrowing} choices={choices} />
      </div>
      <div className="flex flex-wrap items-center gap-2 border-b border-line-2 bg-sheet px-5 py-2">
        <Choices
          names={PICTURE_VIEWS}
          labels={VIEW_NAME}
          chosen={view}
          hrefOf={(name) => hrefWith(root, { ...now, view: name === 'list' ? null : name })}
        />
        <Link href={`${root}/titles`} className="ml-3 text-green">
          Tidy titles
        </Link>
        <Link href={`/s/${site.slug}/subjects`} className="ml-2 text-green">
          People, places, things
        </Link>
        <span className="ml-auto" />
        <Choices
          names={orders}
          labels={ORDER_NAME}
          chosen={order}
          hrefOf={(name) => hrefWith(root, { ...now, order: name === usual ? null : name })}
        />
      </div>
      <Narrowed root={root} now={now} narrowing={narrowing} choices={choices} />
      {reading.read < reading.all ? (
        <p role="status" className="border-b border-line-2 bg-sheet px-5 py-2 text-ink-2">
          The pictures are being read: {numberText(reading.read)} of {numberText(reading.all)}. Their families
          and ages follow.
        </p>
      ) : null}
      {query ? (
        <p className="border-b border-line-2 bg-sheet px-5 py-2 text-ink-2 lg:mr-[292px]">
          With “{query}” in the file’s name, its words or its pages.{' '}
          <a href={hrefWith(root, { ...now, q: null })} className="font-semibold text-green">
            Show all
          </a>
        </p>
      ) : null}
      <Choosing items={pictures}>
        {rows.length === 0 ? (
          <div className="bg-sheet lg:mr-[292px]">
            <Empty head="No picture here">
              {filter === 'all' && !query
                ? 'The survey that reads the site has not finished, or nothing on this site answers to that: see Surveys.'
                : 'Nothing on this site answers to that. Choose another filter.'}
            </Empty>
          </div>
        ) : null}
        {rows.length > 0 ? (
          <Sheet
            slug={site.slug}
            view={view}
            rows={rows}
            contexts={contexts}
            mayTeach={mayTeach}
            isCounted={site.reachFrom !== null}
          />
        ) : null}
        <div className={view === 'list' ? 'bg-sheet lg:mr-[292px]' : 'bg-sheet'}>
          <Pager sheet={sheet} sheets={sheets} hrefOf={(to) => hrefWith(root, { ...now, sheet: to })} />
        </div>
        {mayTeach ? <BulkBar slug={site.slug} pictures={pictures} subjects={choices.subjects} /> : null}
      </Choosing>
    </main>
  );
}

interface SheetProps {
  slug: string;
  view: PictureView;
  rows: readonly Row[];
  contexts: ReadonlyMap<number, readonly ShownPlacement[]>;
  mayTeach: boolean;
  isCounted: boolean;
}

/** The pictures of one sheet, as rows that unfold to their places or side by side. */
function Sheet({ slug, view, rows, contexts, mayTeach, isCounted }: SheetProps) {
  if (view === 'contact')
    return (
      <>
        {mayTeach ? (
          <div className="border-b border-line bg-sheet px-5 py-2 text-sm text-ink-2">
            <ChooseAll />
          </div>
        ) : null}
        <ContactSheet slug={slug} rows={rows} mayChoose={mayTeach} />
      </>
    );
  return (
    <>
      <div className="grid grid-cols-[112px_minmax(0,1fr)_130px_110px_92px] gap-4 border-b border-line bg-sheet px-5 py-2 text-sm text-ink-2 max-lg:hidden lg:mr-[292px]">
        {mayTeach ? <ChooseAll /> : <span />}
        <span aria-hidden>Picture</span>
        <span aria-hidden>Taken</span>
        <span aria-hidden>Size</span>
        <span aria-hidden className="text-right">
          Places
        </span>
      </div>
      <ul>
        {rows.map((row) => (
          <PictureRow
            key={row.id}
            {...{ slug, row, mayTeach, isCounted }}
            placements={contexts.get(row.id) ?? []}
          />
        ))}
      </ul>
    </>
  );
}
