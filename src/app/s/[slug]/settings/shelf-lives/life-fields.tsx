'use client';

import type { ShelfLife } from '@/core/dating/shelf-life';

const CONTROL = 'rounded-sm border border-ink-3 bg-sheet px-2 py-1 disabled:opacity-60';

interface LifeFieldsProps {
  life: ShelfLife;
  /** What it is the shelf life of, for those who can’t see the line. */
  label: string;
  isDisabled: boolean;
  onChange: (life: ShelfLife) => void;
}

/** A shelf life as one reads it aloud: so many years, or to the end of a school year. */
export function LifeFields({ life, label, isDisabled, onChange }: LifeFieldsProps) {
  return (
    <>
      <select
        aria-label={`How ${label} ages`}
        className={CONTROL}
        value={life.unit}
        disabled={isDisabled}
        onChange={(event) => {
          const unit = event.target.value as ShelfLife['unit'];
          const count = 'count' in life ? life.count : 1;
          onChange(
            unit === 'forever' ? { unit } : { unit, count: unit === 'years' ? Math.max(1, count) : count },
          );
        }}
      >
        <option value="years">so many years</option>
        <option value="school-years">to the end of its school year, and so many more</option>
        <option value="forever">does not age</option>
      </select>
      {'count' in life ? (
        <input
          type="number"
          aria-label={`Years of ${label}`}
          className={`${CONTROL} w-16`}
          min={life.unit === 'years' ? 1 : 0}
          max={50}
          value={life.count}
          disabled={isDisabled}
          onChange={(event) => onChange({ unit: life.unit, count: event.target.valueAsNumber || 0 })}
        />
      ) : null}
    </>
  );
}
