/** Pictures of something that has changed since: a front repainted, a wall pulled down, a tutor gone. */
import type { Day, DaySpan } from './day';
import { sinceChange } from './shelf-life';

export const SUBJECT_KINDS = ['person', 'place', 'thing'] as const;
export type SubjectKind = (typeof SUBJECT_KINDS)[number];

/** Something that pictures show, by name. */
export interface Subject {
  readonly id: number;
  readonly name: string;
  readonly kind: SubjectKind;
  /** The day on which it changed last; `null` where it did not. */
  readonly changedOn: Day | null;
  /** What changed, in words. */
  readonly changedHow: string;
}

/** A subject that a picture shows as it is no longer. */
export interface ChangedSubject extends Subject {
  readonly changedOn: Day;
  /** Whether the picture is surely from before the change, or may be. */
  readonly certainty: 'certain' | 'possible';
}

/**
 * Of the subjects of a picture the one by which it is most plainly out of date: surely before possibly, the latest
 * change before earlier ones. `null` where it shows all of them as they are, or where its age is not known.
 *
 * @param taken the days between which it was taken
 */
export function changedSince(taken: DaySpan, subjects: readonly Subject[]): ChangedSubject | null {
  const changed = subjects.flatMap((subject): ChangedSubject[] => {
    const { changedOn } = subject;
    if (changedOn === null) return [];
    const answer = sinceChange(taken, changedOn);
    if (answer === 'before') return [{ ...subject, changedOn, certainty: 'certain' }];
    return answer === 'perhaps before' ? [{ ...subject, changedOn, certainty: 'possible' }] : [];
  });
  const rank = ({ certainty }: ChangedSubject) => (certainty === 'certain' ? 1 : 0);
  return changed.sort((a, b) => rank(b) - rank(a) || b.changedOn - a.changedOn)[0] ?? null;
}
