'use client';

import { useCallback, useMemo, useRef, useState } from 'react';
import { keepMeasures } from './actions';
import { ProofFrame, type Measured } from './proof-frame';
import { ProofMargin } from './proof-margin';
import type { ProofNote } from './proof-notes';

interface ProofSheetProps {
  slug: string;
  pageId: number;
  width: 'desktop' | 'phone';
  frames: readonly { readonly label: string; readonly src: string }[];
  /** Whether what the browser measures is what readers see, and worth keeping. */
  isMeasured: boolean;
  notes: readonly ProofNote[];
}

const NOTHING: Measured = { height: 600, places: [] };

/** The page as readers see it, its places numbered, and the margin with the notes level with them. */
export function ProofSheet({ slug, pageId, width, frames, isMeasured, notes }: ProofSheetProps) {
  const [measured, setMeasured] = useState<Measured>(NOTHING);
  const [scale, setScale] = useState(1);
  const [chosen, setChosen] = useState(0);
  const degrees = useMemo(
    () => Object.fromEntries(notes.flatMap(({ number, degree }) => (degree ? [[number, degree]] : []))),
    [notes],
  );
  const kept = useRef('');
  const take = useCallback(
    (next: Measured) => {
      setMeasured(next);
      const text = JSON.stringify(next.places);
      if (!isMeasured || next.places.length === 0 || kept.current === text) return;
      kept.current = text;
      void keepMeasures(slug, pageId, width, next.places);
    },
    [isMeasured, pageId, slug, width],
  );
  const [first, second] = frames;
  if (second && first) {
    return (
      <div className="grid grid-cols-2 gap-4 px-5 py-4">
        {[first, second].map((frame) => (
          <section key={frame.label} aria-label={frame.label} className="min-w-0">
            <h2 className="mb-1 text-sm font-semibold text-ink-2">{frame.label}</h2>
            <ProofFrame {...frame} width={width} chosen={0} />
          </section>
        ))}
      </div>
    );
  }
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_304px] max-lg:grid-cols-1">
      <div className="min-w-0 py-4 pl-5 max-lg:pr-5">
        <ProofFrame
          label={first?.label ?? ''}
          src={first?.src ?? ''}
          width={width}
          chosen={chosen}
          degrees={degrees}
          onMeasured={take}
          onScale={setScale}
          onChosen={setChosen}
        />
      </div>
      <ProofMargin notes={notes} measured={measured} scale={scale} chosen={chosen} onChosen={setChosen} />
    </div>
  );
}
