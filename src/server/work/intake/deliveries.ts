/** Deliveries: pictures that arrive together. Somebody who brings pictures in has one open at a time. */
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { deliveries, uploads } from '../../db/schema/editions';
import { logEvent } from '../log-event';
import { dropBytes } from './uploads-folder';

export type Delivery = typeof deliveries.$inferSelect;

/** The delivery that an actor has open on a site, `null` where there is none. */
export async function openDelivery(
  { orm }: Database,
  actor: Actor,
  siteId: number,
): Promise<Delivery | null> {
  const [open] = await orm
    .select()
    .from(deliveries)
    .where(
      and(eq(deliveries.siteId, siteId), eq(deliveries.openedBy, actor.name), isNull(deliveries.closedAt)),
    )
    .orderBy(desc(deliveries.number))
    .limit(1);
  return open ?? null;
}

/** The delivery that an actor has open on a site; a new one where there is none. */
export async function needDelivery(db: Database, actor: Actor, siteId: number): Promise<Delivery> {
  requireRole(actor, EDITORS, 'bring in pictures');
  return asOne(db, async (tx) => {
    // Two windows that begin at once share one.
    await tx.pool.query(`select pg_advisory_xact_lock(hashtext('delivery'), $1)`, [siteId]);
    const open = await openDelivery(tx, actor, siteId);
    if (open) return open;
    const [made] = await tx.orm
      .insert(deliveries)
      .values({
        siteId,
        openedBy: actor.name,
        number: sql`(select coalesce(max(number), 0) + 1 from deliveries where site_id = ${siteId})`,
      })
      .returning();
    if (!made) throw new Error('the new delivery was not returned');
    await logEvent(tx, actor, { siteId, verb: 'open a delivery', details: String(made.number) });
    return made;
  });
}

/** Puts a delivery aside: nothing arrives in it any more, and what came with it stays in the intake. */
export async function closeDelivery(db: Database, actor: Actor, siteId: number): Promise<void> {
  requireRole(actor, EDITORS, 'bring in pictures');
  const open = await openDelivery(db, actor, siteId);
  if (!open) return;
  // What has not arrived whole can't any more: it would come into a delivery that nobody sees.
  const halves = await db.orm
    .delete(uploads)
    .where(and(eq(uploads.deliveryId, open.id), eq(uploads.state, 'arriving')))
    .returning({ id: uploads.id });
  for (const { id } of halves) await dropBytes(id);
  await db.orm.update(deliveries).set({ closedAt: new Date() }).where(eq(deliveries.id, open.id));
  await logEvent(db, actor, { siteId, verb: 'close a delivery', details: String(open.number) });
}
