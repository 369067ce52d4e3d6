'use client';

import type { DeliveryView } from '@/app/_data/intake/delivery';
import { Button, buttonClass } from '@/ui/button';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { Key } from '../text-desk/keys';

interface NoteHeadProps {
  slug: string;
  view: DeliveryView | null;
  onPutAside: () => void;
}

/** Which delivery it is, how far it is checked off, and where its pictures go next. */
export function NoteHead({ slug, view, onPutAside }: NoteHeadProps) {
  const coming = (view?.lines ?? []).filter(({ isStruck }) => !isStruck);
  const checked = coming.filter(({ isChecked }) => isChecked).length;
  return (
    <div className="flex min-h-[53px] flex-wrap items-center gap-3 border-b border-line px-5 py-2">
      <h1 className="text-lg font-semibold">{view ? `Delivery ${view.number}` : 'Intake'}</h1>
      {coming.length > 0 ? (
        <>
          <p className="text-ink-2" role="status">
            {count(coming.length, 'picture')}, {checked} checked off
          </p>
          <p className="text-sm text-ink-2 max-xl:hidden">
            <Key>↑ ↓</Key> another line, <Key>Enter</Key> describe it, <Key>c</Key> check off, <Key>x</Key>{' '}
            strike out
          </p>
          <span className="ml-auto flex gap-2">
            <Button weight="quiet" onClick={onPutAside}>
              Put the note aside
            </Button>
            <Link href={`/s/${slug}/pairs`} className={buttonClass('plain')}>
              Pair them with what goes
            </Link>
          </span>
        </>
      ) : null}
    </div>
  );
}
