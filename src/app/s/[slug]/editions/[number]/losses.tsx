import type { Loss } from '@/app/_data/editions/losses';
import { count } from '@/ui/format';

const SHOWN = 5;

/** What files will lose by being written, said before anything is. */
export function Losses({ losses }: { losses: readonly Loss[] }) {
  if (losses.length === 0) return null;
  return (
    <section aria-label="Before you publish" className="border-b border-line px-5 py-3">
      <h2 className="font-semibold">Before you publish</h2>
      {losses.map(({ loss, paths }) => (
        <p key={loss} className="text-ink-2">
          Once written, each of {count(paths.length, 'file')} {loss}: {paths.slice(0, SHOWN).join(', ')}
          {paths.length > SHOWN ? ` and ${count(paths.length - SHOWN, 'other')}` : ''}. If that matters,
          publish with Ibidem running as the files’ own user.
        </p>
      ))}
    </section>
  );
}
