import {
  FILE_LISTS,
  fileCounts,
  FILES_A_SHEET,
  heavyPages,
  missingFiles,
  sameFiles,
  unusedFiles,
  type FileList,
} from '@/app/_data/pages/files';
import { CLIPS_A_SHEET, clipsOfSite, countClips } from '@/app/_data/pages/clips';
import { wasReadWhole } from '@/app/_data/read-whole';
import { hrefWith, listQuery, type SiteScreenProps } from '@/app/_data/query';
import { siteBySlug } from '@/app/_data/site';
import { Choices } from '@/ui/choices';
import { Empty } from '@/ui/empty';
import { bytesText, count, placeText, reachText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { PageTitle } from '@/ui/page-title';
import { Pager } from '@/ui/pager';
import { Player } from '@/ui/player';
import { Lighter } from './lighter';
import { UnusedList } from './unused-list';

export const metadata = { title: 'Files' };

const NAME: Readonly<Record<FileList, string>> = {
  missing: 'Missing',
  unused: 'On no page',
  twice: 'There twice',
  heavy: 'Weight by page',
  clips: 'Clips and sounds',
};

type Site = Awaited<ReturnType<typeof siteBySlug>>;

export default async function FilesPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { given, sheet } = await listQuery(searchParams);
  const list = FILE_LISTS.find((name) => name === given('list')) ?? 'missing';
  const [counts, clips] = await Promise.all([fileCounts(site.id), countClips(site.id)]);
  const totals = {
    missing: counts.missing,
    unused: counts.unused,
    twice: counts.twice,
    heavy: counts.searched.pages,
    clips,
  };
  const root = `/s/${site.slug}/files`;
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-5 py-2.5">
        <h1 className="mr-2 text-lg font-semibold">Files</h1>
        <Choices
          names={FILE_LISTS}
          labels={NAME}
          chosen={list}
          counts={{ missing: counts.missing, unused: counts.unused, twice: counts.twice, clips }}
          hrefOf={(name) => hrefWith(root, { list: name === 'missing' ? null : name })}
        />
      </div>
      {(await wasReadWhole(site.id)) ? (
        <>
          <p className="border-b border-line-2 px-5 py-2 text-sm text-ink-2">{explained(list, counts)}</p>
          <FileRows site={site} list={list} sheet={sheet} />
        </>
      ) : (
        <Empty head="The site was not read whole yet">
          What is missing, and what no page shows, can be told once all of it was read.
        </Empty>
      )}
      <Pager
        sheet={sheet}
        sheets={Math.max(1, Math.ceil(totals[list] / (list === 'clips' ? CLIPS_A_SHEET : FILES_A_SHEET)))}
        hrefOf={(to) => hrefWith(root, { list: list === 'missing' ? null : list, sheet: to })}
      />
    </main>
  );
}

function explained(list: FileList, counts: Awaited<ReturnType<typeof fileCounts>>): string {
  const { pages, sheets, places } = counts.searched;
  switch (list) {
    case 'missing':
      return 'Pages ask for these and there is nothing at that address: readers see a gap.';
    case 'unused':
      return `${bytesText(counts.unused_bytes)} in files that no place shows. Searched: ${count(places, 'place')} on ${count(pages, 'page')} and in ${count(sheets, 'style sheet or manifest', 'style sheets and manifests')}, with every srcset, background, enlarge link, poster, icon, share picture, structured data, noscript and waiting picture. Before a file is taken off, scripts, comments and every other text of the site are looked through for its name as well.`;
    case 'twice':
      return `The very same bytes at more than one address: ${bytesText(counts.twice_bytes)} more than needed.`;
    case 'heavy':
      return 'What a reader’s browser loads in pictures, each file counted once; one candidate stands for those of a srcset.';
    case 'clips':
      return 'Films and sounds that pages play. Another is put in their place as pictures are: in an edition, proven, and taken back.';
  }
}

async function FileRows({ site, list, sheet }: { site: Site; list: FileList; sheet: number }) {
  switch (list) {
    case 'missing':
      return <MissingRows site={site} sheet={sheet} />;
    case 'unused': {
      const files = await unusedFiles(site.id, sheet);
      if (files.length === 0)
        return <Empty head="Every file is shown somewhere">There is nothing to tidy away.</Empty>;
      return <UnusedList slug={site.slug} siteId={site.id} files={files} />;
    }
    case 'twice':
      return <SameRows site={site} sheet={sheet} />;
    case 'heavy':
      return <HeavyRows site={site} sheet={sheet} />;
    case 'clips':
      return <ClipRows site={site} sheet={sheet} />;
  }
}

async function MissingRows({ site, sheet }: { site: Site; sheet: number }) {
  const files = await missingFiles(site.id, sheet);
  if (files.length === 0)
    return <Empty head="Nothing is missing">Every picture that a page asks for is there.</Empty>;
  return (
    <ul>
      {files.map((file) => (
        <li
          key={file.id}
          className="grid grid-cols-[84px_minmax(0,1fr)_minmax(0,1fr)] gap-4 border-b border-line-2 px-5 py-2.5 max-md:grid-cols-1"
        >
          <Mat
            src={file.near_sha ? `/s/${site.slug}/image/${file.near_sha}` : null}
            alt={file.near_sha ? 'the file with nearly this name' : 'missing'}
            width={84}
            height={62}
          />
          <div className="min-w-0">
            <Link href={`/s/${site.slug}/pictures/${file.id}`} className="font-semibold break-all">
              {file.path}
            </Link>
            {file.near_path ? (
              <p className="text-sm">
                <span className="font-semibold text-should">
                  {file.near_kind === 'case'
                    ? 'Upper and lower case differ. '
                    : 'An accent is composed differently. '}
                </span>
                <span className="wrap-anywhere text-ink-2">
                  There is {file.near_path}. It shows where the server does not tell such names apart, and is
                  a gap elsewhere.
                </span>
              </p>
            ) : (
              <p className="text-sm text-ink-2">Nothing of that name, in any spelling, is on the site.</p>
            )}
          </div>
          <div className="text-sm">
            <p className="text-ink-2">{count(file.places, 'place')} on</p>
            <p className="flex flex-wrap gap-x-3">
              {file.pages.map(({ id, path }) => (
                <Link key={id} href={`/s/${site.slug}/pages/${id}`} className="text-green">
                  {placeText(path)}
                </Link>
              ))}
            </p>
          </div>
        </li>
      ))}
    </ul>
  );
}

async function SameRows({ site, sheet }: { site: Site; sheet: number }) {
  const groups = await sameFiles(site.id, sheet);
  if (groups.length === 0) return <Empty head="No file is there twice">Each has its own bytes.</Empty>;
  return (
    <ul>
      {groups.map(({ sha256, size_bytes: bytes, files }) => (
        <li key={sha256} className="flex gap-4 border-b border-line-2 px-5 py-2.5">
          <Mat src={`/s/${site.slug}/image/${sha256}`} alt="" width={84} height={62} />
          <div className="min-w-0">
            <p className="text-sm text-ink-2">
              {count(files.length, 'file')} of {bytesText(bytes)}
            </p>
            <ul>
              {files.map(({ id, path, places }) => (
                <li key={id}>
                  <Link href={`/s/${site.slug}/pictures/${id}`} className="font-semibold break-all">
                    {path}
                  </Link>{' '}
                  <span className="text-sm text-ink-2">
                    {places === 0 ? 'on no page' : count(places, 'place')}
                  </span>
                </li>
              ))}
            </ul>
          </div>
        </li>
      ))}
    </ul>
  );
}

async function ClipRows({ site, sheet }: { site: Site; sheet: number }) {
  const clips = await clipsOfSite(site.id, sheet);
  if (clips.length === 0)
    return (
      <Empty head="No page plays a clip or a sound">Films and sounds that pages play are listed here.</Empty>
    );
  return (
    <ul>
      {clips.map(({ path, kind, places, pages, firstPage }) => (
        <li
          key={path}
          className="grid grid-cols-[300px_minmax(0,1fr)_minmax(0,1fr)] items-center gap-5 border-b border-line-2 px-5 py-2.5 max-md:grid-cols-1"
        >
          <Player
            kind={kind}
            src={`/s/${site.slug}/clips/file?path=${encodeURIComponent(path)}`}
            label={path}
          />
          <div className="min-w-0">
            <Link href={hrefWith(`/s/${site.slug}/clips`, { path })} className="font-semibold break-all">
              {path}
            </Link>
            <p className="text-sm text-ink-2">{kind === 'audio' ? 'A sound' : 'A film'}</p>
          </div>
          <p className="text-sm text-ink-2">
            {count(places, 'place')} on {pages === 1 ? placeText(firstPage) : count(pages, 'page')}
            <Link
              href={hrefWith(`/s/${site.slug}/clips`, { path })}
              className="ml-3 font-semibold text-green"
            >
              Put another in its place
            </Link>
          </p>
        </li>
      ))}
    </ul>
  );
}

async function HeavyRows({ site, sheet }: { site: Site; sheet: number }) {
  const pages = await heavyPages(site.id, sheet);
  const most = pages[0]?.bytes ?? 1;
  if (pages.length === 0) return <Empty head="No page shows a picture">There is nothing to weigh.</Empty>;
  return (
    <ul>
      {pages.map((page) => (
        <li
          key={page.id}
          className="grid grid-cols-[minmax(0,1fr)_200px_100px] items-center gap-4 border-b border-line-2 px-5 py-2 max-md:grid-cols-1"
        >
          <div className="min-w-0">
            <PageTitle
              href={`/s/${site.slug}/pages/${page.id}`}
              title={page.title}
              path={page.path}
              siteName={site.name}
            />
            <p className="truncate text-sm text-ink-2">
              {count(page.files, 'file')}, the heaviest{' '}
              <Link href={`/s/${site.slug}/pictures/${page.heaviest_id}`} className="text-green">
                {page.heaviest.split('/').at(-1)}
              </Link>{' '}
              {bytesText(page.heaviest_bytes)}
            </p>
            {page.too_heavy > 0 ? (
              <Lighter slug={site.slug} page={page.path} pictures={page.too_heavy} />
            ) : null}
          </div>
          <span>
            <span className="font-semibold">{bytesText(page.bytes)}</span>
            <span aria-hidden className="mt-1 block h-1 bg-line">
              <span className="block h-full bg-note" style={{ width: `${(100 * page.bytes) / most}%` }} />
            </span>
          </span>
          <span className="text-right text-sm text-ink-2 max-md:text-left">
            {reachText(page.reach, site.reachFrom !== null)}
          </span>
        </li>
      ))}
    </ul>
  );
}
