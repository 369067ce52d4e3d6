import type { Fit } from '@/core/swap/fit';
import { reasonsOf } from './fit-reasons';

/** Why a picture suits a place, in a line: what speaks for it, then what speaks against it. */
export function FitReasons({ fit }: { fit: Fit | undefined }) {
  return (
    <span className="block text-sm">
      {reasonsOf(fit).map(({ text, isAgainst }, n) => (
        <span key={text} className={isAgainst ? 'text-should' : 'text-green'}>
          {n > 0 ? ' · ' : ''}
          {text}
        </span>
      ))}
    </span>
  );
}
