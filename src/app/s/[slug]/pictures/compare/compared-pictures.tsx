'use client';

import { useState } from 'react';

interface Shown {
  readonly src: string;
  readonly name: string;
}

const WAYS = ['beside', 'over', 'difference'] as const;
type Way = (typeof WAYS)[number];
const WAY_NAME: Readonly<Record<Way, string>> = {
  beside: 'Side by side',
  over: 'One over the other',
  difference: 'What differs',
};

/** Two pictures side by side, one over the other with an edge to be moved, or only what differs between them. */
export function ComparedPictures({ one, other }: { one: Shown; other: Shown }) {
  const [way, setWay] = useState<Way>('beside');
  const [edge, setEdge] = useState(50);
  return (
    <>
      <div className="mt-2 flex flex-wrap items-center gap-2" role="group" aria-label="How to compare">
        {WAYS.map((name) => (
          <button
            key={name}
            type="button"
            aria-pressed={way === name}
            className={`rounded-sm border px-2 py-0.5 ${way === name ? 'border-green bg-tint font-semibold text-green' : 'border-line text-ink-2'}`}
            onClick={() => setWay(name)}
          >
            {WAY_NAME[name]}
          </button>
        ))}
        {way === 'over' ? (
          <label className="flex flex-1 items-center gap-2 text-sm text-ink-2">
            {one.name}
            <input
              type="range"
              min={0}
              max={100}
              value={edge}
              aria-label="How much of the first one covers the second"
              className="max-w-[420px] flex-1 accent-green"
              onChange={(event) => setEdge(Number(event.target.value))}
            />
            {other.name}
          </label>
        ) : null}
      </div>
      {way === 'beside' ? (
        <div className="mt-3 grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          {[one, other].map(({ src, name }) => (
            <div key={src} className="flex h-[380px] items-center justify-center bg-mat">
              <img src={src} alt={name} className="max-h-full max-w-full object-contain" />
            </div>
          ))}
        </div>
      ) : (
        <div className="relative isolate mt-3 h-[400px] overflow-hidden bg-mat">
          <img src={other.src} alt={other.name} className="absolute inset-0 size-full object-contain" />
          <img
            src={one.src}
            alt={one.name}
            className={`absolute inset-0 size-full object-contain ${way === 'difference' ? 'mix-blend-difference' : ''}`}
            style={way === 'over' ? { clipPath: `inset(0 ${100 - edge}% 0 0)` } : undefined}
          />
          {way === 'over' ? (
            <span aria-hidden className="absolute inset-y-0 w-0.5 bg-green" style={{ left: `${edge}%` }} />
          ) : null}
        </div>
      )}
      {way === 'difference' ? (
        <p className="mt-1 text-sm text-ink-2">Black is where both are the same.</p>
      ) : null}
    </>
  );
}
