import { Fragment } from 'react';
import { splitAtWords } from './split-at-words';

/** A text in which the words that were looked for are marked. */
export function FoundWords({ text, query }: { text: string; query: string }) {
  return splitAtWords(text, query).map(({ part, isFound }, n) =>
    isFound ? (
      <mark key={n} className="bg-tint font-semibold text-ink">
        {part}
      </mark>
    ) : (
      <Fragment key={n}>{part}</Fragment>
    ),
  );
}
