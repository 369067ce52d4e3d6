import type { ReactNode } from 'react';
import { fileIds } from '@/app/_data/editions/file-ids';
import { NOTHING_DECLARED } from '@/core/markup/declared-slot';
import { fileUnder } from '@/core/rights/filed';
import type { Refusal, Remark } from '@/core/take-off/outcome';
import type { changes, edits, PlaceOff } from '@/server/db/schema/editions';
import { count, placeText } from '@/ui/format';
import { Link } from '@/ui/link';
import { kindText } from '@/ui/placement-text';
import { leaveThere } from './actions';
import { ChangeHead } from './change-head';
import { TakeOut } from './edition-acts';
import { LivePage } from './live-page';
import { Shown } from './shown';

const REMARK: Readonly<Record<Remark, string>> = {
  'heading left alone': 'The heading above it stands over nothing then.',
  'its words instead': 'Its alt text stands in its place: nothing else said what this is.',
  'link taken from its words': 'The words that linked to it stay, without the link. Read the sentence.',
  'space stays': 'The space that it filled stays, without a picture.',
  'for all its pages': 'Written in a file that these pages share.',
};

const REFUSAL: Readonly<Record<Refusal, string>> = {
  'not found': 'It was not found where the last survey read it. Survey the site, then take it off anew.',
  'stand-in': 'It only stands in for another picture until that has loaded.',
  tangled:
    'The tags around it are crossed: without it the rest of the page would be read otherwise. Mend them by hand.',
  'button without words':
    'A button would be left that says nothing. Write its alt text first, or swap the picture.',
};

interface OffsOfEditionProps {
  slug: string;
  siteId: number;
  change: typeof changes.$inferSelect;
  edits: readonly (typeof edits.$inferSelect)[];
  liveUrl: string | null;
  takeOut: ReactNode;
  isDraft: boolean;
}

/** Places that are taken off their pages: each with what goes along, and the source before and after. */
export async function OffsOfEdition({
  slug,
  siteId,
  change,
  edits: listed,
  liveUrl,
  takeOut,
  isDraft,
}: OffsOfEditionProps) {
  const { offs, placementIds } = change;
  const pictures = new Set(offs.map(({ path }) => path)).size;
  const files = isDraft
    ? await fileIds(
        siteId,
        offs.map(({ path }) => path),
      )
    : NO_FILES;
  return (
    <section aria-label="Taken off" className="border-b border-line">
      <ChangeHead change={change} takeOut={takeOut}>
        <span className="font-semibold">Taken off</span>{' '}
        <span className="text-ink-2">
          {pictures > 0 ? `${count(pictures, 'file')} in ` : ''}
          {count(placementIds.length, 'place')}
        </span>
      </ChangeHead>
      <ul className="mt-2">
        {placesTogether(offs, listed).map(({ spots, edits: own }) => {
          // What readers see stands for the places that go with it.
          const off = spots.find(({ wentAlong }) => wentAlong.length > 0) ?? spots[0];
          return (
            <li
              key={`${off.source}#${off.start}`}
              className="grid grid-cols-[170px_minmax(0,1fr)_auto] gap-4 border-t border-line-2 px-5 py-3 max-md:grid-cols-1"
            >
              <Shown slug={slug} label="Goes" path={off.path} sha={null} slot={NOTHING_DECLARED} />
              <div className="min-w-0">
                <p>
                  <span className="font-semibold">
                    {off.source === off.page ? placeText(off.page) : off.source}
                  </span>{' '}
                  <span className="text-sm text-ink-2">
                    {[...new Set(spots.map(({ kind }) => kindText(kind, off.source !== off.page)))].join(
                      ', ',
                    )}
                    {off.pages > 1 ? `, on ${count(off.pages, 'page')}` : ''}
                  </span>
                  <LivePage liveUrl={liveUrl} path={off.page} />
                </p>
                <WhatBecomes spots={spots} />
                <Sources edits={own} />
              </div>
              {isDraft ? (
                <div className="flex flex-col items-end gap-1.5 self-start">
                  <TakeOut
                    run={leaveThere.bind(
                      null,
                      slug,
                      siteId,
                      spots.map(({ source, start }) => ({ source, start })),
                    )}
                    label="Leave it there"
                  />
                  {files.has(off.path) ? (
                    <Link
                      href={`/s/${slug}/revise?file=${files.get(off.path)}`}
                      className="text-sm font-semibold text-green"
                    >
                      Crop it instead
                    </Link>
                  ) : null}
                </div>
              ) : null}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const NO_FILES: ReadonlyMap<string, number> = new Map();

type Edits = OffsOfEditionProps['edits'];

interface OffsTogether {
  readonly spots: readonly [PlaceOff, ...PlaceOff[]];
  readonly edits: Edits;
}

/** The places that one change of the source takes off together: a picture, and the link that enlarges it. */
function placesTogether(offs: readonly PlaceOff[], edits: Edits): OffsTogether[] {
  const bySource = new Map<string, Edits[number][]>();
  for (const edit of edits) fileUnder(bySource, edit.sourcePath, edit);
  const groups = new Map<string, PlaceOff[]>();
  for (const off of offs) {
    const edit = bySource.get(off.source)?.find(({ start, end }) => start <= off.start && off.start < end);
    fileUnder(groups, `${off.source}#${edit ? `edit ${edit.start}` : off.start}`, off);
  }
  return [...groups.values()].map((spots) => {
    const starts = new Set(spots.map(({ start }) => start));
    const own = bySource.get(spots[0]?.source ?? '')?.filter(({ placeStart }) => starts.has(placeStart));
    return { spots: spots as [PlaceOff, ...PlaceOff[]], edits: own ?? [] };
  });
}

function WhatBecomes({ spots }: { spots: readonly PlaceOff[] }) {
  const [first] = spots;
  if (!first) return null;
  if (first.refused)
    return (
      <p className="text-sm">
        <strong className="text-must">Left where it is.</strong> {REFUSAL[first.refused]}
      </p>
    );
  const along = [...new Set(spots.flatMap(({ wentAlong }) => wentAlong))];
  const links = [...new Set(spots.flatMap(({ link }) => link ?? []))];
  const remarks = [...new Set(spots.flatMap((spot) => spot.remarks))];
  return (
    <div className="text-sm">
      {along.length > 0 ? (
        <p>
          With it: its {along.join(', ')}
          {links.length > 0 ? (
            <span className="break-all text-ink-2"> (led to {links.join(', ')})</span>
          ) : null}
        </p>
      ) : null}
      {first.words ? <p className="font-serif text-ink-3 line-through">{first.words}</p> : null}
      {remarks.map((remark) => (
        <p key={remark} className="text-should">
          {REMARK[remark]}
        </p>
      ))}
    </div>
  );
}

/** What is taken out of the source, to the character. */
function Sources({ edits: listed }: { edits: Edits }) {
  if (listed.length === 0) return null;
  return (
    <details className="mt-1 text-sm">
      <summary className="cursor-pointer text-ink-2">{count(listed.length, 'change')} of the source</summary>
      {listed.map(({ id, was, becomes }) => (
        <pre
          key={id}
          className="mt-1 overflow-x-auto border-l-2 border-line pl-2 text-xs whitespace-pre-wrap"
        >
          <del className="text-ink-3">{was}</del>
          {becomes ? <ins className="block no-underline">{becomes}</ins> : null}
        </pre>
      ))}
    </details>
  );
}
