'use client';

import { madeForPlace } from '@/core/swap/made-for-place';
import { FORMAT_NAMES, type FormatPolicy } from '@/core/swap/newer-format';
import type { PixelSize } from '@/core/swap/slot';
import type { SiteCandidate } from '@/app/_data/pairs/site-candidates';
import { Button } from '@/ui/button';
import { count, pixelsText } from '@/ui/format';
import { keepingSubmit } from '@/ui/keeping-submit';
import { Link } from '@/ui/link';
import { OldFile } from '@/ui/old-file';
import { ProblemText } from '@/ui/problem-text';
import { Candidates, type CandidateRow } from './candidates';
import { ChosenPicture } from './chosen-picture';
import type { DeskPlace } from './desk-place';
import { OwnCandidates } from './own-candidates';
import { PlaceRow } from './place-row';
import { keyOf, useSwap } from './use-swap';
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
  /** How the site's new pictures are written. */
  formats: FormatPolicy;
  editionText: string;
  /** Pictures that the site has already. */
  onSite: readonly SiteCandidate[];
  mayTakeOff: boolean;
}

/** Old pictures in their slots, the candidate in the same slots, and the words, in one step. */
export function SwapDesk(props: SwapDeskProps) {
  const { slug, siteId, file, places, candidates, editionText, onSite, mayTakeOff, formats } = props;
  const swap = useSwap({ slug, siteId, path: file.path, places, candidates, first: props.first });
  const { candidate, chosen, focal, taken } = swap;
  const old: PixelSize | null =
    file.widthPx && file.heightPx ? { widthPx: file.widthPx, heightPx: file.heightPx } : null;
  const src = candidate ? `/s/${slug}/image/${candidate.sha256}` : null;
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
              isChosen={swap.isTaken(place)}
              onChoose={(isChosen) => swap.take(place, isChosen)}
              after={
                candidate && src
                  ? {
                      ...madeForPlace(
                        { ...place, focal: swap.ownOf(place).focal },
                        swap.cropped(candidate),
                        old,
                      ),
                      src: `${src}?whole`,
                      of: candidate,
                    }
                  : null
              }
              own={swap.ownOf(place)}
              onOwn={(own) => swap.setOwnOf(place, own)}
            />
          ))}
        </ul>
      </div>
      <form onSubmit={keepingSubmit(swap.submit)} className="space-y-4 px-[18px] py-3">
        <Candidates {...{ slug, siteId, candidates, chosen }} onChoose={swap.choose} />
        <OwnCandidates
          {...{ slug, siteId }}
          desk={`/s/${slug}/pictures/${file.id}/swap`}
          candidates={onSite}
          onChoose={swap.choose}
        />
        {src && candidate ? (
          <ChosenPicture
            src={src}
            focal={focal}
            onMove={swap.moveFocal}
            correctAt={`/s/${slug}/revise?line=${candidate.id}&swap=${file.id}`}
          />
        ) : null}
        <WordsForAll taken={taken} candidate={candidate} />
        {mayTakeOff ? (
          <OldFile isOn={swap.isOldTakenOff} isAll={swap.isAll} onChange={swap.setOldTakenOff} />
        ) : null}
        {swap.problem ? <ProblemText problem={swap.problem} /> : null}
        <Button type="submit" weight="main" disabled={!candidate || taken.length === 0 || swap.isPending}>
          {swap.isPending ? 'Putting it in …' : `Put into ${editionText}`}
        </Button>
        <p className="text-sm text-ink-2">
          {count(taken.length, 'place')}. Words left empty stay as they are. Nothing is live until the edition
          is published.
          {formats === 'keep'
            ? ''
            : ` Where a page can choose among files, the picture is also written as ${FORMAT_NAMES[formats]}: the edition says of each place whether it is.`}
        </p>
      </form>
    </main>
  );
}

interface WordsForAllProps {
  taken: readonly DeskPlace[];
  candidate: CandidateRow | undefined;
}

/** The words of all places; those that the new picture came with stand there until somebody writes others. */
function WordsForAll({ taken, candidate }: WordsForAllProps) {
  const captions = onceEach(taken, ({ words }) => words.caption?.start ?? null);
  const described = onceEach(taken, ({ words }) => words.alt?.span.start ?? words.addAttribute);
  return (
    <section aria-labelledby="words" className="space-y-3">
      <h2 id="words" className="text-lg font-semibold">
        Words for {taken.length === 1 ? 'it' : `all ${taken.length}`}
      </h2>
      <WordField
        name="alt"
        label={`Alt text, read aloud in ${described.length} of ${count(taken.length, 'place')}`}
        before={described.map(({ alt }) => alt)}
        cameWith={candidate?.alt ?? ''}
        isDisabled={described.length === 0}
      />
      <WordField
        name="caption"
        label={`Caption, under the picture in ${captions.length} of ${count(taken.length, 'place')}`}
        before={captions.map(({ caption }) => caption)}
        cameWith={candidate?.caption ?? ''}
        isDisabled={captions.length === 0}
      />
    </section>
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
