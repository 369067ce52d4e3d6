import type { pictureById } from '@/app/_data/pictures/pictures';
import { spanText } from '@/core/dating/shelf-life';
import { buttonClass } from '@/ui/button';
import { bytesText, count, pixelsText, reachText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { TitleLine } from './title-line';

interface RecordHeadProps {
  slug: string;
  found: NonNullable<Awaited<ReturnType<typeof pictureById>>>;
  mayTeach: boolean;
  /** Whether reach was counted, not estimated. */
  isCounted: boolean;
}

/** The picture large, with what it is and the way to swap it. */
export function RecordHead({ slug, found, mayTeach, isCounted }: RecordHeadProps) {
  const { file, picture, family, placements } = found;
  const standing = placements.filter(({ dormant }) => !dormant);
  const dormant = placements.length - standing.length;
  const pages = new Set(standing.map(({ pagePath }) => pagePath)).size;
  const name = file.path.split('/').at(-1) ?? file.path;
  const src = file.sha256 ? `/s/${slug}/image/${file.sha256}` : null;
  return (
    <div className="mt-3 flex gap-5 max-md:flex-col">
      <Mat
        src={src ? `${src}?whole` : null}
        alt={src ? '' : file.problem ? 'can’t be read' : 'missing'}
        width={420}
        height={280}
      />
      <div className="min-w-0">
        {picture ? (
          <TitleLine
            slug={slug}
            pictureId={picture.id}
            title={picture.title}
            name={name}
            mayTitle={mayTeach}
          />
        ) : (
          <h1 className="text-xl font-semibold break-all">{name}</h1>
        )}
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
                isCounted,
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
          <p className="mt-4 flex flex-wrap gap-2">
            <Link href={`/s/${slug}/pictures/${file.id}/swap`} className={buttonClass('main')}>
              Swap this picture
            </Link>
            {picture ? (
              <Link href={`/s/${slug}/text-desk?pictures=${picture.id}`} className={buttonClass()}>
                Write its words
              </Link>
            ) : null}
            {src && file.format !== 'svg' ? (
              <Link href={`/s/${slug}/revise?file=${file.id}`} className={buttonClass()}>
                Crop and correct
              </Link>
            ) : null}
            <Link href={`/s/${slug}/pictures/${file.id}/off`} className={buttonClass('quiet')}>
              Take it off its pages
            </Link>
          </p>
        ) : null}
      </div>
    </div>
  );
}
