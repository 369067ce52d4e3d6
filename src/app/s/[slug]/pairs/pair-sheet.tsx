'use client';

import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useState, useTransition, type KeyboardEvent } from 'react';
import type { PairSheet } from '@/app/_data/pairs/pairs';
import type { Problem } from '@/core/problem';
import { Button, buttonClass } from '@/ui/button';
import { FootBar } from '@/ui/foot-bar';
import { count } from '@/ui/format';
import { begun, doneAgain, undone, wayOfKey, written } from '@/ui/history';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { ProblemText } from '@/ui/problem-text';
import { Key } from '../text-desk/keys';
import { putPairs } from './actions';
import { DragHandle, PairRow } from './pair-row';
import { firstChoices, given, pairsOf, stepped, type Choice } from './pairing';

/** A sheet of two columns: what goes, and what comes in its places. */
export function PairSheetView({ slug, sheet }: { slug: string; sheet: PairSheet }) {
  const [history, setHistory] = useState(() => begun<readonly Choice[]>(firstChoices(sheet)));
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const choices = history.now;
  const set = (row: number, choice: Choice) =>
    setHistory((all) => written(all, given(all.now, row, choice), null, 0));
  const pairs = pairsOf(sheet, choices);
  const off = pairs.filter(({ intakeId }) => intakeId === null).length;
  const spare = sheet.coming.flatMap((one, n) => (choices.includes(n) ? [] : [{ ...one, n }]));
  const undescribed = choices.filter((choice) => typeof choice === 'number' && sheet.coming[choice]?.alt === '').length; // oxfmt-ignore
  const put = () => {
    setProblem(null);
    start(async () => setProblem(await putPairs(slug, pairs)));
  };
  const onDrop = ({ active, over }: DragEndEvent) => {
    const to = (over?.data.current as { row?: number } | undefined)?.row;
    const { row, coming } = (active.data.current ?? {}) as { row?: number; coming?: number };
    if (to === undefined) return;
    const choice = coming ?? (row === undefined ? undefined : choices[row]);
    if (choice !== undefined) set(to, choice);
  };
  const onKey = (event: KeyboardEvent) => {
    const way = wayOfKey(event);
    if (way) {
      event.preventDefault();
      return setHistory(way === 'back' ? undone : doneAgain);
    }
    if ((event.ctrlKey || event.metaKey) && event.key === 'Enter' && pairs.length > 0 && !isBusy) {
      event.preventDefault();
      return put();
    }
    const here = (event.target as HTMLElement).closest('[data-pair]');
    const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (by === 0 || !here) return;
    event.preventDefault();
    const next = document.querySelector<HTMLElement>(`[data-pair="${Number(here.getAttribute('data-pair')) + by}"] [role=spinbutton]`); // oxfmt-ignore
    next?.focus();
    next?.scrollIntoView({ block: 'nearest' });
  };
  return (
    <main className="flex min-h-[calc(100vh-46px)] flex-col bg-sheet" onKeyDown={onKey}>
      <div className="border-b border-line px-5 py-2.5">
        <h1 className="text-lg font-semibold">
          {count(sheet.going.length, 'picture')} that should go, and what comes instead
        </h1>
        <p className="text-sm text-ink-2">
          {sheet.coming.length > 0
            ? 'Proposed by the words of pages and pictures, by shape, size and date. '
            : 'Nothing has arrived that is not in an edition already. '}
          <Key>↑ ↓</Key> another row, <Key>← →</Key> another picture, <Key>o</Key> off its pages, <Key>l</Key>{' '}
          leave it, <Key>Ctrl Z</Key> take it back; or drag.
        </p>
      </div>
      <DndContext id="pairs" sensors={sensors} onDragEnd={onDrop}>
        <ol aria-label="Pairs" className="flex-1">
          {sheet.going.map((going, row) => {
            const choice = choices[row] ?? 'left';
            const coming = typeof choice === 'number' ? sheet.coming[choice] : undefined;
            return (
              <PairRow
                key={going.id}
                slug={slug}
                row={row}
                going={going}
                choice={choice}
                coming={coming}
                fit={typeof choice === 'number' ? sheet.fits[row]?.[choice] : undefined}
                onStep={(by) => set(row, stepped(sheet.ranked[row] ?? [], choice, by))}
                onChoose={(one) => set(row, one)}
              />
            );
          })}
        </ol>
        {sheet.more > 0 ? (
          <p className="px-5 py-2 text-sm text-ink-2">
            {sheet.more} more follow when these are in the edition.
          </p>
        ) : null}
        {spare.length > 0 ? (
          <section aria-label="In no pair" className="border-t border-line px-5 py-2.5">
            <h2 className="text-sm font-semibold text-ink-2">{count(spare.length, 'picture')} in no pair</h2>
            <ul className="mt-1.5 flex flex-wrap gap-3">
              {spare.map(({ n, sha256, title }) => (
                <li key={n} className="flex w-[150px] items-start gap-1">
                  <DragHandle id={`spare-${n}`} data={{ coming: n }} label={`Move ${title} to a row`} />
                  <div className="min-w-0">
                    <Mat src={`/s/${slug}/image/${sha256}`} alt="" width={126} height={84} />
                    <p className="truncate font-serif text-sm">{title}</p>
                  </div>
                </li>
              ))}
            </ul>
          </section>
        ) : null}
      </DndContext>
      <FootBar label="Into the edition">
        <Button weight="main" disabled={isBusy || pairs.length === 0} onClick={put}>
          {isBusy ? 'Putting them in …' : `Put ${pairs.length} into the edition`} <Key>Ctrl Enter</Key>
        </Button>
        <p className="text-sm text-ink-2">
          {count(pairs.length - off, 'swap')}, {off} taken off. Nothing is live until the edition is
          published.
          {undescribed > 0 ? ` ${undescribed} ${undescribed === 1 ? 'is' : 'are'} not described.` : ''}
        </p>
        <Link href={`/s/${slug}/intake`} className={`${buttonClass('quiet')} ml-auto`}>
          {undescribed > 0 ? 'Describe them first' : 'To the intake'}
        </Link>
        {problem ? <ProblemText problem={problem} /> : null}
      </FootBar>
    </main>
  );
}
