import 'server-only';
import type { Problem } from '@/core/problem';
import type { Actor } from '@/server/accounts/actor';
import { database, databaseProblem, type Database } from '@/server/db/database';
import { problemOf } from '@/server/problem-error';
import { requireActor } from './session';

export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problem: Problem };

/** Does something for the person signed in, and gives what goes wrong as a problem to show. */
export async function act<T>(deed: (db: Database, actor: Actor) => Promise<T>): Promise<Outcome<T>> {
  const actor = await requireActor();
  try {
    return { ok: true, value: await deed(database(), actor) };
  } catch (error) {
    const problem = problemOf(databaseProblem(error));
    if (problem.code === 'UNEXPECTED')
      process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
    return { ok: false, problem };
  }
}
