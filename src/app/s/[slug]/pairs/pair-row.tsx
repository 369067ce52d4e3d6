'use client';

import { useDraggable, useDroppable } from '@dnd-kit/core';
import { ChevronLeft, ChevronRight, GripVertical } from 'lucide-react';
import type { Coming, Going } from '@/app/_data/pairs/pairs';
import type { Fit } from '@/core/swap/fit';
import { count, pixelsText } from '@/ui/format';
import { FitReasons } from '@/ui/fit-reasons-line';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import type { Choice } from './pairing';

const WHY: Readonly<Record<Going['why'], string>> = {
  leftover: 'a leftover of the template',
  outdated: 'beyond its time',
  chosen: 'chosen by you',
};

interface PairRowProps {
  slug: string;
  row: number;
  going: Going;
  choice: Choice;
  coming: Coming | undefined;
  fit: Fit | undefined;
  onStep: (by: 1 | -1) => void;
  onChoose: (choice: Choice) => void;
}

/** One pair: to the left what goes, to the right what comes in its places. */
export function PairRow({ slug, row, going, choice, coming, fit, onStep, onChoose }: PairRowProps) {
  const { setNodeRef, isOver } = useDroppable({ id: `row-${row}`, data: { row } });
  const name = going.name.split('/').at(-1) ?? going.name;
  return (
    <li
      ref={setNodeRef}
      data-pair={row}
      className={`grid grid-cols-[minmax(0,1fr)_44px_minmax(0,1fr)] border-b border-line-2 ${isOver ? 'bg-tint' : ''}`}
    >
      <div className="flex min-w-0 gap-3 px-5 py-2.5">
        <Mat src={`/s/${slug}/image/${going.sha256}`} alt="" width={132} height={92} />
        <div className="min-w-0">
          <Link
            href={`/s/${slug}/pictures/${going.fileId}`}
            tabIndex={-1}
            className={`block truncate font-serif text-lg font-semibold ${choice === 'left' ? '' : 'line-through decoration-1'}`}
          >
            {name}
          </Link>
          <p className="text-sm text-ink-2">
            {WHY[going.why]}, in {count(going.places, 'place')} on {count(going.pages, 'page')}
          </p>
          <p className="line-clamp-2 text-sm text-ink-2">{going.titles.join(' · ')}</p>
        </div>
      </div>
      <div className="flex items-center justify-center text-ink-3" aria-hidden>
        →
      </div>
      <div
        role="spinbutton"
        tabIndex={0}
        aria-label={`In place of ${name}`}
        aria-valuenow={typeof choice === 'number' ? choice + 1 : 0}
        aria-valuetext={valueText(choice, coming)}
        onKeyDown={(event) => {
          const deed = {
            ArrowRight: () => onStep(1),
            ArrowLeft: () => onStep(-1),
            o: () => onChoose('off'),
            l: () => onChoose('left'),
          }[event.key];
          if (!deed) return;
          event.preventDefault();
          deed();
        }}
        className="flex min-w-0 items-start gap-2 py-2.5 pr-4 pl-2"
      >
        <Comes slug={slug} row={row} choice={choice} coming={coming} fit={fit} />
        <span className="ml-auto flex shrink-0 text-ink-2">
          <button
            type="button"
            tabIndex={-1}
            aria-label="The better fit"
            onClick={() => onStep(-1)}
            className="p-1"
          >
            <ChevronLeft size={18} aria-hidden />
          </button>
          <button
            type="button"
            tabIndex={-1}
            aria-label="The next fit"
            onClick={() => onStep(1)}
            className="p-1"
          >
            <ChevronRight size={18} aria-hidden />
          </button>
        </span>
      </div>
    </li>
  );
}

const valueText = (choice: Choice, coming: Coming | undefined) =>
  choice === 'off' ? 'taken off its pages' : choice === 'left' ? 'left for now' : (coming?.title ?? '');

function Comes({
  slug,
  row,
  choice,
  coming,
  fit,
}: Pick<PairRowProps, 'slug' | 'row' | 'choice' | 'coming' | 'fit'>) {
  if (choice === 'off' || !coming) {
    return (
      <p className="flex h-[92px] items-center font-serif text-lg text-ink-2">
        {choice === 'off' ? 'Taken off its pages, with its empty frame' : 'Left for now'}
      </p>
    );
  }
  return (
    <>
      <DragHandle id={`held-${row}`} data={{ row }} label={`Move ${coming.title} to another row`} />
      <Mat src={`/s/${slug}/image/${coming.sha256}`} alt="" width={132} height={92} />
      <div className="min-w-0">
        <p className="truncate font-serif text-lg font-semibold">{coming.title}</p>
        <p className={`truncate font-serif ${coming.alt ? '' : 'text-should italic'}`}>
          {coming.alt || 'not described: the old words stay'}
        </p>
        <p className="text-sm text-ink-2">{pixelsText(coming.widthPx, coming.heightPx)}</p>
        <FitReasons fit={fit} />
      </div>
    </>
  );
}

/** A handle by which a picture is dragged to another row; with keys, rows are changed by the arrows. */
export function DragHandle({
  id,
  data,
  label,
}: {
  id: string;
  data: Readonly<Record<string, number>>;
  label: string;
}) {
  const { setNodeRef, listeners } = useDraggable({ id, data });
  return (
    <button
      ref={setNodeRef}
      type="button"
      tabIndex={-1}
      aria-label={label}
      className="cursor-grab self-center text-ink-3"
      {...listeners}
    >
      <GripVertical size={16} aria-hidden />
    </button>
  );
}
