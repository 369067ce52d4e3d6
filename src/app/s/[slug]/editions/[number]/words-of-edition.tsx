import type { ReactNode } from 'react';
import type { changes, edits } from '@/server/db/schema/editions';
import { NOTHING_DECLARED } from '@/core/markup/declared-slot';
import { count } from '@/ui/format';
import { ChangeHead } from './change-head';
import { changedAlike } from './changed-alike';
import { Differences } from './differences';
import { PagesAlike } from './pages-alike';
import { Shown } from './shown';

type Edit = typeof edits.$inferSelect;

interface WordsOfEditionProps {
  slug: string;
  change: typeof changes.$inferSelect;
  edits: readonly Edit[];
  liveUrl: string | null;
  takeOut: ReactNode;
}

/** New words for a picture: its places, those together that change alike. */
export function WordsOfEdition({ slug, change, edits: listed, liveUrl, takeOut }: WordsOfEditionProps) {
  const name = change.fromPath.split('/').at(-1) ?? change.fromPath;
  return (
    <section aria-label={`Words of ${name}`} className="border-b border-line">
      <ChangeHead change={change} takeOut={takeOut}>
        <span className="font-semibold">Words of {name}</span>{' '}
        <span className="text-ink-2">in {count(change.placementIds.length, 'place')}</span>
      </ChangeHead>
      <ul className="mt-2">
        {changedAlike(listed).map(([first, ...others]) => (
          <li
            key={first[0]?.id}
            className="grid grid-cols-[170px_minmax(0,1fr)] gap-4 border-t border-line-2 px-5 py-3"
          >
            <Shown
              slug={slug}
              label="The picture"
              path={change.fromPath}
              sha={null}
              slot={NOTHING_DECLARED}
            />
            <div className="min-w-0">
              <PagesAlike
                pages={[first, ...others].map(([edit]) => edit?.pagePath ?? '')}
                noun="place"
                liveUrl={liveUrl}
              />
              <Differences edits={first} />
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
