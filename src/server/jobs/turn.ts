/** A worker's turn at a job: long jobs ask between two pieces of work whether it is over, and go on another time. */

/** Thrown where a job leaves off in the middle because its worker is to end. What it has done stays. */
export class TurnOver extends Error {
  constructor() {
    super('the worker is to end; the job goes on where it was when one runs again');
    this.name = 'TurnOver';
  }
}

export interface Turn {
  /** Whether the worker is to end: no new piece of work should begin. */
  readonly isOver: boolean;
}

/** A turn that nobody ends. */
export const UNENDING: Turn = { isOver: false };

/** Asked between two pieces of work. @throws TurnOver where the worker is to end */
export function goOn(turn: Turn): void {
  if (turn.isOver) throw new TurnOver();
}
