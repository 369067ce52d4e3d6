/** How the pictures of a surveyed site belong together, as far as rights ask for it. */
import type { Family } from '@/core/picture/families';
import type { Twin } from '@/core/picture/family-state';
import type { Link } from '@/core/picture/judge';
import type { RecordIndex } from '@/core/rights/record-index';
import { renditionsOf, type Rendition } from '@/core/rights/renditions';
import type { Database } from '../../db/database';
import { recentPrints } from '../../imaging/recent-prints';
import { storedPrint } from '../pictures/stored-prints';

interface FileOfPicture {
  readonly path: string;
  readonly sha256: string;
  readonly picture_id: number;
  readonly is_master: boolean;
  readonly link: Link | null;
  readonly width_px: number;
  readonly height_px: number;
  readonly twin: Twin | null;
}

/** @returns by address, for every file whose picture is known */
export async function storedRenditions(
  { pool }: Database,
  siteId: number,
  records: RecordIndex,
): Promise<Map<string, Rendition>> {
  const { rows } = await pool.query<FileOfPicture>(
    `select f.path, f.sha256, f.picture_id, f.is_master, f.link, l.width_px, l.height_px, p.twin
     from files f join looks l on l.sha256 = f.sha256 and l.problem is null join pictures p on p.id = f.picture_id
     where f.site_id = $1 and f.gone_in is null order by f.path`,
    [siteId],
  );
  const byId = new Map<string, { paths: string[]; widthPx: number; heightPx: number }>();
  const families = new Map<number, Family & { members: Family['members'][number][] }>();
  for (const row of rows) {
    const known = byId.get(row.sha256);
    if (known) {
      known.paths.push(row.path);
      continue;
    }
    byId.set(row.sha256, { paths: [row.path], widthPx: row.width_px, heightPx: row.height_px });
    const family = families.get(row.picture_id) ?? {
      master: row.sha256,
      members: [],
      twins: row.twin ? [row.twin] : [],
    };
    family.members.push({ id: row.sha256, isMaster: row.is_master, link: row.link });
    families.set(row.picture_id, row.is_master ? { ...family, master: row.sha256 } : family);
  }
  return renditionsOf([...families.values()], {
    addressesOf: (id) => byId.get(id)?.paths ?? [],
    sizeOf: (id) => byId.get(id) ?? { widthPx: 1, heightPx: 1 },
    looksOf: recentPrints(storedPrint),
    isNamed: (address) => records.names(address),
  });
}
