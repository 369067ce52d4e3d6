/** The states of an edition and who may move it from one to the next. */

export type EditionState = 'draft' | 'publishing' | 'published' | 'withdrawing' | 'withdrawn';

export const ROLES = ['maintainer', 'owner', 'approver', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

/** Roles that change pictures and words, and say what is true of them. */
export const EDITORS: readonly Role[] = ['maintainer', 'owner'];
export const mayEdit = (role: Role): boolean => EDITORS.includes(role);

export type EditionMove =
  | 'gather'
  | 'publish'
  | 'finish'
  | 'give up'
  | 'withdraw'
  | 'finish withdrawal'
  | 'keep live';

interface MoveRule {
  readonly from: EditionState;
  readonly to: EditionState;
  /** Roles that may ask for it; empty for moves that only the work itself makes. */
  readonly roles: readonly Role[];
}

const MOVES: Readonly<Record<EditionMove, MoveRule>> = {
  gather: { from: 'draft', to: 'draft', roles: EDITORS },
  publish: { from: 'draft', to: 'publishing', roles: ['maintainer', 'approver'] },
  finish: { from: 'publishing', to: 'published', roles: [] },
  'give up': { from: 'publishing', to: 'draft', roles: [] },
  withdraw: { from: 'published', to: 'withdrawing', roles: ['maintainer', 'approver'] },
  'finish withdrawal': { from: 'withdrawing', to: 'withdrawn', roles: [] },
  'keep live': { from: 'withdrawing', to: 'published', roles: [] },
};

/** The state after a move, or `null` where it can't be made from this state. */
export function stateAfter(move: EditionMove, state: EditionState): EditionState | null {
  const rule = MOVES[move];
  return rule.from === state ? rule.to : null;
}

/** Whether a role may ask for a move. */
export function mayMove(role: Role, move: EditionMove): boolean {
  return MOVES[move].roles.includes(role);
}
