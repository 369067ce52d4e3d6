'use client';

import { useId, useState } from 'react';

interface FigureFieldProps {
  label: string;
  value: number;
  min: number;
  max: number;
  step?: number;
  unit?: string;
  /** Whether it can be drawn along as well: for what is judged by the eye. */
  isDrawn?: boolean;
  onFigure: (figure: number) => void;
}

const isNumber = (text: string) => text.trim() !== '' && Number.isFinite(Number(text));

/** An exact number, with a handle to draw it along where the eye has to judge. */
export function FigureField(props: FigureFieldProps) {
  const { label, value, min, max, step = 1, unit, isDrawn = false, onFigure } = props;
  const id = useId();
  // While somebody types, the field shows what was typed: “-”, or nothing, is no number yet.
  const [typed, setTyped] = useState<string | null>(null);
  const inBounds = (figure: number) => Math.min(max, Math.max(min, figure));
  const take = (text: string) => {
    if (isNumber(text)) onFigure(inBounds(Number(text)));
  };
  // Taken back by a key, the figure is another one than what stands typed.
  const stands = (text: string, now: number) => !isNumber(text) || inBounds(Number(text)) === now;
  return (
    <div className="flex items-center gap-2">
      <label htmlFor={id} className={`text-sm text-ink-2 ${isDrawn ? 'w-[74px]' : ''}`}>
        {label}
      </label>
      {isDrawn ? (
        <input
          type="range"
          aria-label={`${label}, drawn along`}
          className="min-w-0 flex-1 accent-ink-2"
          {...{ min, max, step, value }}
          onChange={({ target }) => take(target.value)}
        />
      ) : null}
      <input
        id={id}
        type="number"
        className="w-[72px] rounded-sm border border-ink-3 bg-sheet px-1.5 py-0.5 text-right tabular-nums"
        {...{ min, max, step }}
        value={typed !== null && stands(typed, value) ? typed : String(value)}
        onChange={({ target }) => {
          setTyped(target.value);
          take(target.value);
        }}
        onBlur={() => setTyped(null)}
      />
      {unit ? <span className="text-sm text-ink-2">{unit}</span> : null}
    </div>
  );
}
