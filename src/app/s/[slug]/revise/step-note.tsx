import type { ReactNode } from 'react';
import { struckOut } from '@/core/revision/revised';
import { isSet, STEP_NAMES, type Revision, type StepName } from '@/core/revision/steps';
import type { PixelSize } from '@/core/swap/slot';
import { figureText, STEP_TITLES } from './figure-text';
import type { Write } from './use-revision';

interface StepNoteProps {
  step: StepName;
  revision: Revision;
  original: PixelSize;
  onWrite: Write;
  children: ReactNode;
}

/** A numbered note of the margin: the step, its figure, and what changes it; struck out, it is kept and not taken. */
export function StepNote({ step, revision, original, onWrite, children }: StepNoteProps) {
  const isMade = isSet(revision, step);
  const isStruck = revision.struck.includes(step);
  const title = STEP_TITLES[step];
  return (
    <li className={`border-l-[3px] px-3 py-2 ${isMade && !isStruck ? 'border-green' : 'border-line'}`}>
      <div className="flex items-baseline gap-2">
        <span className="text-sm text-ink-3 tabular-nums">{STEP_NAMES.indexOf(step) + 1}</span>
        <h3 className="font-semibold">{title}</h3>
        <span className={`min-w-0 text-sm text-ink-2 ${isStruck ? 'text-ink-3 line-through' : ''}`}>
          {figureText(step, revision, original)}
        </span>
        {isMade ? (
          <button
            type="button"
            className="ml-auto shrink-0 text-sm font-semibold text-green"
            aria-label={isStruck ? `Let “${title}” stand` : `Strike out “${title}”`}
            onClick={() => onWrite(struckOut(revision, step), null)}
          >
            {isStruck ? 'Let it stand' : 'Strike out'}
          </button>
        ) : null}
      </div>
      <div className="mt-1.5 pl-4">{children}</div>
    </li>
  );
}
