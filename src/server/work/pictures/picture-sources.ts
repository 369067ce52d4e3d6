/** What is asked of the database to judge pictures: their files, the places that show them, what people said. */
import type { Subject } from '@/core/dating/changed-subject';
import type { PictureKind } from '@/core/dating/shelf-life';
import type { DrawnSign } from '@/core/picture/drawn-signs';
import type { PlacementKind } from '@/core/markup/kinds/kind';
import type { KnownPlace } from '@/core/picture/know-picture';
import { numberedBeside, photosBeside, type InRow } from '@/core/picture/rows-of-pictures';
import type { Teaching } from '@/core/picture/leftover-strength';
import type { Database } from '../../db/database';
import type { EmbeddedMetadata } from '../../imaging/read-metadata';

interface FileOfPicture {
  readonly path: string;
  readonly width_px: number;
  readonly height_px: number;
  readonly modified_ms: number | null;
  readonly is_master: boolean;
  readonly metadata: EmbeddedMetadata;
  readonly emptiness: number;
  readonly sign: DrawnSign | null;
  readonly read_text: string | null;
  readonly teaching: Teaching | null;
  readonly title: string | null;
}

interface PlaceOfPicture extends KnownPlace {
  readonly kind: PlacementKind;
  /** Where its element stands in the structure of the page. */
  readonly element: string;
  /** Where the link around it leads. */
  readonly href: string | null;
  /** Who answers for the section of its page. */
  readonly owner: string | null;
}

export interface PictureToJudge {
  readonly id: number;
  readonly kind: PictureKind | null;
  readonly kind_reason: string;
  readonly is_kind_settled: boolean;
  readonly files: readonly FileOfPicture[];
  readonly places: readonly PlaceOfPicture[] | null;
  readonly subjects: readonly Subject[] | null;
}

/** Pictures of a site by their numbers, with all that they are judged by. */
export async function picturesToJudge(
  { pool }: Database,
  siteId: number,
  ids: readonly number[],
): Promise<PictureToJudge[]> {
  const { rows } = await pool.query<PictureToJudge>(TO_JUDGE, [siteId, ids]);
  return rows;
}

const TO_JUDGE = `
  select p.id, p.kind, p.kind_reason, p.is_kind_settled,
    (select jsonb_agg(jsonb_build_object('path', f.path, 'width_px', f.width_px, 'height_px', f.height_px,
        'modified_ms', f.modified_ms, 'is_master', f.is_master, 'metadata', l.metadata, 'emptiness', l.emptiness, 'sign', l.sign, 'read_text', d.text,
        'teaching', t.teaching, 'title', n.title) order by f.is_master desc, f.path)
      from files f join looks l on l.sha256 = f.sha256 left join teachings t on t.site_id = f.site_id and t.sha256 = f.sha256
        left join titles n on n.site_id = f.site_id and n.sha256 = f.sha256 left join readings d on d.sha256 = f.sha256
      where f.picture_id = p.id and f.gone_in is null) as files,
    (select jsonb_agg(jsonb_build_object('file', f.path, 'kind', x.kind, 'element', split_part(x.spot, '|', 1), 'alt', x.alt,
        'entry', x.context -> 'entry', 'row', x.context -> 'group' -> 'path', 'href', x.link -> 'href', 'caption', x.caption, 'headings', x.context -> 'headings',
        'near', concat_ws(' ', x.context ->> 'before', x.context ->> 'after'), 'page', x.page_path,
        'title', coalesce(g.title, ''), 'section', coalesce(g.section, ''), 'owner', s.owner_id))
      from files f join placements x on x.site_id = f.site_id and x.file_path = f.path and x.until_survey is null and not x.dormant
      left join pages g on g.site_id = x.site_id and g.path = x.page_path
      left join sections s on s.site_id = g.site_id and s.pattern = g.section
      where f.picture_id = p.id and f.gone_in is null) as places,
    (select jsonb_agg(distinct jsonb_build_object('id', s.id, 'name', s.name, 'kind', s.kind, 'changedOn', s.changed_on, 'changedHow', s.changed_how))
      from files f join picture_subjects ps on ps.site_id = f.site_id and ps.sha256 = f.sha256 join subjects s on s.id = ps.subject_id
      where f.picture_id = p.id and f.gone_in is null) as subjects
  from pictures p where p.site_id = $1 and p.id = any($2::int[])
    and exists (select 1 from files f where f.picture_id = p.id and f.gone_in is null)`;

/** What the files and rows of a whole site tell of its pictures, by the paths of their files. */
export interface SiteAround {
  readonly numbered: (path: string) => number;
  readonly photos: (path: string) => number;
}

/** @param only the pictures that are to be judged; all of the site where it is left out */
export async function siteAround(
  { pool }: Database,
  siteId: number,
  only?: readonly number[],
): Promise<SiteAround> {
  const { rows: files } = await pool.query<{ path: string; emptiness: number | null }>(
    `select f.path, l.emptiness from files f left join looks l on l.sha256 = f.sha256 and l.problem is null
     where f.site_id = $1 and f.gone_in is null`,
    [siteId],
  );
  const { rows: places } = await pool.query<InRow>(
    `select x.file_path as path, x.page_path || ' ' || (x.context -> 'group' ->> 'path') as row from placements x
     where x.site_id = $1 and x.until_survey is null and not x.dormant and x.file_path is not null
       and x.kind in ('img', 'lazy', 'srcset') and x.context -> 'group' ->> 'path' is not null
       and ($2::int[] is null or x.page_path in (select y.page_path from placements y join files f on f.site_id = y.site_id
         and f.path = y.file_path and f.gone_in is null where y.site_id = $1 and y.until_survey is null and f.picture_id = any($2)))`,
    [siteId, only ?? null],
  );
  const emptiness = new Map(files.map((file) => [file.path, file.emptiness ?? undefined]));
  return {
    numbered: numberedBeside(emptiness.keys()),
    photos: photosBeside(places, (path) => emptiness.get(path)),
  };
}
