import 'server-only';
import { playerOf } from '@/core/swap/clip';
import { database } from '@/server/db/database';

/** Places that play a clip or a sound. */
const PLAYS = `x.until_survey is null and x.kind in ('video', 'audio') and x.file_path is not null`;

const CLIP_ROWS = 50;
export const CLIPS_A_SHEET = CLIP_ROWS;

export interface ClipRow {
  readonly path: string;
  readonly kind: 'video' | 'audio';
  readonly places: number;
  readonly pages: number;
  readonly firstPage: string;
  readonly all: number;
}

/** The clips and sounds that pages play, those on most pages first. */
export async function clipsOfSite(siteId: number, sheet: number): Promise<ClipRow[]> {
  const { rows } = await database().pool.query<ClipRow>(
    `select x.file_path as path, min(x.kind) as kind, count(*)::int as places, count(distinct x.page_path)::int as pages,
       min(x.page_path) as "firstPage", count(*) over ()::int as all
     from placements x where x.site_id = $1 and ${PLAYS}
     group by x.file_path order by pages desc, x.file_path limit ${CLIP_ROWS} offset $2`,
    [siteId, (sheet - 1) * CLIP_ROWS],
  );
  return rows;
}

export async function countClips(siteId: number): Promise<number> {
  const { rows } = await database().pool.query<{ clips: number }>(
    `select count(distinct x.file_path)::int as clips from placements x where x.site_id = $1 and ${PLAYS}`,
    [siteId],
  );
  return rows[0]?.clips ?? 0;
}

export interface ClipPlaceRow {
  readonly id: number;
  readonly page: string;
  readonly pageId: number;
  readonly line: number;
  readonly kind: 'video' | 'audio';
  readonly type: string | null;
  readonly heading: string | null;
  readonly caption: string | null;
  /** Other files that its player offers: a browser plays the first that it can. */
  readonly others: readonly string[];
  /** Its still, where it has one that is a file of the site. */
  readonly still: { readonly id: number; readonly path: string; readonly sha256: string | null } | null;
}

interface PlayerRow extends Omit<ClipPlaceRow, 'others' | 'still' | 'kind'> {
  readonly path: string;
  readonly kind: ClipPlaceRow['kind'] | 'poster';
  readonly spot: string;
  readonly fileId: number | null;
  readonly sha256: string | null;
}

/** The places that play a file, page by page, each with what else its player has. */
export async function placesOfClip(siteId: number, path: string): Promise<ClipPlaceRow[]> {
  const { rows } = await database().pool.query<PlayerRow>(
    `select x.id::int as id, x.page_path as page, p.id as "pageId", x.line, x.kind, x.declared ->> 'type' as type, x.caption,
       x.context -> 'headings' ->> -1 as heading, x.file_path as path, x.spot, f.id as "fileId", f.sha256
     from placements x join pages p on p.site_id = x.site_id and p.path = x.page_path
     left join files f on f.site_id = x.site_id and f.path = x.file_path and f.gone_in is null
     where x.site_id = $1 and x.until_survey is null and x.kind in ('video', 'audio', 'poster') and x.file_path is not null
       and x.page_path in (select page_path from placements x where site_id = $1 and file_path = $2 and ${PLAYS})
     order by x.page_path, x.ordinal`,
    [siteId, path],
  );
  const players = new Map<string, PlayerRow[]>();
  const nameOf = ({ page, spot }: PlayerRow) => `${page}\n${playerOf(spot)}`;
  for (const one of rows) {
    const others = players.get(nameOf(one));
    if (others) others.push(one);
    else players.set(nameOf(one), [one]);
  }
  const besideIt = (one: PlayerRow) => (players.get(nameOf(one)) ?? []).filter((other) => other !== one);
  return rows.flatMap((one) => {
    if (one.kind === 'poster' || one.path !== path) return [];
    const beside = besideIt(one);
    const still = beside.find(({ kind }) => kind === 'poster');
    const { spot: _spot, fileId: _fileId, sha256: _sha, path: _path, ...place } = one;
    return [
      {
        ...place,
        kind: one.kind,
        others: beside.flatMap((other) => (other.kind === 'poster' ? [] : [other.path])),
        still: still?.fileId ? { id: still.fileId, path: still.path, sha256: still.sha256 } : null,
      },
    ];
  });
}
