import type { PlacementRow } from '@/app/_data/pictures/pictures';
import { count } from '@/ui/format';
import type { ReactNode } from 'react';
import { Note } from '@/ui/note';

interface WordsMarginProps {
  placements: readonly PlacementRow[];
  isMissing: boolean;
  problem: string | null;
  /** What rules find wrong with it. */
  wrong: ReactNode;
  /** What else is known of the picture. */
  children?: ReactNode;
}

/** How often each text is used, most used first. */
function tally(texts: readonly (string | null)[]): [string, number][] {
  const counts = new Map<string, number>();
  for (const text of texts) if (text) counts.set(text, (counts.get(text) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]);
}

/** The margin of a picture's record: the words that readers meet with it, and what is wrong. */
export function WordsMargin({ placements, isMissing, problem, wrong, children }: WordsMarginProps) {
  const pictures = placements.filter(({ kind }) => kind === 'img' || kind === 'input');
  const empty = pictures.filter(({ alt }) => alt === '').length;
  return (
    <aside aria-label="Margin" className="space-y-4 px-4 py-4">
      {isMissing ? (
        <Note degree="must" head="the file is missing">
          Every place that asks for it shows a gap.
        </Note>
      ) : null}
      {problem ? (
        <Note degree="must" head="it can’t be read">
          {problem}
        </Note>
      ) : null}
      {wrong}
      {empty > 0 ? (
        <Note degree="note" head={`marked as decoration in ${count(empty, 'place')}`}>
          Screen readers pass it over there.
        </Note>
      ) : null}
      {children}
      <Words
        head="Alt text, read aloud instead of the picture"
        texts={tally(pictures.map(({ alt }) => alt))}
      />
      <Words head="Caption, under the picture" texts={tally(pictures.map(({ caption }) => caption))} />
    </aside>
  );
}

function Words({ head, texts }: { head: string; texts: readonly [string, number][] }) {
  return (
    <section>
      <h2 className="text-sm text-ink-2">{head}</h2>
      {texts.length === 0 ? <p className="text-ink-3 italic">none</p> : null}
      <ul>
        {texts.map(([text, times]) => (
          <li key={text} className="font-serif text-lg">
            {text} <span className="font-sans text-sm text-ink-2">{count(times, 'place')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
