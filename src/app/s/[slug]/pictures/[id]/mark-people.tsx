'use client';

import { useRef, useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import type { Mark } from '@/server/work/rights/people/mark-people';
import { Button } from '@/ui/button';
import { pointMoved, pointPressed, type Point } from '@/ui/point-on-picture';
import { ProblemText } from '@/ui/problem-text';
import { keepMarks } from '../../rights/people/actions';

interface MarkPeopleProps {
  slug: string;
  siteId: number;
  /** The file that stands for the picture. */
  file: string;
  src: string;
  marked: readonly Mark[];
  /** Everybody who is recorded. */
  known: readonly string[];
}

const STEP = 0.02;
/** Who can be recognised on a picture, and where: a press on a face sets a mark, arrow keys move it. */
export function MarkPeople({ slug, siteId, file, src, marked, known }: MarkPeopleProps) {
  const [marks, setMarks] = useState<readonly Mark[]>(marked);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');
  const [isBusy, start] = useTransition();
  const list = useRef<HTMLOListElement>(null);
  const change = (at: number, to: Partial<Mark>) =>
    setMarks(marks.map((mark, i) => (i === at ? { ...mark, ...to } : mark)));
  const add = (point: Point) => {
    setMarks([...marks, { person: '', ...point }]);
    setSaid('');
    requestAnimationFrame(() =>
      list.current?.querySelector<HTMLInputElement>('li:last-child input')?.focus(),
    );
  };
  const keep = () =>
    start(async () => {
      const refused = await keepMarks(slug, siteId, file, marks);
      setProblem(refused);
      setSaid(refused ? '' : 'Kept; the answers follow as soon as the worker has looked.');
    });
  return (
    <details className="mb-4">
      <summary className="cursor-pointer font-semibold text-green">
        {marked.length > 0
          ? `People marked on it: ${marked.map(({ person }) => person).join(', ')}`
          : 'Mark who is on it'}
      </summary>
      <div className="mt-2 flex gap-5 max-md:flex-col">
        <div
          className="relative w-[420px] max-w-full shrink-0 cursor-crosshair self-start"
          onClick={(event) => add(pointPressed(event))}
        >
          <img src={src} alt="The picture, to mark people on" className="block w-full" />
          {marks.map(({ x, y, person }, i) => (
            <button
              key={i}
              type="button"
              aria-label={`Mark ${i + 1}${person ? `, ${person}` : ''}: ${Math.round(x * 100)} % from the left, ${Math.round(y * 100)} % from the top`}
              className="absolute flex size-6 -translate-x-1/2 -translate-y-1/2 items-center justify-center rounded-full border-2 border-white bg-ink text-xs font-semibold text-sheet"
              style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
              onClick={(event) => event.stopPropagation()}
              onKeyDown={(event) => {
                const moved = pointMoved({ x, y }, event.key, STEP);
                if (!moved) return;
                event.preventDefault();
                change(i, moved);
              }}
            >
              {i + 1}
            </button>
          ))}
        </div>
        <div className="min-w-0 flex-1">
          <p className="text-sm text-ink-2">Press on a face, and say who it is. Arrow keys move a mark.</p>
          <ol ref={list} className="mt-2 space-y-2">
            {marks.map((mark, i) => (
              <li key={i} className="flex items-center gap-2">
                <span className="w-5 text-right text-sm text-ink-2">{i + 1}</span>
                <input
                  aria-label={`Who is mark ${i + 1}`}
                  list="people-known"
                  value={mark.person}
                  onChange={(event) => change(i, { person: event.target.value })}
                  className="w-40 rounded-sm border border-ink-3 bg-sheet px-2 py-1"
                />
                <Button weight="quiet" onClick={() => setMarks(marks.filter((_, at) => at !== i))}>
                  Take away
                </Button>
              </li>
            ))}
          </ol>
          <datalist id="people-known">
            {known.map((id) => (
              <option key={id} value={id} />
            ))}
          </datalist>
          <p className="mt-3 flex flex-wrap items-center gap-2">
            <Button onClick={() => add({ x: 0.5, y: 0.5 })} weight="quiet">
              Add a mark
            </Button>
            <Button disabled={isBusy} onClick={keep}>
              {isBusy ? 'One moment …' : 'Keep'}
            </Button>
            {said ? (
              <span role="status" className="text-sm text-green">
                {said}
              </span>
            ) : null}
          </p>
          {problem ? <ProblemText problem={problem} /> : null}
        </div>
      </div>
    </details>
  );
}
