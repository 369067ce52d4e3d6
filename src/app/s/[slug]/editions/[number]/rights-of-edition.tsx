import type { ReactNode } from 'react';
import { NOTHING_DECLARED } from '@/core/markup/declared-slot';
import type { changes, newFiles } from '@/server/db/schema/editions';
import { bytesText, count } from '@/ui/format';
import { rightsInPrepared } from '@/app/_data/rights/rights';
import { ChangeHead } from './change-head';
import { Shown } from './shown';

interface RightsOfEditionProps {
  slug: string;
  change: typeof changes.$inferSelect;
  files: readonly (typeof newFiles.$inferSelect)[];
  takeOut: ReactNode;
}

/** Rights written into the files of a picture, each file with what it says then. */
export async function RightsOfEdition({ slug, change, files, takeOut }: RightsOfEditionProps) {
  const name = change.fromPath.split('/').at(-1) ?? change.fromPath;
  const said = await rightsInPrepared(files[0]?.sha256 ?? null);
  return (
    <section aria-label={`Rights of ${name}`} className="border-b border-line">
      <ChangeHead change={change} takeOut={takeOut}>
        <span className="font-semibold">Rights of {name}</span>{' '}
        <span className="text-ink-2">
          {files.length > 0 ? `written into ${count(files.length, 'file')}, every pixel as it is` : ''}
        </span>
      </ChangeHead>
      {files.length > 0 ? (
        <div className="mt-2 grid grid-cols-[170px_minmax(0,1fr)] gap-4 border-t border-line-2 px-5 py-3">
          <Shown slug={slug} label="The picture" path={change.fromPath} sha={null} slot={NOTHING_DECLARED} />
          <div className="min-w-0 text-sm">
            <p className="font-serif text-base">
              {[said?.creator, said?.holder, said?.licence, said?.source, ...(said?.says ?? [])]
                .filter(Boolean)
                .join(' · ')}
            </p>
            <ul className="mt-1 text-ink-2">
              {files.map(({ id, path, sizeBytes }) => (
                <li key={id} className="break-all">
                  {path}, {bytesText(sizeBytes)}
                </li>
              ))}
            </ul>
          </div>
        </div>
      ) : null}
    </section>
  );
}
