'use client';

import { useState } from 'react';

interface WordFieldProps {
  name: string;
  label: string;
  /** What the places say now. */
  before: readonly (string | null)[];
  /** What was said of the new picture when it arrived. */
  cameWith: string;
  isDisabled: boolean;
}

/** New words above a line, with the old ones struck through over them. */
export function WordField({ name, label, before, cameWith, isDisabled }: WordFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const old = [...new Set(before.map((text) => text?.trim()).filter(Boolean))];
  return (
    <div>
      <label htmlFor={name} className="block text-sm text-ink-2">
        {label}
      </label>
      {old.slice(0, 3).map((text) => (
        <del key={text} className="block font-serif text-lg text-ink-3">
          {text}
        </del>
      ))}
      {old.length > 3 ? <p className="text-sm text-ink-3">and {old.length - 3} more</p> : null}
      <textarea
        id={name}
        name={name}
        rows={2}
        maxLength={2000}
        disabled={isDisabled}
        value={isDisabled ? '' : (typed ?? cameWith)}
        onChange={({ target }) => setTyped(target.value)}
        placeholder={isDisabled ? 'no place takes one' : ''}
        className="mt-0.5 block w-full resize-y border-b border-ink bg-sheet font-serif text-[16px] leading-[22px] disabled:border-line disabled:text-ink-3"
      />
    </div>
  );
}
