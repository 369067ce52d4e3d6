import type { Actor } from '../accounts/actor';
import type { Database } from '../db/database';
import { events } from '../db/schema/events';

/** Writes down who did what. */
export async function logEvent(
  { orm }: Pick<Database, 'orm'>,
  actor: Actor,
  event: { readonly siteId: number; readonly verb: string; readonly details: string },
): Promise<void> {
  await orm.insert(events).values({ ...event, actor: actor.name });
}
