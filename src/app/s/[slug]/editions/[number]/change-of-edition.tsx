import { decodeHTML } from 'entities/decode';
import type { ReactNode } from 'react';
import type { changes, edits, intake, newFiles } from '@/server/db/schema/editions';
import { bytesText, count, placeText } from '@/ui/format';
import { ProblemText } from '@/ui/problem-text';
import { kindText } from '@/ui/placement-text';
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

const SUBJECT = { reference: 'Picture', alt: 'Alt text', caption: 'Caption' } as const;

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
  return (
    <section aria-label={`Swap of ${change.fromPath}`} className="border-b border-line">
      <div className="flex items-center gap-3 px-5 pt-3">
        <h2 className="min-w-0 text-lg">
          <span className="font-serif font-semibold">{picture.title}</span>{' '}
          <span className="text-ink-2">for {change.fromPath}</span>
        </h2>
        <span className="ml-auto" />
        {takeOut}
      </div>
      {change.state === 'preparing' ? (
        <p className="px-5 py-3 text-ink-2">Its renditions and edits are being prepared …</p>
      ) : null}
      {change.problem ? (
        <div className="px-5 py-3">
          <ProblemText problem={change.problem} />
        </div>
      ) : null}
      {change.state === 'ready' ? (
        <p className="px-5 text-sm text-ink-2">
          {count(change.places.length, 'place')} · {count(files.length, 'new file')},{' '}
          {bytesText(files.reduce((sum, { sizeBytes }) => sum + sizeBytes, 0))}
        </p>
      ) : null}
      <ul className="mt-2">
        {change.places.map(({ place, rendition, keeps, isTooSmall }) => {
          const made = fileOf.get(rendition.path);
          const own = listed.filter(
            (edit) => edit.sourcePath === place.source && edit.placeStart === place.start,
          );
          return (
            <li
              key={`${place.page}#${place.source}#${place.start}`}
              className="grid grid-cols-[170px_170px_minmax(0,1fr)] gap-4 border-t border-line-2 px-5 py-3 max-md:grid-cols-2"
            >
              <Shown slug={slug} label="Before" path={place.path} sha={null} slot={place.declared} />
              <Shown
                slug={slug}
                label="After"
                path={rendition.path}
                sha={made?.sha256 ?? null}
                slot={place.declared}
              />
              <div className="min-w-0 max-md:col-span-2">
                <p>
                  <span className="font-semibold">{placeText(place.page)}</span>{' '}
                  <span className="text-sm text-ink-2">
                    {kindText(place.kind, place.source !== place.page)}
                  </span>
                  {liveUrl ? (
                    <a
                      href={`${liveUrl}/${place.page}`}
                      target="_blank"
                      rel="noreferrer"
                      className="ml-2 text-sm font-semibold text-green"
                    >
                      live page
                    </a>
                  ) : null}
                </p>
                <p className="text-sm text-ink-2">
                  {keeps > 0.995 ? 'whole' : `keeps ${Math.round(keeps * 100)} %`} · {rendition.widthPx} ×{' '}
                  {rendition.heightPx}
                  {made ? ` · ${bytesText(made.sizeBytes)}` : ''}
                  {isTooSmall ? (
                    <span className="text-should"> · fewer pixels than the place asks for</span>
                  ) : (
                    ''
                  )}
                </p>
                <dl className="mt-1">
                  {own.map((edit) => (
                    <div key={edit.id} className="mt-1">
                      <dt className="text-sm text-ink-3">{SUBJECT[edit.subject]}</dt>
                      <dd className={edit.subject === 'reference' ? 'text-sm break-all' : 'font-serif'}>
                        {edit.was ? (
                          <del className="block text-ink-3">{shownText(edit.was, edit.subject)}</del>
                        ) : null}
                        <ins className="block no-underline">{shownText(edit.becomes, edit.subject)}</ins>
                      </dd>
                    </div>
                  ))}
                </dl>
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Words as readers meet them: character references resolved, tags and an attribute's own frame taken off. */
function shownText(written: string, subject: (typeof edits.$inferSelect)['subject']): string {
  if (subject === 'reference') return written;
  const bare =
    subject === 'alt' ? written.replace(/^(?: alt)?="(.*)"$/s, '$1') : written.replace(/<[^>]*>/g, '');
  return decodeHTML(bare);
}
