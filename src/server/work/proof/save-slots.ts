import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { insertRows } from '../../db/insert-rows';
import { pages, slots } from '../../db/schema/content';
import { and, eq } from 'drizzle-orm';
import { openProofSite, placementsInProof } from './make-proof';

export interface MeasuredPlace {
  /** Number of the place in its page's proof, from 1. */
  readonly number: number;
  /** CSS pixels. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly fit: string;
  readonly isSeen: boolean;
}

/** Keeps the spaces that a reader's browser gave the places of a page; those of an earlier measuring go. */
export async function saveSlots(
  db: Database,
  actor: Actor,
  { siteId, pageId }: { readonly siteId: number; readonly pageId: number },
  { width, places }: { readonly width: 'desktop' | 'phone'; readonly places: readonly MeasuredPlace[] },
): Promise<void> {
  requireRole(actor, EDITORS, 'keep what was measured');
  const [page] = await db.orm
    .select()
    .from(pages)
    .where(and(eq(pages.siteId, siteId), eq(pages.id, pageId)));
  if (!page) return;
  const found = await placementsInProof(await openProofSite(db, siteId, 'live'), page.path);
  const rows = new Map<string, typeof slots.$inferInsert>();
  for (const { number, isSeen, x, y, width: widthPx, height: heightPx, fit } of places) {
    const placement = found[number - 1];
    if (!placement || !isSeen) continue;
    const { source: sourcePath, start } = placement;
    const at = { siteId, pagePath: page.path, sha256: page.sha256, sourcePath, start, width };
    rows.set(`${sourcePath}#${start}`, { ...at, x, y, widthPx, heightPx, fit });
  }
  await db.pool.query('delete from slots where site_id = $1 and page_path = $2 and width = $3', [
    siteId,
    page.path,
    width,
  ]);
  await insertRows(db.pool, slots, [...rows.values()], {
    onConflict: ['site_id', 'page_path', 'width', 'source_path', 'start'],
  });
}
