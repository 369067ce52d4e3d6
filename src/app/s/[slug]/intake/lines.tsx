'use client';

import { defaultRangeExtractor, useWindowVirtualizer, type Range } from '@tanstack/react-virtual';
import { useCallback, useLayoutEffect, useRef, useState } from 'react';
import { Line } from './line';
import type { useNote } from './use-note';

/** A longer note is laid out only around what is in view: a thousand lines are forty thousand elements. */
const ALL_LAID_OUT = 100;
/** Height of a line that was not laid out yet, in CSS pixels. */
const USUAL_PX = 122;
const AROUND = 6;

/** The lines of a delivery note, in the order in which they came. */
export function Lines({ slug, note }: { slug: string; note: ReturnType<typeof useNote> }) {
  const { lines, here, open, chosen } = note;
  const list = useRef<HTMLOListElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => setTop(list.current?.offsetTop ?? 0), [lines.length]);
  const isAll = lines.length <= ALL_LAID_OUT;
  // Where one is and what is open stays laid out, however far one has scrolled: it has the keys, and words that are typed.
  const kept = [here, open].map((id) => lines.findIndex((line) => line.id === id)).filter((n) => n >= 0);
  const [first = -1, second = -1] = kept;
  const extract = useCallback(
    (range: Range) => [...new Set([...defaultRangeExtractor(range), first, second])].filter((n) => n >= 0).sort((a, b) => a - b), // oxfmt-ignore
    [first, second],
  );
  const virtual = useWindowVirtualizer({
    count: lines.length,
    estimateSize: () => USUAL_PX,
    getItemKey: (n) => lines[n]?.id ?? n,
    overscan: AROUND,
    scrollMargin: top,
    rangeExtractor: extract,
    enabled: !isAll,
  });
  const shown = isAll
    ? lines.map((_, index) => ({ index, start: null }))
    : virtual.getVirtualItems().map(({ index, start }) => ({ index, start: start - top }));
  return (
    <ol
      ref={list}
      aria-label="Lines"
      className="relative"
      style={isAll ? undefined : { height: virtual.getTotalSize() }}
    >
      {shown.map(({ index, start }) => {
        const line = lines[index];
        return line ? (
          <li
            key={line.id}
            ref={isAll ? undefined : virtual.measureElement}
            data-line={line.id}
            data-index={index}
            aria-posinset={index + 1}
            aria-setsize={lines.length}
            style={start === null ? undefined : { transform: `translateY(${start}px)` }}
            className={`border-b border-line-2 ${line.id === here ? 'bg-tint' : ''} ${start === null ? '' : 'absolute inset-x-0 top-0'}`}
            onFocus={() => note.setHere(line.id)}
          >
            <Line
              slug={slug}
              number={index + 1}
              line={line}
              isOpen={line.id === open}
              isChosen={chosen.has(line.id)}
              onOpen={() => note.setOpen(line.id === open ? null : line.id)}
              onChoose={() => note.choose(line.id)}
              onCheck={() => note.check(line)}
              onStrike={() => note.strike(line)}
              onKeep={(words, goesOn) => note.keep(line, words, goesOn)}
            />
          </li>
        ) : null;
      })}
    </ol>
  );
}
