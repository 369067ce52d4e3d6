'use client';

import { Button } from '@/ui/button';
import { sort } from '../actions';
import { DeedTold, useDeed } from '../use-deed';

interface ApartButtonProps {
  slug: string;
  a: string;
  b: string;
  name: string;
}

/** Says that a file is another picture; the worker sorts the families anew. */
export function ApartButton({ slug, a, b, name }: ApartButtonProps) {
  const deed = useDeed(slug);
  return (
    <div className="flex flex-wrap items-center justify-end gap-3">
      <DeedTold deed={deed} />
      {deed.isSaid ? null : (
        <Button
          weight="quiet"
          disabled={deed.isBusy}
          aria-label={`${name} is another picture`}
          onClick={() =>
            deed.say('Noted: it becomes a picture of its own.', () => sort(slug, 'apart', a, [b]))
          }
        >
          Another picture
        </Button>
      )}
    </div>
  );
}
