import type { PlannedPlace } from '@/core/swap/plan-swap';
import type { edits, newFiles, PlaceOff } from '../../db/schema/editions';

export type NewEdit = Omit<typeof edits.$inferInsert, 'changeId'>;

/** What a change of an edition comes to. */
export interface Prepared {
  readonly edits: readonly NewEdit[];
  readonly files: readonly Omit<typeof newFiles.$inferInsert, 'changeId'>[];
  readonly places: readonly PlannedPlace[];
  /** Absent where no place is taken off. */
  readonly offs?: readonly PlaceOff[];
}
