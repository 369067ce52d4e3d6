import type { DeskPlaces } from '@/app/_data/words/text-desk-item';
import type { AltBranch } from '@/core/errata/alt-branch';
import { spoken } from '@/core/wording/spoken';
import { worded } from '@/core/wording/with-words';
import type { WordsFinding } from '@/server/work/errata/check-words';
import { lowerFirst } from '@/ui/format';
import { Note } from '@/ui/note';
import type { TypedPlace } from './desk-words';

export interface RuleWords {
  readonly id: string;
  readonly title: string;
  readonly remedy: string;
}

interface DeskMarginProps {
  place: DeskPlaces;
  words: TypedPlace | undefined;
  findings: readonly WordsFinding[];
  /** The rules could not be asked: what stands here is of the words before. */
  isUnchecked: boolean;
  rules: readonly RuleWords[];
}

const ASKS: Readonly<Record<AltBranch, string>> = {
  functional: 'It is pressed: say where it leads, or what it does.',
  decorative: 'It is marked as decoration: nothing is read aloud.',
  complex: 'It holds data: say the gist here, and all of it in the text.',
  informative: 'Say in a few words what it shows here.',
};

const ORDER = ['must', 'should', 'note'];

/** Notes on the words as they are typed, and what a listener hears. */
export function DeskMargin({ place, words, findings, isUnchecked, rules }: DeskMarginProps) {
  const own = { alt: words?.alt ?? null, caption: words?.caption ?? null, block: words?.block ?? null };
  const heard = spoken({
    ...place.place,
    ...worded(place.place, own),
  });
  const open = findings
    .filter(({ stands }) => !stands)
    .toSorted((a, b) => ORDER.indexOf(a.degree) - ORDER.indexOf(b.degree));
  return (
    <aside
      aria-label="Margin"
      className="space-y-4 border-l border-line bg-desk px-4 py-3 max-lg:col-span-full max-lg:border-t max-lg:border-l-0"
    >
      <p className="text-sm text-ink-2">{ASKS[place.branch]}</p>
      <div className="space-y-3" aria-live="polite">
        {isUnchecked ? <p className="text-sm text-should">The rules can’t be asked just now.</p> : null}
        {open.length === 0 ? <Note degree="done" head="no rule finds fault" /> : null}
        {open.map(({ rule, degree, evidence }) => {
          const said = rules.find(({ id }) => id === rule);
          return (
            <Note key={rule} degree={degree} head={lowerFirst(said?.title ?? rule)}>
              {evidence} {said?.remedy}
            </Note>
          );
        })}
      </div>
      <section aria-labelledby="heard">
        <h2 id="heard" className="text-sm text-ink-2">
          A listener hears
        </h2>
        <p className="mt-1 font-serif break-words">
          <span className="text-ink-3">{heard.before}</span>{' '}
          {heard.said ? (
            <mark className="bg-tint text-ink">{heard.said}</mark>
          ) : (
            <em className="text-ink-3">(nothing)</em>
          )}{' '}
          <span className="text-ink-3">{heard.after}</span>
        </p>
      </section>
      {place.neighbours.length > 0 ? (
        <section>
          <h2 className="text-sm text-ink-2">Alt texts beside it</h2>
          <ul className="mt-1 font-serif text-sm">
            {place.neighbours.map((text, n) => (
              // Neighbours may well say the same: that is what one wants to see here.
              <li key={`${n} ${text}`}>{text}</li>
            ))}
          </ul>
        </section>
      ) : null}
    </aside>
  );
}
