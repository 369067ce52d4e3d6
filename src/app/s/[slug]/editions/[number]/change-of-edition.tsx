import type { ReactNode } from 'react';
import { isClipInIntake } from '@/core/swap/clip';
import { FORMAT_NAMES, type NotBeside } from '@/core/swap/newer-format';
import type { Beside, SwapPlace } from '@/core/swap/plan-swap';
import type { changes, edits, intake, newFiles } from '@/server/db/schema/editions';
import { bytesText, count, placeText } from '@/ui/format';
import { kindText } from '@/ui/placement-text';
import { ChangeHead } from './change-head';
import { Differences } from './differences';
import { LivePage } from './live-page';
import { ClipShown } from './clip-shown';
import { Shown } from './shown';

interface ChangeOfEditionProps {
  slug: string;
  change: typeof changes.$inferSelect;
  picture: typeof intake.$inferSelect;
  edits: readonly (typeof edits.$inferSelect)[];
  files: readonly (typeof newFiles.$inferSelect)[];
  liveUrl: string | null;
  takeOut: ReactNode;
}

type FileOf = ReadonlyMap<string, { readonly sizeBytes: number }>;

/** What a place gets in a newer format. */
function besideText({ format, files }: Beside, fileOf: FileOf): string {
  const sizes = files.flatMap(({ path }) => fileOf.get(path)?.sizeBytes ?? []).map(bytesText);
  return ` · and as ${FORMAT_NAMES[format]} besides, ${sizes.join(' and ')}`;
}

/** Why it gets none, where the site wants one at every img. */
function notBesideText({ kind, newer }: SwapPlace): string {
  if (kind !== 'img' || !newer || !('because' in newer)) return '';
  return ` · no second format: ${REASONS[newer.because]}`;
}

const REASONS: Readonly<Record<NotBeside, string>> = {
  markup: 'the place chooses among files already, or is not written in the page',
  rules: 'a style sheet of the page would no longer mean the same',
  sheets: 'not all style sheets of the page can be read',
};

/** One swap: every place before and after, with the words and the characters that change. */
export function ChangeOfEdition({
  slug,
  change,
  picture,
  edits: listed,
  files,
  liveUrl,
  takeOut,
}: ChangeOfEditionProps) {
  const fileOf = new Map(files.map((file) => [file.path, file]));
  const isClip = isClipInIntake(picture);
  const [first] = change.places;
  return (
    <section aria-label={`Swap of ${change.fromPath}`} className="border-b border-line">
      <ChangeHead change={change} takeOut={takeOut}>
        <span className="font-serif font-semibold">{picture.title}</span>{' '}
        <span className="text-ink-2">
          {picture.source?.isOwn
            ? `of ${bytesText(picture.sizeBytes)}, in the sizes that its places need`
            : `for ${change.fromPath}`}
        </span>
      </ChangeHead>
      {change.state === 'ready' ? (
        <p className="px-5 text-sm text-ink-2">
          {count(change.places.length, 'place')} · {count(files.length, 'new file')},{' '}
          {bytesText(files.reduce((sum, { sizeBytes }) => sum + sizeBytes, 0))}
        </p>
      ) : null}
      {isClip && first ? <ClipShown slug={slug} planned={first} sha={picture.sha256} /> : null}
      <ul className="mt-2">
        {change.places.map(({ place, rendition, keeps, isTooSmall, list, beside }) => {
          const made = fileOf.get(rendition.path);
          const own = listed.filter(
            (edit) => edit.sourcePath === place.source && edit.placeStart === place.start,
          );
          return (
            <li
              key={`${place.page}#${place.source}#${place.start}`}
              className={`gap-4 border-t border-line-2 px-5 py-3 ${isClip ? '' : 'grid grid-cols-[170px_170px_minmax(0,1fr)] max-md:grid-cols-2'}`}
            >
              {isClip ? null : (
                <>
                  <Shown slug={slug} label="Before" path={place.path} sha={null} slot={place.declared} />
                  <Shown
                    slug={slug}
                    label="After"
                    path={rendition.path}
                    sha={made?.sha256 ?? null}
                    slot={place.declared}
                  />
                </>
              )}
              <div className="min-w-0 max-md:col-span-2">
                <p>
                  <span className="font-semibold">{placeText(place.page)}</span>{' '}
                  <span className="text-sm text-ink-2">
                    {kindText(place.kind, place.source !== place.page)}
                  </span>
                  <LivePage liveUrl={liveUrl} path={place.page} />
                </p>
                <p className="text-sm text-ink-2">
                  {isClip
                    ? 'as it is'
                    : `${keeps > 0.995 ? 'whole' : `keeps ${Math.round(keeps * 100)} %`} · ${rendition.widthPx} × ${rendition.heightPx}`}
                  {made ? ` · ${bytesText(made.sizeBytes)}` : ''}
                  {list?.[0]
                    ? ` · and ${list[0].widthPx} pixels wide for screens that need no more, as other pictures of this page`
                    : ''}
                  {beside ? besideText(beside, fileOf) : notBesideText(place)}
                  {isTooSmall ? (
                    <span className="text-should"> · fewer pixels than the place asks for</span>
                  ) : (
                    ''
                  )}
                </p>
                <Differences edits={own} />
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
