import { Link } from './link';

interface PagerProps {
  sheet: number;
  sheets: number;
  /** Address of a sheet by its number. */
  hrefOf: (sheet: number) => string;
}

/** From one sheet of a long list to the next. */
export function Pager({ sheet, sheets, hrefOf }: PagerProps) {
  if (sheets <= 1) return null;
  const step = (to: number, text: string) =>
    to < 1 || to > sheets ? (
      <span className="text-ink-3">{text}</span>
    ) : (
      <Link href={hrefOf(to)} className="font-semibold text-green">
        {text}
      </Link>
    );
  return (
    <nav aria-label="Sheets of this list" className="flex justify-center gap-5 border-t border-line-2 py-3">
      {step(sheet - 1, 'Back')}
      <span>
        Sheet {sheet} of {sheets}
      </span>
      {step(sheet + 1, 'On')}
    </nav>
  );
}
