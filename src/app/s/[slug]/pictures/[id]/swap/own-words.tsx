'use client';

import { Fragment, useId } from 'react';
import type { OwnOfPlace } from '@/server/work/editions/gather-swap';

interface OwnWordsProps {
  own: OwnOfPlace;
  hasAlt: boolean;
  hasCaption: boolean;
  onWords: (words: Pick<OwnOfPlace, 'alt' | 'caption'>) => void;
}

const FIELDS = [
  { name: 'alt', label: 'Alt text here' },
  { name: 'caption', label: 'Caption here' },
] as const;

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
      {isOpen
        ? FIELDS.filter(({ name }) => (name === 'alt' ? hasAlt : hasCaption)).map(({ name, label }) => (
            <Fragment key={name}>
              <label htmlFor={id + name} className="mt-1 block text-sm text-ink-2">
                {label}
              </label>
              <input
                id={id + name}
                value={own[name] ?? ''}
                maxLength={2000}
                onChange={({ target }) => onWords({ ...own, [name]: target.value })}
                className="w-full border-b border-ink bg-sheet font-serif text-[16px]"
              />
            </Fragment>
          ))
        : null}
    </div>
  );
}
