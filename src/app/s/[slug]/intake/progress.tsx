import { bytesText, count, timeLeftText } from '@/ui/format';
import { Button } from '@/ui/button';
import { ProgressBar } from '@/ui/progress-bar';
import type { Sending } from './use-uploads';

interface ProgressProps {
  sendings: readonly Sending[];
  startedAt: number;
  now: number;
  onClear: () => void;
}

const STATE: Readonly<Record<Sending['state'], string>> = {
  waits: 'waits',
  sends: 'on its way',
  arrived: 'arrived',
  known: 'was here already',
  failed: 'not taken',
};

/** How far the files have come: in all, and each that is on its way or was not taken. */
export function Progress({ sendings, startedAt, now, onClear }: ProgressProps) {
  const counted = sendings.filter(({ state }) => state !== 'failed' && state !== 'known');
  const total = counted.reduce((sum, { size }) => sum + size, 0);
  const sent = counted.reduce((sum, one) => sum + one.sent, 0);
  const seconds = Math.max(1, (now - startedAt) / 1000);
  const open = sendings.filter(({ state }) => state === 'waits' || state === 'sends').length;
  const shown = sendings.filter(({ state }) => state === 'sends' || state === 'failed' || state === 'known');
  // When all is here there is nothing to say that the lines don’t.
  if (open === 0 && shown.length === 0) return null;
  return (
    <section aria-label="On the way" className="border-b border-line bg-mat px-5 py-2.5">
      <div className="flex flex-wrap items-baseline gap-3">
        <p role="status" className="font-semibold">
          {open > 0
            ? `${counted.length - open} of ${count(counted.length, 'file')} arrived`
            : `${count(counted.length, 'file')} arrived`}
        </p>
        <p className="text-sm text-ink-2">
          {bytesText(sent)} of {bytesText(total)}
          {open > 0 && sent > 0
            ? `, ${bytesText(sent / seconds)} a second, ${timeLeftText(sent, total, seconds)}`
            : ''}
        </p>
        {open === 0 ? (
          <Button weight="quiet" className="ml-auto" onClick={onClear}>
            Close
          </Button>
        ) : null}
      </div>
      {open > 0 ? <ProgressBar label="All files" done={sent} all={total} /> : null}
      <ul className="mt-1 max-h-40 overflow-y-auto text-sm">
        {shown.map(({ key, name, size, sent: done, state, problem }) => (
          <li key={key} className="flex gap-3 py-0.5">
            <span className="min-w-0 flex-1 truncate">{name}</span>
            <span className={state === 'failed' ? 'text-must' : 'text-ink-2'}>
              {state === 'sends' ? `${Math.floor((100 * done) / Math.max(1, size))} %` : STATE[state]}
              {problem ? `: ${problem}` : ''}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
