'use client';

import Link from 'next/link';
import { useState, useTransition } from 'react';
import type { FocalPoint } from '@/core/swap/crop';
import type { Problem } from '@/core/problem';
import type { PixelSize } from '@/core/swap/slot';
import { Button } from '@/ui/button';
import { count, pixelsText } from '@/ui/format';
import { keepingSubmit } from '@/ui/keeping-submit';
import { ProblemText } from '@/ui/problem-text';
import { putIntoEdition } from './actions';
import { Candidates, type CandidateRow } from './candidates';
import { ChosenPicture } from './chosen-picture';
import { previewOf, type DeskPlace } from './desk-place';
import { PlaceRow } from './place-row';
import { WordField } from './word-field';

interface SwapDeskProps {
  slug: string;
  siteId: number;
  file: {
    readonly id: number;
    readonly path: string;
    readonly widthPx: number | null;
    readonly heightPx: number | null;
    readonly src: string | null;
  };
  places: readonly DeskPlace[];
  candidates: readonly CandidateRow[];
  /** The one that is chosen to begin with. */
  first: number | null;
  editionText: string;
}

const MIDDLE: FocalPoint = { x: 0.5, y: 0.5 };

/** Old pictures in their slots, the candidate in the same slots, and the words, in one step. */
export function SwapDesk({ slug, siteId, file, places, candidates, first, editionText }: SwapDeskProps) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  // The point is the suggested one until somebody moves it.
  const [chosen, setChosen] = useState<{ id: number; focal: FocalPoint | null } | null>(
    first === null ? null : { id: first, focal: null },
  );
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isPending, startPutting] = useTransition();
  const candidate = candidates.find(({ id }) => id === chosen?.id);
  const old: PixelSize | null =
    file.widthPx && file.heightPx ? { widthPx: file.widthPx, heightPx: file.heightPx } : null;
  const keyOf = (place: DeskPlace) => `${place.sourcePath}#${place.start}`;
  const taken = places.filter((place) => !left.has(keyOf(place)));
  const captions = onceEach(taken, ({ words }) => words.caption?.start ?? null);
  const described = onceEach(taken, ({ words }) => words.alt?.span.start ?? words.addAttribute);
  const focal = chosen?.focal ?? (candidate ? { x: candidate.focalX, y: candidate.focalY } : MIDDLE);
  const src = candidate ? `/s/${slug}/image/${candidate.sha256}` : null;

  const submit = (form: FormData) => {
    setProblem(null);
    startPutting(async () => {
      const request = {
        siteId,
        fromPath: file.path,
        intakeId: candidate?.id ?? 0,
        placementIds: taken.flatMap(({ ids }) => ids),
        alt: String(form.get('alt') ?? ''),
        caption: String(form.get('caption') ?? ''),
        focal,
      };
      setProblem(await putIntoEdition(slug, request));
    });
  };
  return (
    <main className="grid min-h-[calc(100vh-46px)] grid-cols-[minmax(0,1fr)_318px] bg-sheet max-lg:grid-cols-1">
      <div className="min-w-0 border-r border-line">
        <DeskHead slug={slug} file={file} places={places.length} candidate={candidate} />
        <ul>
          {places.map((place) => (
            <PlaceRow
              key={keyOf(place)}
              place={place}
              oldSrc={file.src}
              oldSize={old}
              isChosen={!left.has(keyOf(place))}
              onChoose={(isChosen) =>
                setLeft(
                  (now) =>
                    new Set(
                      isChosen ? [...now].filter((key) => key !== keyOf(place)) : [...now, keyOf(place)],
                    ),
                )
              }
              after={
                candidate && src
                  ? { ...previewOf(place, old, candidate, focal), src: `${src}?whole`, size: candidate }
                  : null
              }
            />
          ))}
        </ul>
      </div>
      <form onSubmit={keepingSubmit(submit)} className="space-y-4 px-[18px] py-3">
        <Candidates
          slug={slug}
          siteId={siteId}
          candidates={candidates}
          chosen={chosen?.id ?? null}
          onChoose={(id) => setChosen({ id, focal: null })}
        />
        {src && chosen ? (
          <ChosenPicture
            src={src}
            focal={focal}
            onMove={(moved) => setChosen({ ...chosen, focal: moved })}
            correctAt={`/s/${slug}/revise?line=${chosen.id}&swap=${file.id}`}
          />
        ) : null}
        <section aria-labelledby="words" className="space-y-3">
          <h2 id="words" className="text-lg font-semibold">
            Words for {taken.length === 1 ? 'it' : `all ${taken.length}`}
          </h2>
          <WordField
            name="alt"
            label={`Alt text, read aloud in ${described.length} of ${count(taken.length, 'place')}`}
            before={described.map(({ alt }) => alt)}
            isDisabled={described.length === 0}
          />
          <WordField
            name="caption"
            label={`Caption, under the picture in ${captions.length} of ${count(taken.length, 'place')}`}
            before={captions.map(({ caption }) => caption)}
            isDisabled={captions.length === 0}
          />
        </section>
        {problem ? <ProblemText problem={problem} /> : null}
        <Button type="submit" weight="main" disabled={!candidate || taken.length === 0 || isPending}>
          {isPending ? 'Putting it in …' : `Put into ${editionText}`}
        </Button>
        <p className="text-sm text-ink-2">
          {count(taken.length, 'place')}. Words left empty stay as they are. Nothing is live until the edition
          is published.
        </p>
      </form>
    </main>
  );
}

interface DeskHeadProps {
  slug: string;
  file: SwapDeskProps['file'];
  places: number;
  candidate: CandidateRow | undefined;
}

/** What the two columns are. */
function DeskHead({ slug, file, places, candidate }: DeskHeadProps) {
  return (
    <div className="grid grid-cols-[20px_minmax(0,1fr)_minmax(0,1fr)] gap-3 border-b border-line px-5 py-3">
      <span />
      <div className="min-w-0">
        <h1 className="text-lg font-semibold">Now, in {count(places, 'place')}</h1>
        <p className="truncate text-sm text-ink-2">
          <Link href={`/s/${slug}/pictures/${file.id}`} className="text-green">
            {file.path.split('/').at(-1)}
          </Link>
          , {pixelsText(file.widthPx, file.heightPx)}
        </p>
      </div>
      <div className="min-w-0">
        <h2 className="text-lg font-semibold">After</h2>
        <p className="truncate text-sm text-ink-2">
          {candidate
            ? `${candidate.fileName}, ${pixelsText(candidate.widthPx, candidate.heightPx)}`
            : 'no picture chosen yet'}
        </p>
      </div>
    </div>
  );
}

/** Places that take a word, each spot once: the sources of one picture share its words. */
function onceEach(places: readonly DeskPlace[], spotOf: (place: DeskPlace) => number | null): DeskPlace[] {
  const spots = new Map<string, DeskPlace>();
  for (const place of places) {
    const spot = spotOf(place);
    if (spot !== null) spots.set(`${place.sourcePath}#${spot}`, place);
  }
  return [...spots.values()];
}
