'use client';

import { useId } from 'react';
import type { OwnOfPlace } from '@/server/work/editions/gather-swap';

interface OwnWordsProps {
  own: OwnOfPlace;
  hasAlt: boolean;
  hasCaption: boolean;
  onWords: (words: Pick<OwnOfPlace, 'alt' | 'caption'>) => void;
}

/** Words for one place alone, where those for all do not suit. */
export function OwnWords({ own, hasAlt, hasCaption, onWords }: OwnWordsProps) {
  const id = useId();
  const isOpen = own.alt !== undefined || own.caption !== undefined;
  if (!hasAlt && !hasCaption) return null;
  return (
    <div className="mt-1">
      <button
        type="button"
        aria-expanded={isOpen}
        className="text-sm font-semibold text-green"
        onClick={() => onWords(isOpen ? {} : { alt: '', caption: '' })}
      >
        {isOpen ? 'The words for all' : 'Words of its own'}
      </button>
      {isOpen && hasAlt ? (
        <Line
          id={`${id}a`}
          label="Alt text here"
          value={own.alt ?? ''}
          onText={(alt) => onWords({ ...own, alt })}
        />
      ) : null}
      {isOpen && hasCaption ? (
        <Line
          id={`${id}c`}
          label="Caption here"
          value={own.caption ?? ''}
          onText={(caption) => onWords({ ...own, caption })}
        />
      ) : null}
    </div>
  );
}

interface LineProps {
  id: string;
  label: string;
  value: string;
  onText: (text: string) => void;
}

function Line({ id, label, value, onText }: LineProps) {
  return (
    <>
      <label htmlFor={id} className="mt-1 block text-sm text-ink-2">
        {label}
      </label>
      <input
        id={id}
        value={value}
        maxLength={2000}
        onChange={({ target }) => onText(target.value)}
        className="w-full border-b border-ink bg-sheet font-serif text-[16px]"
      />
    </>
  );
}
