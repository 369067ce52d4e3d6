'use client';

import { Button } from '@/ui/button';
import { sort } from '../actions';
import { DeedTold, useDeed } from '../use-deed';

interface JoinButtonsProps {
  slug: string;
  /** Hashes of the two files. */
  a: string;
  b: string;
  /** Whether they are taken for one picture now. */
  isSame: boolean;
}

/** Says that two files are one picture, or are two. */
export function JoinButtons({ slug, a, b, isSame }: JoinButtonsProps) {
  const deed = useDeed(slug);
  const [kind, noted] = isSame
    ? (['apart', 'two pictures'] as const)
    : (['together', 'one picture'] as const);
  return (
    <div className="mt-4 flex flex-wrap items-center gap-3">
      <p>{isSame ? 'They are taken for one picture.' : 'They are taken for two pictures.'}</p>
      {deed.isSaid ? null : (
        <Button
          disabled={deed.isBusy}
          onClick={() =>
            deed.say(`Noted: ${noted}, as soon as the worker has sorted them.`, () =>
              sort(slug, kind, a, [b]),
            )
          }
        >
          {isSame ? 'They are two' : 'They are one'}
        </Button>
      )}
      <DeedTold deed={deed} />
    </div>
  );
}
