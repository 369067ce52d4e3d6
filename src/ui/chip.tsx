import { numberText } from './format';
import { Link } from './link';

interface ChipProps {
  href: string;
  isChosen: boolean;
  label: string;
  count?: number | undefined;
}

/** A filter or an order that can be chosen; its count is part of the link. */
export function Chip({ href, isChosen, label, count }: ChipProps) {
  const look = isChosen ? 'border-green bg-tint font-semibold text-green' : 'border-line bg-sheet text-ink-2';
  return (
    <Link
      href={href}
      aria-current={isChosen ? 'true' : undefined}
      className={`rounded-sm border px-2 py-0.5 text-base ${look}`}
    >
      {label}
      {count === undefined ? '' : ` ${numberText(count)}`}
    </Link>
  );
}
