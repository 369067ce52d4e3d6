/** Records a site's picture files: bytes, type and pixel size. A file whose size and date are known is not opened. */
import type { PoolClient } from 'pg';
import { isPictureAddress } from '@/core/address/resolve-address';
import type { ReadableConnection, SiteFile } from '../connections/connection';
import { sha256 } from '../hash';
import { inspectImage } from '../imaging/inspect-image';
import { problemOf } from '../problem-error';

const MAX_FILE_BYTES = 200 * 1024 ** 2;

interface KnownFile {
  readonly path: string;
  readonly size_bytes: string | null;
  readonly modified_ms: string | null;
}

interface FileFacts {
  readonly sha256: string | null;
  readonly widthPx: number | null;
  readonly heightPx: number | null;
  readonly format: string | null;
  readonly problem: string | null;
}

/** Writes the files of a listing, those that pages ask for and that are missing, and those that are gone. */
export async function surveyFiles(
  client: PoolClient,
  connection: ReadableConnection,
  { siteId, survey, files }: { siteId: number; survey: number; files: readonly SiteFile[] },
): Promise<number> {
  const { rows } = await client.query<KnownFile>(
    'select path, size_bytes, modified_ms from files where site_id = $1 and gone_in is null and sha256 is not null',
    [siteId],
  );
  const known = new Map(rows.map((row) => [row.path, row]));
  const pictures = files.filter(({ path }) => isPictureAddress({ kind: 'site', path }));
  for (const file of pictures) {
    const before = known.get(file.path);
    const modifiedMs = file.modifiedMs === null ? null : Math.round(file.modifiedMs);
    const isSame =
      before &&
      Number(before.size_bytes) === file.sizeBytes &&
      modifiedMs !== null &&
      Number(before.modified_ms) === modifiedMs;
    if (isSame) continue;
    const facts = await factsOf(connection, file);
    await client.query(
      `insert into files (site_id, path, sha256, size_bytes, width_px, height_px, format, problem, modified_ms, seen_in)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
       on conflict (site_id, path) do update set sha256 = excluded.sha256, size_bytes = excluded.size_bytes,
         width_px = excluded.width_px, height_px = excluded.height_px, format = excluded.format,
         problem = excluded.problem, modified_ms = excluded.modified_ms, gone_in = null`,
      [
        siteId,
        file.path,
        facts.sha256,
        file.sizeBytes,
        facts.widthPx,
        facts.heightPx,
        facts.format,
        facts.problem,
        modifiedMs,
        survey,
      ],
    );
  }
  await closeGone(client, siteId, { survey, paths: pictures.map(({ path }) => path) });
  return pictures.length;
}

async function factsOf(connection: ReadableConnection, file: SiteFile): Promise<FileFacts> {
  const nothing = { sha256: null, widthPx: null, heightPx: null, format: null };
  if (file.sizeBytes > MAX_FILE_BYTES)
    return { ...nothing, problem: 'The file is larger than 200 MB and was not opened.' };
  const bytes = await connection.read(file.path);
  try {
    const { widthPx, heightPx, format } = await inspectImage(bytes, file.path.split('/').at(-1) ?? file.path);
    return { sha256: sha256(bytes), widthPx, heightPx, format, problem: null };
  } catch (error) {
    const { what, why } = problemOf(error);
    return { ...nothing, sha256: sha256(bytes), problem: `${what} ${why}` };
  }
}

/** Files that are gone are marked; those that pages still ask for stay listed, without bytes, as missing. */
async function closeGone(
  client: PoolClient,
  siteId: number,
  { survey, paths }: { survey: number; paths: readonly string[] },
): Promise<void> {
  await client.query(
    'update files set gone_in = $2 where site_id = $1 and gone_in is null and not (path = any($3::text[]))',
    [siteId, survey, paths],
  );
  await client.query(
    `insert into files (site_id, path, seen_in)
     select distinct site_id, file_path, $2::int from placements
     where site_id = $1 and until_survey is null and file_path is not null and not (file_path = any($3::text[]))
       and kind not in ('video', 'audio')
     on conflict (site_id, path) do update set sha256 = null, size_bytes = null, width_px = null, height_px = null,
       format = null, problem = null, modified_ms = null, gone_in = null`,
    [siteId, survey, paths],
  );
}
