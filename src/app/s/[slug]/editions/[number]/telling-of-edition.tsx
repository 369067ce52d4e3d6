import type { ReactNode } from 'react';
import type { changes, edits, newFiles } from '@/server/db/schema/editions';
import { creditsInPage } from '@/app/_data/editions/credits-in-page';
import { bytesText, count, placeText } from '@/ui/format';
import { ChangeHead } from './change-head';
import { changedAlike } from './changed-alike';
import { Differences } from './differences';
import { PagesAlike } from './pages-alike';

type Edit = typeof edits.$inferSelect;

interface TellingOfEditionProps {
  change: typeof changes.$inferSelect;
  edits: readonly Edit[];
  files: readonly (typeof newFiles.$inferSelect)[];
  liveUrl: string | null;
  takeOut: ReactNode;
}

const NAMES = { statements: 'What search engines are told', credits: 'The page of picture credits' } as const;
/** Pages that are shown with what changes on them; the others are named. */
const SHOWN = 6;

/** What is told of pictures on pages: each page with what it says then, those together that change alike. */
export async function TellingOfEdition({
  change,
  edits: listed,
  files,
  liveUrl,
  takeOut,
}: TellingOfEditionProps) {
  const name = NAMES[change.tells ?? 'statements'];
  const isCredits = change.tells === 'credits';
  const counted = listed.filter(({ subject }) => subject === (isCredits ? 'link' : 'statement'));
  const pages = new Set(counted.map(({ pagePath }) => pagePath));
  const groups = changedAlike(listed);
  const rest = groups.slice(SHOWN).flat();
  const credits = isCredits ? await creditsInPage(files[0]?.sha256 ?? null) : [];
  return (
    <section aria-label={name} className="border-b border-line pb-3">
      <ChangeHead change={change} takeOut={takeOut}>
        <span className="font-semibold">{name}</span>{' '}
        <span className="text-ink-2">
          {pages.size > 0 ? `${isCredits ? 'linked from' : 'on'} ${count(pages.size, 'page')}` : ''}
        </span>
      </ChangeHead>
      {files.map(({ id, path, sizeBytes }) => (
        <p key={id} className="px-5 pt-2">
          <span className="font-semibold break-all">{path}</span>{' '}
          <span className="text-sm text-ink-2">
            {path.endsWith('.xml') ? 'is written' : 'is made after a page of the site'},{' '}
            {bytesText(sizeBytes)}
          </span>
        </p>
      ))}
      {credits.length > 0 ? (
        <ul aria-label="Its credits" className="mt-1 px-5 font-serif">
          {credits.map((credit) => (
            <li key={credit}>{credit}</li>
          ))}
        </ul>
      ) : null}
      <ul className="mt-2">
        {groups.slice(0, SHOWN).map(([first, ...others]) => (
          <li key={first[0]?.id} className="border-t border-line-2 px-5 py-2">
            <PagesAlike
              pages={[first, ...others].map(([edit]) => edit?.pagePath ?? '')}
              noun="page"
              liveUrl={liveUrl}
            />
            <Differences edits={first} />
          </li>
        ))}
      </ul>
      {rest.length > 0 ? (
        <details className="px-5 text-sm text-ink-2">
          <summary className="cursor-pointer">{count(rest.length, 'more page')}, each with its own</summary>
          <ul>
            {rest.map(([edit]) => (
              <li key={edit?.id}>{placeText(edit?.pagePath ?? '')}</li>
            ))}
          </ul>
        </details>
      ) : null}
    </section>
  );
}
