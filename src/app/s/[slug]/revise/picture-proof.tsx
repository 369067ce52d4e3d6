'use client';

import { unstable_rethrow } from 'next/navigation';
import { useCallback, useMemo, useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { AS_IT_IS, changesNothing, withoutStruck, type Revision } from '@/core/revision/steps';
import type { FocalPoint } from '@/core/swap/crop';
import type { PixelSize } from '@/core/swap/slot';
import type { KeptRevision } from '@/server/work/revisions/keep-revision';
import type { RevisedSubject } from '@/server/work/revisions/open-revision';
import { Button } from '@/ui/button';
import { ProblemText } from '@/ui/problem-text';
import { WayBack } from '@/ui/way-back';
import { keep } from './actions';
import type { Shape } from './crop-figures';
import { CropProof, SHOWN_IN } from './crop-proof';
import { Margin } from './margin';
import { useDrawing } from './use-drawing';
import { litSource } from './draw-revision';
import { useSettled } from './use-settled';
import { useSource } from './use-source';
import { useUnkept } from './use-unkept';
import { useRevision } from './use-revision';
import { useWeight } from './use-weight';
import { WhatComesOut } from './what-comes-out';

interface PictureProofProps {
  slug: string;
  /** Who is signed in. */
  actorId: string;
  subject: RevisedSubject;
  name: string;
  /** Address of the picture that the proof is drawn from. */
  src: string;
  original: PixelSize & { readonly sizeBytes: number };
  first: Revision;
  focal: FocalPoint;
  places: readonly Shape[];
  /** What it can be kept as, the likeliest first. */
  ways: readonly { readonly as: KeptRevision['as']; readonly text: string }[];
  back: { readonly href: string; readonly to: string };
  /** The picture whose swap desk it was opened from. */
  swap: number | null;
}

/** One picture as a proof, with its margin: numbered steps, each with its figure, each changed or struck out. */
export function PictureProof(props: PictureProofProps) {
  const { slug, subject, name, src, original, first, back } = props;
  const { ready, quick, hasFailed } = useSource(src);
  const [isBefore, setBefore] = useState(false);
  const compare = useCallback(() => setBefore((now) => !now), []);
  const opened = { revision: first, focal: props.focal, isMoved: false };
  const { decided, write, moveFocal, restore, undo, redo, cameBack, canUndo, canRedo } = useRevision(
    opened,
    compare,
  );
  const { revision, focal, isMoved } = decided;
  const { light } = withoutStruck(revision);
  // Light is worked out for every pixel: for fewer of them while it is being moved.
  const drawn = useSettled(light, AT_REST_MS) === light ? ready : quick;
  const source = useMemo(() => drawn && litSource(drawn, light), [drawn, light]);
  const [shape, setShape] = useState<Shape | null>(null);
  const { weight, problem: unweighed } = useWeight(slug, subject, revision);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isKeeping, start] = useTransition();
  // Stays on when the proof is left for where it was kept to.
  const [isSent, setSent] = useState(false);
  const of = `${props.actorId} ${slug} ${JSON.stringify(subject)} ${src}`;
  useUnkept({ of, first: opened, now: decided, restore, isSent });
  const save = (as: KeptRevision['as']) => {
    setProblem(null);
    setSent(true);
    start(async () => {
      const request = { subject, revision, focal: isMoved ? focal : null, as };
      const failed = await keep(slug, request, props.swap).catch((error: unknown) => {
        unstable_rethrow(error);
        return UNREACHED;
      });
      setProblem(failed);
      setSent(false);
    });
  };
  return (
    <main className="grid min-h-[calc(100vh-46px)] grid-cols-[minmax(0,1fr)_372px] bg-sheet max-lg:grid-cols-1">
      <div className="flex min-w-0 flex-col">
        <div className="flex items-baseline gap-4 px-5 py-3">
          <div className="min-w-0 flex-1">
            <WayBack href={back.href} to={back.to}>
              {name}
            </WayBack>
            <h1 className="sr-only">Crop and correct {name}</h1>
          </div>
          <button
            type="button"
            aria-pressed={isBefore}
            aria-keyshortcuts="b"
            className="font-semibold text-green"
            onClick={compare}
          >
            {isBefore ? 'Show it corrected' : 'Show the original'}
          </button>
        </div>
        <div className="flex flex-1 items-center justify-center bg-mat px-5 py-4">
          {hasFailed ? (
            <ProblemText problem={UNSEEN} />
          ) : ready === null || source === null ? (
            <p role="status" className="text-ink-2">
              The picture is being opened …
            </p>
          ) : isBefore ? (
            <Before source={ready} original={original} />
          ) : (
            <CropProof {...{ source, original, revision, shape }} onWrite={write} />
          )}
        </div>
        <WhatComesOut
          {...{ source, original, revision, focal, weight }}
          problem={unweighed}
          onFocal={moveFocal}
        />
      </div>
      <div className="border-l border-line">
        <div className="flex items-baseline gap-3 border-b border-line px-3 py-3">
          <h2 className="text-lg font-semibold">Steps</h2>
          <span className="ml-auto flex gap-3">
            <Quiet isOff={!canUndo} onClick={undo}>
              Undo
            </Quiet>
            <Quiet isOff={!canRedo} onClick={redo}>
              Redo
            </Quiet>
          </span>
        </div>
        {cameBack && canUndo ? (
          <p role="status" className="border-b border-line px-3 py-2 text-sm text-ink-2">
            The steps that you had not kept are here again. Undo takes them back.
          </p>
        ) : null}
        <Margin
          {...{ original, revision, focal, shape }}
          places={props.places}
          onShape={setShape}
          onWrite={write}
        />
        <div className="space-y-2 border-t border-line px-3 py-3">
          {problem ? <ProblemText problem={problem} /> : null}
          <div className="flex flex-wrap gap-2">
            {props.ways.map(({ as, text }, n) => (
              <Button
                key={as}
                weight={n === 0 ? 'main' : 'plain'}
                disabled={isKeeping || (changesNothing(revision) && (as !== 'line' || !canUndo))}
                onClick={() => save(as)}
              >
                {isKeeping && n === 0 ? 'Being made …' : text}
              </Button>
            ))}
          </div>
          <p className="text-sm text-ink-2">
            Ctrl Z takes a step back, [ and ] turn it, b shows the original. The site is as it was until an
            edition is published. Steps that are not kept wait on this machine.
          </p>
        </div>
      </div>
    </main>
  );
}

function Before({ source, original }: { source: HTMLCanvasElement; original: PixelSize }) {
  const canvas = useDrawing({
    source,
    original,
    revision: AS_IT_IS,
    part: 'result',
    longest: 720,
    shownIn: SHOWN_IN,
  });
  return (
    <canvas ref={canvas} className="block max-h-[46vh] max-w-full" role="img" aria-label="The original" />
  );
}

interface QuietProps {
  isOff: boolean;
  onClick: () => void;
  children: string;
}

function Quiet({ isOff, onClick, children }: QuietProps) {
  return (
    <button
      type="button"
      className="font-semibold text-green disabled:text-ink-3"
      disabled={isOff}
      onClick={onClick}
    >
      {children}
    </button>
  );
}

/** A slider that stood still for so long is let go. */
const AT_REST_MS = 150;

const UNREACHED: Problem = {
  code: 'REVISION_UNREACHED',
  what: 'The picture was not kept.',
  why: 'Ibidem did not answer: it, or the line to it, is interrupted.',
  remedy: 'The steps are as they were: try again in a moment.',
};

const UNSEEN: Problem = {
  code: 'REVISION_UNSEEN',
  what: 'The picture can’t be shown.',
  why: 'Its bytes are gone, or damaged.',
  remedy: 'Survey the site again, or bring the picture in anew.',
};
