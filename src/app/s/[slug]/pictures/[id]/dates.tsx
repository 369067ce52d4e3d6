import type { DateEvidence } from '@/core/dating/date-evidence';
import { partsOf } from '@/core/dating/day';
import { spanText } from '@/core/dating/shelf-life';
import { ORIGIN } from '@/ui/date-words';

interface DatesProps {
  from: number | null;
  until: number | null;
  because: readonly DateEvidence[];
  against: readonly DateEvidence[];
  /** The last day on which it is current; `null` where it does not age. */
  currentUntil: number | null;
  today: number;
}

const WIDE = 520;
const LINE_PX = 22;

/** When a picture was taken: every piece of evidence on one line of years, and the days on which most of it agrees. */
export function Dates({ from, until, because, against, currentUntil, today }: DatesProps) {
  const all = [...because, ...against];
  if (all.length === 0)
    return (
      <p className="mt-2 text-ink-2">
        Nothing tells when it was taken: no camera date, no year in its name or its words.
      </p>
    );
  const known = all.flatMap((one) => [one.from, one.until]).filter((day) => day !== null);
  const first = partsOf(Math.min(...known)).year - 1;
  const last = Math.max(partsOf(Math.max(...known, today, currentUntil ?? today)).year + 1, first + 3);
  const at = (day: number) => {
    const { year } = partsOf(day);
    const start = Date.UTC(year, 0, 1) / 86_400_000;
    return ((year + (day - start) / 366 - first) / (last - first)) * WIDE;
  };
  const every = Math.max(1, Math.ceil((last - first) / 10));
  const years = Array.from({ length: last - first }, (_, n) => first + n).filter(
    (year) => (year - first) % every === 0,
  );
  const height = all.length * LINE_PX + 26;
  const left = from === null ? 0 : at(from);
  const right = until === null ? at(today) : at(until);
  return (
    <div className="mt-2 grid grid-cols-[minmax(0,1fr)_520px] gap-x-4 overflow-x-auto max-lg:grid-cols-1">
      <ul>
        {all.map((one) => (
          <li
            key={`${one.origin} ${one.from} ${one.until} ${one.text}`}
            style={{ height: LINE_PX }}
            className={`truncate text-sm leading-[22px] ${because.includes(one) ? '' : 'text-should'}`}
            title={`${ORIGIN[one.origin]}: ${one.text || spanText(one)}`}
          >
            {because.includes(one) ? '' : 'against: '}
            {ORIGIN[one.origin]} <span className="font-serif">{one.text || spanText(one)}</span>
          </li>
        ))}
      </ul>
      <svg
        width={WIDE}
        height={height}
        className="max-w-none"
        role="img"
        aria-label={`Taken ${spanText({ from, until })}`}
      >
        <rect x={left} y={0} width={Math.max(3, right - left)} height={height - 20} className="fill-tint" />
        {years.map((year) => (
          <g key={year}>
            <line
              x1={((year - first) / (last - first)) * WIDE}
              x2={((year - first) / (last - first)) * WIDE}
              y1={0}
              y2={height - 18}
              className="stroke-line-2"
            />
            <text
              x={((year - first) / (last - first)) * WIDE + 3}
              y={height - 5}
              className="fill-ink-2 text-[11px]"
            >
              {year}
            </text>
          </g>
        ))}
        {all.map((one, n) => {
          const begins = one.from === null ? 0 : at(one.from);
          const ends = one.until === null ? WIDE : at(one.until);
          const y = n * LINE_PX + LINE_PX / 2;
          return (
            <line
              key={`${one.origin} ${one.from} ${one.until} ${one.text}`}
              x1={begins}
              x2={Math.max(begins + 4, ends)}
              y1={y}
              y2={y}
              strokeWidth={5}
              strokeDasharray={one.from === null ? '3 3' : undefined}
              className={because.includes(one) ? 'stroke-green' : 'stroke-should'}
            />
          );
        })}
        {currentUntil === null ? null : (
          <g>
            <line
              x1={at(currentUntil)}
              x2={at(currentUntil)}
              y1={0}
              y2={height - 18}
              className="stroke-should"
              strokeWidth={1.5}
            />
            <text x={Math.min(at(currentUntil) + 4, WIDE - 80)} y={11} className="fill-should text-[11px]">
              current until
            </text>
          </g>
        )}
        <line
          x1={at(today)}
          x2={at(today)}
          y1={0}
          y2={height - 18}
          className="stroke-ink"
          strokeWidth={1.5}
        />
        <text x={Math.min(at(today) + 4, WIDE - 34)} y={height - 22} className="fill-ink text-[11px]">
          today
        </text>
      </svg>
    </div>
  );
}
