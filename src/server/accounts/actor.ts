import { ROLES, type Role } from '@/core/edition/edition-state';
import { ProblemError } from '../problem-error';

/** The person for whom something is done. Every verb of `work/` takes one. */
export interface Actor {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
}

/** A role as it is kept in the database; anything unknown may only look. */
export function roleOf(text: string | null | undefined): Role {
  return ROLES.find((role) => role === text) ?? 'viewer';
}

/**
 * Refuses what a role may not do.
 *
 * @param deed what was asked, as in “publish an edition”
 * @throws ProblemError `NOT_ALLOWED`
 */
export function requireRole(actor: Actor, roles: readonly Role[], deed: string): void {
  if (roles.includes(actor.role)) return;
  throw new ProblemError({
    code: 'NOT_ALLOWED',
    what: `You may not ${deed}.`,
    why: `You are signed in as ${actor.name}, with the role of ${actor.role}; this takes ${roles.join(' or ')}.`,
    remedy: 'Ask somebody with that role.',
  });
}
