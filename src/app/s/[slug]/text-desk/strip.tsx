import { Check } from 'lucide-react';
import { memo, useEffect, useRef } from 'react';
import type { DeskEntry } from '@/app/_data/words/text-desk-queue';
import { count } from '@/ui/format';

interface StripProps {
  slug: string;
  entries: readonly DeskEntry[];
  at: number;
  kept: ReadonlyMap<string, string>;
  onGo: (at: number) => void;
}

const RULE = {
  must: 'border-b-[3px] border-must',
  should: 'border-b-2 border-should',
  note: 'border-b border-note',
};

/**
 * All pictures of the sitting in their order, with the weight of what is wrong, and which are done. It stays as it is while
 * words are typed, and going on touches two of its pictures: there may be thousands.
 */
export const Strip = memo(function Strip({ slug, entries, at, kept, onGo }: StripProps) {
  return (
    <ol
      aria-label="Pictures of this sitting"
      // It scrolls: who has no pointer must be able to get hold of it.
      tabIndex={0}
      className="flex gap-1.5 overflow-x-auto border-b border-line px-5 py-2"
    >
      {entries.map((entry, i) => (
        <StripPicture
          key={entry.key}
          slug={slug}
          entry={entry}
          ordinal={i}
          isHere={i === at}
          isDone={kept.get(entry.key) === 'kept' || (entry.isGathered && !kept.has(entry.key))}
          onGo={onGo}
        />
      ))}
    </ol>
  );
});

interface StripPictureProps {
  slug: string;
  entry: DeskEntry;
  /** Where in the sitting, from 0. */
  ordinal: number;
  isHere: boolean;
  isDone: boolean;
  onGo: (at: number) => void;
}

const StripPicture = memo(function StripPicture(props: StripPictureProps) {
  const { slug, entry, ordinal, isHere, isDone, onGo } = props;
  const { name, sha256, errata, worst } = entry;
  const here = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (isHere) here.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [isHere]);
  return (
    <li ref={here} className="shrink-0">
      <button
        type="button"
        tabIndex={-1}
        aria-current={isHere ? 'step' : undefined}
        aria-label={`${name}, ${worst ? `${worst}, ` : ''}${isDone ? 'in the edition' : count(errata, 'erratum', 'errata')}`}
        title={name}
        onClick={() => onGo(ordinal)}
        className={`relative block h-[42px] w-[54px] bg-mat ${worst ? RULE[worst] : ''} ${isHere ? 'outline-2 outline-offset-1 outline-green' : ''}`}
      >
        {sha256 ? (
          <img
            src={`/s/${slug}/image/${sha256}`}
            alt=""
            loading="lazy"
            className={`h-full w-full object-contain ${isDone ? 'opacity-40' : ''}`}
          />
        ) : null}
        {isDone ? (
          <Check size={18} strokeWidth={3} aria-hidden className="absolute inset-0 m-auto text-green" />
        ) : null}
      </button>
    </li>
  );
});
