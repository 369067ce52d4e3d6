import { ProgressBar } from '@/ui/progress-bar';
import type { publications, steps } from '@/server/db/schema/editions';
import { count } from '@/ui/format';
import { Note } from '@/ui/note';
import { ProblemText } from '@/ui/problem-text';
import { settle, undoAgain } from './actions';
import { UndoingActs } from './undoing-acts';

interface ProgressProps {
  slug: string;
  run: typeof publications.$inferSelect;
  steps: readonly (typeof steps.$inferSelect)[];
}

/** How a publication goes or went: the journal in a word, what was left alone, and whether it is proven. */
export function Progress({ slug, run, steps: journal }: ProgressProps) {
  const isUndoing = run.state === 'undoing';
  const done = journal.filter(({ state }) => (isUndoing ? state === 'undone' : state !== 'planned')).length;
  const alone = journal.filter(({ state }) => state === 'left alone');
  const isRunning = run.state === 'waiting' || run.state === 'running';
  const verb = run.direction === 'publish' ? 'Publishing' : 'Withdrawing';
  return (
    <section aria-label="Publication" className="space-y-3">
      {isRunning ? (
        <div>
          <p className="font-semibold">
            {verb}, {done} of {count(journal.length, 'file')}
          </p>
          <ProgressBar label={verb} done={done} all={journal.length} />
        </div>
      ) : null}
      {isUndoing ? (
        <>
          <Note degree="must" head="it is being taken back">
            The site could not be written. {done} of {count(journal.length, 'file')} are as before again; the
            rest is tried again until it succeeds.
          </Note>
          {run.problem ? <ProblemText problem={run.problem} /> : null}
          <UndoingActs
            tryAgain={undoAgain.bind(null, slug, run.editionId)}
            settle={settle.bind(null, slug, run.editionId)}
          />
        </>
      ) : null}
      {run.state === 'rolled back' && run.problem ? (
        <>
          <Note degree="must" head="it was taken back">
            The site could not be written, so everything done was undone.
          </Note>
          <ProblemText problem={run.problem} />
        </>
      ) : null}
      {run.state === 'done' && run.proven === null ? (
        <Note degree="note" head="not yet proven">
          A survey is reading the site again.
        </Note>
      ) : null}
      {run.proven === true ? (
        <Note degree="done" head="proven by the next survey">
          {count(journal.length, 'file')} read again, each byte for byte{' '}
          {run.direction === 'publish' ? 'as planned' : 'as before, and the added ones gone'}.
        </Note>
      ) : null}
      {run.proven === false ? (
        <Note degree="must" head="not all as planned">
          The survey found files that differ from what was planned.
        </Note>
      ) : null}
      {alone.map(({ id, problem }) => (problem ? <ProblemText key={id} problem={problem} /> : null))}
    </section>
  );
}
