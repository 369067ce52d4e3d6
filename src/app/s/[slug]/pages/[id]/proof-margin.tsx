'use client';

import Link from 'next/link';
import { useLayoutEffect, useRef, useState } from 'react';
import { buttonClass } from '@/ui/button';
import { Mat } from '@/ui/mat';
import type { Measured } from './proof-frame';
import type { ProofNote } from './proof-notes';

interface ProofMarginProps {
  notes: readonly ProofNote[];
  measured: Measured;
  scale: number;
  chosen: number;
  onChosen: (number: number) => void;
}

const GAP_PX = 6;
/** Distance from the top of the margin to the top of the proof. */
const TOP_PX = 16;

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
    let free = TOP_PX;
    const next = items.map((item, i) => {
      const top = Math.max(free, wanted[i] ?? free);
      free = top + item.offsetHeight + GAP_PX;
      return top;
    });
    setTops(next);
    // `wanted` is made anew at every render; its text says whether it differs.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wantedKey]);
  const lastTop = tops.at(-1) ?? TOP_PX;

  return (
    <aside aria-label="Margin" className="relative pr-4 max-lg:px-5">
      <svg aria-hidden className="absolute top-0 left-0 h-full w-6 max-lg:hidden">
        {seen.map(({ number, numbers, wrong }, i) => (
          <polyline
            key={number}
            points={`0,${(wanted[i] ?? 0) + 8} 10,${(wanted[i] ?? 0) + 8} 24,${(tops[i] ?? wanted[i] ?? 0) + 10}`}
            fill="none"
            className={
              wrong.length > 0 ? 'stroke-must' : numbers.includes(chosen) ? 'stroke-green' : 'stroke-line'
            }
            strokeWidth={wrong.length > 0 || numbers.includes(chosen) ? 2 : 1}
          />
        ))}
      </svg>
      <ol ref={list} className="max-lg:space-y-2 max-lg:py-3" style={{ minHeight: lastTop + 120 }}>
        {seen.map((note, i) => (
          <li
            key={note.number}
            className="lg:absolute lg:right-4 lg:left-6"
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
  const { number, numbers, name, names, image, facts, alt, caption, wrong, record, swap } = note;
  const edge = wrong.length > 0 ? 'border-must' : isChosen ? 'border-green' : 'border-line';
  return (
    <div className={`border-l-2 bg-sheet px-2 py-1 ${edge}`}>
      <button
        type="button"
        aria-expanded={isChosen}
        onClick={() => onChosen(isChosen ? 0 : number)}
        className="flex w-full items-baseline gap-2 text-left"
      >
        <span className="shrink-0 text-sm font-semibold">{numbersText(numbers)}</span>
        <span className="min-w-0 flex-1 truncate">
          {wrong[0] ? (
            <span className="font-semibold text-must">{wrong[0].head}</span>
          ) : (
            <Words alt={alt} name={name} />
          )}
        </span>
      </button>
      {isChosen ? (
        <div className="mt-1 space-y-1.5 pb-1 text-sm">
          <Mat src={image} alt={image ? '' : 'no file'} width={236} height={132} />
          {wrong.map(({ head, why }) => (
            <p key={head}>
              <span className="font-semibold text-must">{head}.</span>{' '}
              <span className="text-ink-2">{why}</span>
            </p>
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
          {swap ? (
            <Link href={swap} className={buttonClass('plain')}>
              Swap this picture
            </Link>
          ) : null}
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
