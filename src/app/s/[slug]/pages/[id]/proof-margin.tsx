'use client';

import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { gravest, type Degree } from '@/core/errata/rule';
import { buttonClass } from '@/ui/button';
import { Mat } from '@/ui/mat';
import { DEGREE_TEXT, DEGREE_WORD } from '@/ui/degree';
import { Link } from '@/ui/link';
import { levelNotes } from './level-notes';
import type { Measured } from './proof-frame';
import type { ProofNote } from './proof-notes';

interface ProofMarginProps {
  notes: readonly ProofNote[];
  measured: Measured;
  scale: number;
  chosen: number;
  onChosen: (number: number) => void;
}

/** Distance from the top of the margin to the top of the proof. */
const TOP_PX = 16;

const STROKE: Readonly<Record<Degree, string>> = {
  must: 'stroke-must',
  should: 'stroke-should',
  note: 'stroke-note',
};
const EDGE: Readonly<Record<Degree, string>> = {
  must: 'border-l-[3px] border-must',
  should: 'border-l-2 border-should',
  note: 'border-l border-note',
};

/** The notes, each level with its mark as far as there is room, and joined to it by a fine rule. */
export function ProofMargin({ notes, measured, scale, chosen, onChosen }: ProofMarginProps) {
  const list = useRef<HTMLOListElement>(null);
  const [tops, setTops] = useState<readonly number[]>([]);
  const places = new Map(measured.places.map((place) => [place.number, place]));
  const seen = together(
    notes.filter(({ number }) => places.get(number)?.isSeen),
    places,
  ).sort((a, b) => (places.get(a.number)?.y ?? 0) - (places.get(b.number)?.y ?? 0));
  const unseen = notes.filter(({ number }) => !places.get(number)?.isSeen);
  const wanted = seen.map(({ number }) => TOP_PX + (places.get(number)?.y ?? 0) * scale);
  const wantedKey = `${wanted.map(Math.round).join(' ')} ${chosen}`;

  useLayoutEffect(() => {
    const items = [...(list.current?.children ?? [])] as HTMLElement[];
    const open = seen.findIndex(({ numbers }) => numbers.includes(chosen));
    const heights = items.map((item) => item.offsetHeight);
    setTops(levelNotes({ wanted, heights, topPx: TOP_PX, open }));
    // `wanted` is made anew at every render; its text says whether it differs.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [wantedKey]);
  useEffect(() => {
    if (chosen > 0) list.current?.querySelector('[data-open]')?.scrollIntoView({ block: 'nearest' });
  }, [chosen, tops]);
  const lastTop = tops.at(-1) ?? TOP_PX;

  return (
    <aside aria-label="Margin" className="relative pr-4 max-lg:px-5">
      <svg aria-hidden className="absolute top-0 left-0 h-full w-6 max-lg:hidden">
        {seen.map(({ number, numbers, degree }, i) => (
          <polyline
            key={number}
            points={`0,${(wanted[i] ?? 0) + 8} 10,${(wanted[i] ?? 0) + 8} 24,${(tops[i] ?? wanted[i] ?? 0) + 10}`}
            fill="none"
            className={numbers.includes(chosen) ? 'stroke-green' : degree ? STROKE[degree] : 'stroke-line'}
            strokeWidth={degree === 'must' || numbers.includes(chosen) ? 2 : 1}
          />
        ))}
      </svg>
      <ol ref={list} className="max-lg:space-y-2 max-lg:py-3" style={{ minHeight: lastTop + 120 }}>
        {seen.map((note, i) => (
          <li
            key={note.number}
            className="scroll-my-4 lg:absolute lg:right-4 lg:left-6"
            data-open={note.numbers.includes(chosen) || undefined}
            style={{ top: tops[i] ?? wanted[i] }}
          >
            <NoteOfPlace
              note={note}
              isChosen={note.numbers.includes(chosen)}
              onChosen={onChosen}
              place={places.get(note.number)}
            />
          </li>
        ))}
      </ol>
      {unseen.length > 0 ? (
        <section aria-label="Not seen on the page" className="pb-8 lg:pl-6">
          <h2 className="border-t border-line pt-2 pb-1 text-sm font-semibold text-ink-2">
            Not seen on the page at this width
          </h2>
          <ol className="space-y-1.5">
            {unseen.map((note) => (
              <li key={note.number}>
                <NoteOfPlace
                  note={{ ...note, numbers: [note.number], names: [note.name] }}
                  isChosen={note.number === chosen}
                  onChosen={onChosen}
                />
              </li>
            ))}
          </ol>
        </section>
      ) : null}
    </aside>
  );
}

type Places = ReadonlyMap<number, Measured['places'][number]>;

/** A note that speaks for several places: the files that one picture element offers to different screens. */
type NoteOfMany = ProofNote & { readonly numbers: readonly number[]; readonly names: readonly string[] };

/** Places on the same spot with the same words are one to a reader, however many files are written for it. */
function together(notes: readonly ProofNote[], places: Places): NoteOfMany[] {
  const found = new Map<string, NoteOfMany>();
  for (const note of notes) {
    const place = places.get(note.number);
    const key =
      note.alt === null
        ? `${note.number}`
        : `${place?.x} ${place?.y} ${note.alt} ${note.wrong[0]?.head ?? ''}`;
    const known = found.get(key);
    found.set(
      key,
      known
        ? {
            ...known,
            degree: gravest([known, note].flatMap(({ degree }) => (degree ? [{ degree }] : []))),
            numbers: [...known.numbers, note.number],
            names: [...new Set([...known.names, note.name])],
          }
        : { ...note, numbers: [note.number], names: [note.name] },
    );
  }
  return [...found.values()];
}

interface NoteOfPlaceProps {
  note: NoteOfMany;
  isChosen: boolean;
  onChosen: (number: number) => void;
  /** Its space as it was measured; not given where it is not seen. */
  place?: Measured['places'][number] | undefined;
}

function NoteOfPlace({ note, isChosen, onChosen, place }: NoteOfPlaceProps) {
  const { number, numbers, name, names, image, facts, alt, caption, wrong, degree, record, swap, desk } =
    note;
  const edge = degree ? EDGE[degree] : `border-l-2 ${isChosen ? 'border-green' : 'border-line'}`;
  const more = wrong.length - 1;
  return (
    <div className={`bg-sheet px-2 py-1 ${edge}`}>
      <button
        type="button"
        aria-expanded={isChosen}
        onClick={() => onChosen(isChosen ? 0 : number)}
        className="flex w-full items-baseline gap-2 text-left"
      >
        <span className="shrink-0 text-sm font-semibold">{numbersText(numbers)}</span>
        <span className={`min-w-0 flex-1 ${wrong[0] ? 'line-clamp-2' : 'truncate'}`}>
          {wrong[0] ? (
            <>
              <strong className={DEGREE_TEXT[wrong[0].degree]}>{DEGREE_WORD[wrong[0].degree]}</strong>{' '}
              {wrong[0].head}
            </>
          ) : (
            <Words alt={alt} name={name} />
          )}
        </span>
        {more > 0 && !isChosen ? <span className="shrink-0 text-sm text-ink-2">and {more} more</span> : null}
      </button>
      {isChosen ? (
        <div className="mt-1 space-y-1.5 pb-1 text-sm">
          <Mat src={image} alt={image ? '' : 'no picture'} width={236} height={132} />
          {wrong.map(({ degree, head, why, remedy }) => (
            <div key={`${head} ${why}`}>
              <p>
                <strong className={DEGREE_TEXT[degree]}>{DEGREE_WORD[degree]}</strong> {head}.
              </p>
              <p>{why}</p>
              {remedy ? <p className="text-ink-2">{remedy}</p> : null}
            </div>
          ))}
          {record ? (
            <Link href={record} className="block font-semibold break-all text-green">
              {name}
            </Link>
          ) : (
            <span className="block break-all">{name}</span>
          )}
          <p className="text-ink-2">
            {facts}
            {place ? ` · ${Math.round(place.width)} × ${Math.round(place.height)} as measured` : ''}
          </p>
          {names.length > 1 ? (
            <p className="break-all text-ink-2">
              also{' '}
              {names
                .slice(1)
                .map((other) => other.split('/').at(-1))
                .join(', ')}
            </p>
          ) : null}
          {alt ? (
            <p>
              <span className="text-ink-2">Alt text </span>
              <span className="font-serif">{alt}</span>
            </p>
          ) : null}
          {caption ? (
            <p>
              <span className="text-ink-2">Caption </span>
              <span className="font-serif">{caption}</span>
            </p>
          ) : null}
          <p className="flex flex-wrap gap-2">
            {desk ? (
              <Link href={desk} className={buttonClass('plain')}>
                Write its words
              </Link>
            ) : null}
            {swap ? (
              <Link href={swap} className={buttonClass('plain')}>
                Swap this picture
              </Link>
            ) : null}
          </p>
        </div>
      ) : null}
    </div>
  );
}

/** 5, or 5–7, or 5 and 9. */
function numbersText(numbers: readonly number[]): string {
  const [first = 0] = numbers;
  const last = numbers.at(-1) ?? first;
  if (numbers.length === 1) return `${first}`;
  return last - first === numbers.length - 1 ? `${first}–${last}` : `${first} and ${last}`;
}

function Words({ alt, name }: { alt: string | null; name: string }) {
  if (alt) return <span className="font-serif">{alt}</span>;
  return <span className="text-ink-2">{name.split('/').at(-1)}</span>;
}
