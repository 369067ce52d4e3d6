import type { ReactNode } from 'react';
import type { Degree as ErratumDegree } from '@/core/errata/rule';
import { DEGREE_TEXT, DEGREE_WORD } from './degree';

type Degree = ErratumDegree | 'done';

const WORD: Readonly<Record<Degree, string>> = { ...DEGREE_WORD, done: 'Done' };
const COLOUR: Readonly<Record<Degree, string>> = { ...DEGREE_TEXT, done: 'text-green' };
const RULE: Readonly<Record<Degree, string>> = {
  must: 'border-t-2 border-must',
  should: 'border-t-2 border-should',
  note: 'border-t border-note',
  done: 'border-t border-green',
};

interface NoteProps {
  degree: Degree;
  /** A few words behind the degree. */
  head: string;
  children?: ReactNode;
}

/** A note in the margin, joined by its rule to what it speaks of. */
export function Note({ degree, head, children }: NoteProps) {
  return (
    <div className="relative pl-6 text-base max-lg:pl-0">
      <span aria-hidden className={`absolute top-2.5 left-0 w-4 max-lg:hidden ${RULE[degree]}`} />
      <p className={COLOUR[degree]}>
        <strong>{WORD[degree]}</strong> {head}
      </p>
      {children ? <div className="text-sm text-ink-2">{children}</div> : null}
    </div>
  );
}
