import { isClipPath } from '@/core/swap/clip';
import type { removals } from '@/server/db/schema/editions';
import { bytesText, count } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { ProblemText } from '@/ui/problem-text';
import { keepFile } from './actions';
import { TakeOut } from './edition-acts';

interface FilesToGoProps {
  slug: string;
  taken: readonly (typeof removals.$inferSelect)[];
  isDraft: boolean;
}

/** The files that an edition takes off the site, each with what was looked through to be sure that nothing uses it. */
export function FilesToGo({ slug, taken, isDraft }: FilesToGoProps) {
  if (taken.length === 0) return null;
  const bytes = taken.reduce((sum, { sizeBytes }) => sum + sizeBytes, 0);
  return (
    <section aria-label="Files taken off" className="border-b border-line">
      <h2 className="px-5 pt-3 text-lg">
        <span className="font-semibold">{count(taken.length, 'file')} taken off the site</span>{' '}
        <span className="text-ink-2">{bytesText(bytes)}; withdrawing the edition puts them back</span>
      </h2>
      <ul className="mt-2">
        {taken.map(({ id, path, sha256, sizeBytes, state, searched, problem }) => (
          <li key={id} className="flex items-center gap-4 border-t border-line-2 px-5 py-2">
            {isClipPath(path) ? null : (
              <Mat src={`/s/${slug}/image/${sha256}`} alt="" width={84} height={62} />
            )}
            <div className="min-w-0 flex-1">
              <p className="font-semibold break-all">{path}</p>
              <p className="text-sm text-ink-2">
                {bytesText(sizeBytes)}
                {state === 'preparing' ? ' · everything is being looked through for its name …' : ''}
                {searched
                  ? ` · not named in ${count(searched.pages, 'page')}, ${count(searched.sheets, 'style sheet')} and ${count(searched.texts, 'other text')}`
                  : ''}
              </p>
              {searched?.namedIn ? (
                <p className="text-sm text-should">
                  It goes though {searched.namedIn.join(', ')} names it: look there afterwards.
                </p>
              ) : null}
              {problem ? <ProblemText problem={problem} /> : null}
            </div>
            {isDraft ? <TakeOut run={keepFile.bind(null, slug, id)} /> : null}
          </li>
        ))}
      </ul>
    </section>
  );
}
