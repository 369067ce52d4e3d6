import Link from 'next/link';
import { notFound } from 'next/navigation';
import { pageById } from '@/app/_data/pages';
import { siteBySlug } from '@/app/_data/site';
import { Empty } from '@/ui/empty';
import { bytesText, count, placeText, titleText } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { Note } from '@/ui/note';
import { kindText, slotText } from '@/ui/placement-text';

export default async function PageRecord({ params }: { params: Promise<{ slug: string; id: string }> }) {
  const { slug, id } = await params;
  const site = await siteBySlug(slug);
  const found = /^\d{1,9}$/.test(id) ? await pageById(site.id, Number(id)) : null;
  if (!found) notFound();
  const { page, placements, files } = found;
  return (
    <main className="min-h-[calc(100vh-46px)]">
      <div className="bg-sheet px-5 py-3 lg:mr-[292px]">
        <p className="text-sm text-ink-2">
          <Link href={`/s/${slug}/pages`} className="text-green">
            Pages
          </Link>{' '}
          / {placeText(page.path)}
        </p>
        <h1 className="mt-1 font-serif text-xl font-semibold">
          {titleText(page.title, site.name) || placeText(page.path)}
        </h1>
        <p className="text-sm text-ink-2">
          {page.path} · {count(placements.length, 'place')} · {page.encoding} · {bytesText(page.sizeBytes)}
          {site.liveUrl ? (
            <>
              {' · '}
              <a
                href={`${site.liveUrl}/${page.path.split('/').map(encodeURIComponent).join('/')}`}
                target="_blank"
                rel="noreferrer"
                className="font-semibold text-green"
              >
                open the live page
              </a>
            </>
          ) : null}
        </p>
      </div>
      {placements.length === 0 ? <Empty head="No picture stands on this page" /> : null}
      <ol>
        {placements.map((placement, i) => {
          const file = placement.filePath ? files.get(placement.filePath) : undefined;
          return (
            <li key={placement.id} className="grid grid-cols-[minmax(0,1fr)_292px] max-lg:grid-cols-1">
              <div className="flex gap-4 border-t border-line-2 bg-sheet px-5 py-3">
                <span className="mt-0.5 flex size-6 shrink-0 items-center justify-center border border-ink-3 text-sm font-semibold">
                  {i + 1}
                </span>
                <Mat
                  src={file?.sha256 ? `/s/${slug}/image/${file.sha256}` : null}
                  alt={file?.sha256 ? '' : 'no file'}
                  width={132}
                  height={96}
                />
                <div className="min-w-0">
                  {file ? (
                    <Link href={`/s/${slug}/pictures/${file.id}`} className="font-semibold break-all">
                      {placement.filePath}
                    </Link>
                  ) : (
                    <span className="font-semibold break-all">
                      {(placement.url ?? placement.raw).slice(0, 160)}
                    </span>
                  )}
                  <p className="text-sm text-ink-2">
                    {[
                      kindText(placement.kind, placement.sourcePath !== placement.pagePath),
                      slotText(placement.declared),
                      `line ${placement.line}${placement.sourcePath === placement.pagePath ? '' : ` of ${placement.sourcePath}`}`,
                    ]
                      .filter(Boolean)
                      .join(' · ')}
                  </p>
                  {placement.alt ? <p className="mt-1 font-serif">{placement.alt}</p> : null}
                  {placement.caption ? (
                    <p className="mt-0.5 font-serif text-sm text-ink-2">{placement.caption}</p>
                  ) : null}
                </div>
              </div>
              <div className="py-3 pr-4 empty:hidden max-lg:px-5">
                <PlaceNotes placement={placement} isMissing={placement.filePath !== null && !file?.sha256} />
              </div>
            </li>
          );
        })}
      </ol>
    </main>
  );
}

interface PlaceNotesProps {
  placement: NonNullable<Awaited<ReturnType<typeof pageById>>>['placements'][number];
  isMissing: boolean;
}

function PlaceNotes({ placement, isMissing }: PlaceNotesProps) {
  const isUndescribed =
    placement.kind === 'img' && placement.alt === null && placement.name === '' && !placement.decorative;
  return (
    <>
      {isMissing ? (
        <Note degree="must" head="the file is missing">
          Readers see a gap here: nothing is at {placement.filePath}.
        </Note>
      ) : null}
      {isUndescribed ? (
        <Note degree="must" head="no alt text">
          A screen reader can only say that there is a picture, or spell its file name.
        </Note>
      ) : null}
      {placement.dormant ? (
        <Note degree="note" head="a style that meets nothing">
          No element of this page is met by {placement.declared.classes || 'its rule'}.
        </Note>
      ) : null}
    </>
  );
}
