/** Puts evidence together to the days in which a picture was most likely taken, and says what contradicts them. */
import type { DateEvidence } from './date-evidence';
import { sharedSpan, type Day, type DaySpan } from './day';

export interface Dating extends DaySpan {
  /** Evidence that these days rest on, the strongest first. */
  readonly because: readonly DateEvidence[];
  /** Evidence that speaks against them, the strongest first. */
  readonly against: readonly DateEvidence[];
  /** How much more is for them than against them, in natural log-odds; 0 where nothing is known. */
  readonly belief: number;
}

/** Days that a picture may lie outside what words say: a concert of December is told of in January's year. */
export const UNDATED: Dating = { from: null, until: null, because: [], against: [], belief: 0 };

/**
 * The days on which most of the evidence agrees, by weight: of all spans in which the same pieces hold, the one whose
 * pieces weigh most; of equals, the shortest.
 *
 * The sum of log-odds takes the pieces as independent, which they nearly are: a camera's clock, a person's caption and
 * a folder's name have different sources of error.
 */
export function bestInterval(evidence: readonly DateEvidence[]): Dating {
  let best: { span: DaySpan; pieces: DateEvidence[]; weight: number } | null = null;
  for (const start of startsOf(evidence)) {
    const pieces = evidence.filter((one) => holds(one, start));
    const weight = pieces.reduce((sum, one) => sum + one.weight, 0);
    const span = pieces.reduce<DaySpan>((shared, one) => sharedSpan(shared, one) ?? shared, ALWAYS);
    if (!best || weight > best.weight || (weight === best.weight && length(span) < length(best.span)))
      best = { span, pieces, weight };
  }
  if (!best || best.weight === 0) return UNDATED;
  const byWeight = (a: DateEvidence, b: DateEvidence) => b.weight - a.weight;
  const { span, pieces, weight } = best;
  const against = evidence.filter((one) => !pieces.includes(one)).sort(byWeight);
  return {
    ...span,
    because: pieces.sort(byWeight),
    against,
    belief: weight - against.reduce((sum, one) => sum + one.weight, 0),
  };
}

const ALWAYS: DaySpan = { from: null, until: null };

/** Days at which the set of pieces that hold changes; `null` stands for the beginning of time. */
function startsOf(evidence: readonly DateEvidence[]): (Day | null)[] {
  return [...new Set<Day | null>(evidence.map(({ from }) => from))];
}

function holds({ from, until }: DaySpan, day: Day | null): boolean {
  if (day === null) return from === null;
  return (from === null || from <= day) && (until === null || until >= day);
}

function length({ from, until }: DaySpan): number {
  return from === null || until === null ? Number.POSITIVE_INFINITY : until - from;
}

/** A contradiction between what is said and what is known, such as a caption of 2024 under a picture of 2017. */
export interface DateContradiction {
  readonly said: DateEvidence;
  readonly known: DateEvidence;
  /** Days between the two. */
  readonly apartDays: number;
}

const SPOKEN: ReadonlySet<string> = new Set(['caption', 'alt text', 'file name']);
const KNOWN: ReadonlySet<string> = new Set(['camera', 'metadata']);
/** A caption's year is often that of the school year, or of the page: so many days apart are no contradiction. */
const TOLERANCE_DAYS = 62;

/** What words say of the time of a picture although its camera says otherwise. */
export function contradictions(evidence: readonly DateEvidence[]): DateContradiction[] {
  const known = evidence.filter(({ origin, weight }) => KNOWN.has(origin) && weight >= 1);
  return evidence
    .filter(({ origin }) => SPOKEN.has(origin))
    .flatMap((said) =>
      known.flatMap((one) => {
        const apartDays = distance(said, one);
        return apartDays > TOLERANCE_DAYS ? [{ said, known: one, apartDays }] : [];
      }),
    );
}

function distance(a: DaySpan, b: DaySpan): number {
  const gap = (first: DaySpan, second: DaySpan) =>
    first.until === null || second.from === null ? 0 : second.from - first.until;
  return Math.max(0, gap(a, b), gap(b, a));
}
