/** The spaces that a reader's browser gave places when their pages were opened as proofs, and what they add to the markup. */
import type { DeclaredSlot } from '@/core/markup/placement';
import type { PixelSize } from '@/core/swap/slot';
import type { Database } from '../../db/database';
import type { placements } from '../../db/schema/content';

type Place = Pick<typeof placements.$inferSelect, 'kind' | 'declared'>;

/** Sizes in CSS pixels of those of some places, by their ids, whose very pages were measured as they are now. */
export async function measuredSlots(
  { pool }: Database,
  siteId: number,
  placementIds: readonly number[],
): Promise<Map<number, PixelSize>> {
  const { rows } = await pool.query<{ id: string; width_px: number; height_px: number }>(
    `select l.id, s.width_px, s.height_px from placements l
       join slots s on s.site_id = l.site_id and s.page_path = l.page_path and s.source_path = l.source_path
         and s.start = l.start and s.width = 'desktop'
       join pages p on p.site_id = s.site_id and p.path = s.page_path and p.sha256 = s.sha256
     where l.site_id = $1 and l.id = any($2::bigint[])`,
    [siteId, placementIds],
  );
  return new Map(
    rows.map(({ id, width_px, height_px }) => [
      Number(id),
      { widthPx: Math.round(width_px), heightPx: Math.round(height_px) },
    ]),
  );
}

/** What a place declares, completed by what was measured of it. */
export function withMeasured({ kind, declared }: Place, measured: PixelSize | null): DeclaredSlot {
  // An enlarge target, an icon or a share picture has no space of its own on the page.
  if (!MEASURABLE.has(kind) || declared.widthPx !== null || declared.heightPx !== null) return declared;
  return measured ? { ...declared, ...measured } : declared;
}

const MEASURABLE = new Set(['img', 'input', 'svg-image', 'poster']);

/** Where a sheet sets another width, a list would change it: then the file's own decides, or the sizes of the list. */
export const isAsWideAsItSays = ({ declared }: Place, measured: PixelSize | null): boolean =>
  measured === null || Math.abs(measured.widthPx - (declared.widthPx ?? 0)) <= 1;
