import type { NearMiss } from '@/core/address/near-miss';
import type { ChangedSubject } from '@/core/dating/changed-subject';
import type { DateEvidence } from '@/core/dating/date-evidence';
import type { PictureKind } from '@/core/dating/shelf-life';
import type { PictureFacts, TurnedTwin } from '@/core/errata/page-to-check';
import type { PlaceholderClue } from '@/core/picture/leftover-strength';
import type { Database } from '../../db/database';
import type { EmbeddedMetadata } from '../../imaging/read-metadata';

interface Row {
  readonly path: string;
  readonly is_there: boolean;
  readonly near_path: string | null;
  readonly near_kind: NearMiss['kind'] | null;
  readonly width_px: number | null;
  readonly height_px: number | null;
  readonly size_bytes: string | null;
  readonly format: string | null;
  readonly modified_ms: string | null;
  readonly master_modified_ms: string | null;
  readonly master_path: string | null;
  readonly picture_id: number | null;
  readonly kind: PictureKind | null;
  readonly taken_from: number | null;
  readonly taken_until: number | null;
  readonly because: readonly DateEvidence[] | null;
  readonly against: readonly DateEvidence[] | null;
  readonly current_until: number | null;
  readonly overdue: number | null;
  readonly changed: ChangedSubject | null;
  readonly is_placeholder: boolean | null;
  readonly clues: readonly PlaceholderClue[] | null;
  readonly metadata: EmbeddedMetadata | null;
  readonly alt_texts: Record<string, number> | null;
  readonly read_text: string | null;
  readonly people: readonly string[];
  readonly same_bytes: string | null;
  readonly twin: TurnedTwin | null;
}

const numberOf = (text: string | null) => (text === null ? null : Number(text));

/** What is known of some files and their pictures, by path. */
export async function picturesShown(
  { pool }: Database,
  siteId: number,
  paths: readonly string[],
): Promise<Map<string, PictureFacts>> {
  const { rows } = await pool.query<Row>(
    `select f.path, f.sha256 is not null or f.problem is not null as is_there, f.near_path, f.near_kind, f.width_px, f.height_px, f.size_bytes, f.format, f.modified_ms,
       m.modified_ms as master_modified_ms, m.path as master_path, f.picture_id, p.kind, p.taken_from, p.taken_until, p.because, p.against,
       p.current_until, p.overdue, p.changed, p.is_placeholder and p.leftover_files ? f.path as is_placeholder, p.clues, l.metadata, p.alt_texts, t.text as read_text,
       array(select distinct s.name from picture_subjects ps join subjects s on s.id = ps.subject_id and s.kind = 'person'
         join files g on g.site_id = ps.site_id and g.sha256 = ps.sha256 and g.gone_in is null
         where ps.site_id = f.site_id and g.picture_id = f.picture_id order by 1) as people,
       (select g.path from files g where g.site_id = f.site_id and g.sha256 = f.sha256 and g.gone_in is null
         and (length(g.path), g.path) < (length(f.path), f.path) order by length(g.path), g.path limit 1) as same_bytes,
       p.twin || jsonb_build_object('path', (select min(g.path) from files g where g.site_id = f.site_id and g.sha256 = p.twin ->> 'to' and g.gone_in is null)) as twin
     from files f left join pictures p on p.id = f.picture_id left join looks l on l.sha256 = f.sha256 left join readings t on t.sha256 = p.master_sha
     left join lateral (select g.path, g.modified_ms from files g where g.picture_id = f.picture_id and g.is_master and g.gone_in is null
       order by g.path limit 1) m on true
     where f.site_id = $1 and f.gone_in is null and f.path = any($2::text[])`,
    [siteId, paths],
  );
  return new Map(rows.map((row) => [row.path, factsOf(row)]));
}

function factsOf(row: Row): PictureFacts {
  const {
    taken_from: from,
    taken_until: until,
    because,
    against,
    near_path: near,
    near_kind: nearKind,
  } = row;
  return {
    path: row.path,
    isThere: row.is_there,
    near: near !== null && nearKind !== null ? { path: near, kind: nearKind } : null,
    ...{ widthPx: row.width_px, heightPx: row.height_px, format: row.format },
    sizeBytes: numberOf(row.size_bytes),
    modifiedMs: numberOf(row.modified_ms),
    masterModifiedMs: numberOf(row.master_modified_ms),
    ...{ masterPath: row.master_path, pictureId: row.picture_id, kind: row.kind },
    dating: because && { from, until, because, against: against ?? [], belief: 0 },
    ...{ currentUntil: row.current_until, overdue: row.overdue ?? 0, changed: row.changed },
    leftoverClues: row.is_placeholder
      ? (row.clues ?? []).flatMap(({ weight, text }) => (weight > 0 ? [text] : []))
      : [],
    embedded: row.metadata?.altText ?? row.metadata?.description ?? null,
    embeddedTitle: row.metadata?.title ?? null,
    readText: row.read_text,
    credit: row.metadata?.credit ?? row.metadata?.creator ?? null,
    ...{ people: row.people, sameBytes: row.same_bytes, twin: row.twin },
    altTexts: row.alt_texts ?? {},
  };
}
