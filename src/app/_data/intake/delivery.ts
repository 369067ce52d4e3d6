import 'server-only';
import type { Actor } from '@/server/accounts/actor';
import type { IntakeFinding } from '@/core/intake/findings';
import { database } from '@/server/db/database';
import type { UploadState } from '@/server/db/schema/editions';
import { openDelivery } from '@/server/work/intake/deliveries';

/** A line of a delivery: a picture that arrived. */
export interface DeliveryLine {
  readonly id: number;
  readonly sha256: string;
  readonly fileName: string;
  readonly entry: string;
  readonly title: string;
  readonly alt: string;
  readonly caption: string;
  readonly credit: string;
  readonly folder: string;
  readonly tags: readonly string[];
  readonly widthPx: number;
  readonly heightPx: number;
  readonly sizeBytes: number;
  readonly takenYear: number | null;
  readonly source: string | null;
  /** `null` until it was looked at. */
  readonly findings: readonly LineFinding[] | null;
  readonly isChecked: boolean;
  readonly isStruck: boolean;
  /** Whether it was made anew from what came. */
  readonly isRevised: boolean;
  readonly format: string;
}

/** With the record of the file that it speaks of, where it speaks of one. */
export type LineFinding = IntakeFinding & { readonly fileId?: number | undefined };

/** A file on its way, or one that was not taken. */
export interface UploadRow {
  readonly id: string;
  readonly fileName: string;
  readonly fingerprint: string;
  readonly state: UploadState;
  readonly problem: { readonly what: string; readonly why: string; readonly remedy: string } | null;
}

export interface DeliveryView {
  readonly number: number;
  readonly lines: readonly DeliveryLine[];
  readonly uploads: readonly UploadRow[];
}

/** The delivery that somebody has open on a site, `null` where there is none. */
export async function deliveryOf(actor: Actor, siteId: number): Promise<DeliveryView | null> {
  const open = await openDelivery(database(), actor, siteId);
  if (!open) return null;
  const { pool } = database();
  const { rows: lines } = await pool.query<DeliveryLine>(
    `select id, sha256, file_name as "fileName", entry, title, alt, caption, credit, folder, tags,
       width_px as "widthPx", height_px as "heightPx", size_bytes as "sizeBytes", taken_year as "takenYear",
       source ->> 'address' as source, findings, checked_at is not null as "isChecked", struck_at is not null as "isStruck",
       original_sha is not null as "isRevised", format
     from intake where delivery_id = $1 order by id`,
    [open.id],
  );
  const { rows: uploads } = await pool.query<UploadRow>(
    `select id, file_name as "fileName", fingerprint, state, problem from uploads where delivery_id = $1 order by started_at, id`,
    [open.id],
  );
  const ids = await fileIds(siteId, lines);
  return {
    number: open.number,
    lines: lines.map((line) => ({
      ...line,
      findings:
        line.findings?.map((found) =>
          'path' in found ? { ...found, fileId: ids.get(found.path) } : found,
        ) ?? null,
    })),
    uploads,
  };
}

/** The record of each file that findings speak of. */
async function fileIds(siteId: number, lines: readonly DeliveryLine[]): Promise<Map<string, number>> {
  const paths = lines.flatMap(({ findings }) =>
    (findings ?? []).flatMap((found) => ('path' in found ? [found.path] : [])),
  );
  const { rows } = await database().pool.query<{ id: number; path: string }>(
    'select id, path from files where site_id = $1 and gone_in is null and path = any($2)',
    [siteId, paths],
  );
  return new Map(rows.map(({ id, path }) => [path, id]));
}
