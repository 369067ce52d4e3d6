import Link from 'next/link';
import { notFound } from 'next/navigation';
import { pictureById } from '@/app/_data/pictures';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { dayOfMs } from '@/core/dating/day';
import { spanText } from '@/core/dating/shelf-life';
import { buttonClass } from '@/ui/button';
import { CutOut } from '@/ui/cut-out';
import { Empty } from '@/ui/empty';
import { bytesText, count, pixelsText, reachText } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { Dates } from './dates';
import { Family } from './family';
import { Leftover } from './leftover';
import { WhatItShows } from './what-it-shows';
import { WordsMargin } from './words-margin';

export const metadata = { title: 'Picture' };

export default async function PictureRecord({ params }: { params: Promise<{ slug: string; id: string }> }) {
  const { slug, id } = await params;
  const site = await siteBySlug(slug);
  const found = /^\d{1,9}$/.test(id) ? await pictureById(site.id, Number(id)) : null;
  if (!found) notFound();
  const { file, picture, family, placements } = found;
  const actor = await requireActor();
  const mayTeach = actor.role === 'maintainer' || actor.role === 'owner';
  const today = dayOfMs(new Date().getTime());
  const standing = placements.filter(({ dormant }) => !dormant);
  const dormant = placements.length - standing.length;
  const pages = new Set(standing.map(({ pagePath }) => pagePath)).size;
  const name = file.path.split('/').at(-1) ?? file.path;
  const src = file.sha256 ? `/s/${slug}/image/${file.sha256}` : null;
  return (
    <main className="grid min-h-[calc(100vh-46px)] grid-cols-[minmax(0,1fr)_292px] max-lg:grid-cols-1">
      <div className="bg-sheet px-5 py-3">
        <p className="text-sm text-ink-2">
          <Link href={`/s/${slug}/pictures`} className="text-green">
            Pictures
          </Link>{' '}
          / {file.path}
        </p>
        <div className="mt-3 flex gap-5 max-md:flex-col">
          <Mat src={src ? `${src}?whole` : null} alt={src ? '' : 'missing'} width={420} height={280} />
          <div className="min-w-0">
            <h1 className="text-xl font-semibold break-all">{name}</h1>
            <p className="mt-1 text-ink-2">
              {pixelsText(file.widthPx, file.heightPx)}
              {file.sizeBytes === null ? '' : ` · ${bytesText(file.sizeBytes)}`}
              {file.format ? ` · ${file.format.toUpperCase()}` : ''}
            </p>
            <p className="mt-1">
              {standing.length > 0
                ? `${count(standing.length, 'place')} on ${count(pages, 'page')}.`
                : 'It stands on no page.'}
              {standing.length > 0
                ? ` Reach: ${reachText(
                    family.reduce((sum, one) => sum + one.reach, 0),
                    site.reachFrom !== null,
                  )}.`
                : ''}
              {dormant > 0 ? ` Besides, ${count(dormant, 'style')} that meets nothing names it.` : ''}
            </p>
            {picture ? (
              <p className="mt-1">
                Taken: {spanText({ from: picture.takenFrom, until: picture.takenUntil })}.
                {picture.overdue > 1 ? ' It is past its time.' : ''}
              </p>
            ) : null}
            {placements.length > 0 ? (
              <p className="mt-4">
                <Link href={`/s/${slug}/pictures/${file.id}/swap`} className={buttonClass('main')}>
                  Swap this picture
                </Link>
              </p>
            ) : null}
          </div>
        </div>
        {picture ? (
          <>
            <h2 className="mt-6 border-b border-line pb-1 text-lg font-semibold">When it was taken</h2>
            <Dates
              from={picture.takenFrom}
              until={picture.takenUntil}
              because={picture.because}
              against={picture.against}
              currentUntil={picture.currentUntil}
              today={today}
            />
            <Family slug={slug} files={family} mayCorrect={mayTeach} />
          </>
        ) : null}
        <h2 className="mt-6 border-b border-line pb-1 text-lg font-semibold">Where it stands</h2>
        {placements.length === 0 ? (
          <Empty head="On no page">No page or style sheet of the last survey refers to it.</Empty>
        ) : (
          <div className="mt-3 grid grid-cols-3 gap-2.5 pb-6 max-xl:grid-cols-2">
            {placements.map((placement) => (
              <CutOut
                key={placement.id}
                placement={placement}
                src={placement.sha256 ? `/s/${slug}/image/${placement.sha256}` : null}
              />
            ))}
          </div>
        )}
      </div>
      <WordsMargin placements={standing} isMissing={!file.sha256} problem={file.problem}>
        {picture ? (
          <>
            <Leftover
              slug={slug}
              pictureId={picture.id}
              isPlaceholder={picture.isPlaceholder}
              belief={picture.placeholderBelief}
              clues={picture.clues}
              mayTeach={mayTeach}
            />
            <WhatItShows
              slug={slug}
              pictureId={picture.id}
              kind={picture.kind}
              reason={picture.kindReason}
              isSettled={picture.isKindSettled}
              maySettle={mayTeach}
            />
          </>
        ) : null}
      </WordsMargin>
    </main>
  );
}
