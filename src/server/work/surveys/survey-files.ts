/** Records a site's picture files: bytes, type and pixel size. A file whose size and date are known is not opened. */
import type { PoolClient } from 'pg';
import { nearMisses } from '@/core/address/near-miss';
import { isPictureAddress } from '@/core/address/resolve-address';
import type { ReadableConnection, SiteFile, SkippedEntry } from '../../connections/connection';
import { readOrTell, tooLargeToOpen, type OnUnread } from '../../connections/site-sources';
import { insertRows } from '../../db/insert-rows';
import { files as filesTable } from '../../db/schema/content';
import { sha256 } from '../../hash';
import { inspectImage } from '../../imaging/inspect-image';
import { problemOf } from '../../problem-error';

interface KnownFile {
  readonly path: string;
  readonly sha256: string;
  readonly size_bytes: string | null;
  readonly modified_ms: string | null;
  readonly replaced_in: number | null;
  readonly replaced_sha: string | null;
  readonly replaced_alike: boolean | null;
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
  {
    siteId,
    survey,
    files,
    isEnding,
    onProgress,
  }: {
    siteId: number;
    survey: number;
    files: readonly SiteFile[];
    /** Whether no more files should be opened: those left are opened by the next survey. */
    isEnding: () => boolean;
    onProgress: (done: number, total: number) => void;
  },
): Promise<{ readonly files: number; readonly changed: number; readonly unread: readonly SkippedEntry[] }> {
  const { rows } = await client.query<KnownFile>(
    'select path, sha256, size_bytes, modified_ms, replaced_in, replaced_sha, replaced_alike from files where site_id = $1 and gone_in is null and sha256 is not null',
    [siteId],
  );
  const known = new Map(rows.map((row) => [row.path, row]));
  const found = connection.find ? await connection.find(await wantedPaths(client, siteId, files)) : [];
  const all = [...files, ...found];
  const pictures = picturesOf(all);
  const changed = pictures.filter(
    (file) => !isSame(file, known.get(file.path), connection.hashOf?.(file.path)),
  );
  const unread: SkippedEntry[] = [];
  let written = 0;
  for (let from = 0; from < changed.length && !isEnding(); from += AT_ONCE) {
    onProgress(from, changed.length);
    const read = await Promise.all(
      changed.slice(from, from + AT_ONCE).map(async (file) => {
        const { isUnread = false, ...facts } = await factsOf(connection, file);
        if (isUnread) unread.push({ path: file.url ?? file.path, reason: facts.problem ?? '' });
        return { file, facts, stands: isUnread && known.has(file.path) };
      }),
    );
    // What can't be had just now stands as it was.
    const fresh = read.filter(({ stands }) => !stands);
    written += fresh.length;
    await insertRows(
      client,
      filesTable,
      fresh.map(({ file, facts }) => ({
        siteId,
        path: file.path,
        ...facts,
        ...replacing(known.get(file.path), facts.sha256, survey),
        sizeBytes: file.problem === undefined ? file.sizeBytes : null,
        modifiedMs: roundedMs(file),
        nearPath: null,
        nearKind: null,
        seenIn: survey,
        goneIn: null,
      })),
      { onConflict: ['site_id', 'path'], keeps: ['seen_in'] },
    );
  }
  const paths = pictures.map(({ path }) => path);
  const gone = await closeGone(client, siteId, { survey, paths });
  await nameNearMisses(client, siteId, all);
  return { files: pictures.length, changed: written + gone, unread };
}

/** The pictures among files, by what they were found as, or by their names. */
export function picturesOf(files: readonly SiteFile[]): SiteFile[] {
  return files.filter(
    ({ path, role }) => role === 'file' || (!role && isPictureAddress({ kind: 'site', path })),
  );
}

/** What a file was before its bytes became others; kept where they are the same as before. */
function replacing(before: KnownFile | undefined, now: string | null, survey: number) {
  if (!before || before.sha256 === now) {
    const { replaced_in = null, replaced_sha = null, replaced_alike = null } = before ?? {};
    return { replacedIn: replaced_in, replacedSha: replaced_sha, replacedAlike: replaced_alike };
  }
  // What was put back is what its words were written for.
  if (now === before.replaced_sha) return { replacedIn: null, replacedSha: null, replacedAlike: null };
  return { replacedIn: survey, replacedSha: before.sha256, replacedAlike: null };
}

/** Files that are opened side by side. */
const AT_ONCE = 8;

/** On a live site: the files its pages name, which no listing shows. */
async function wantedPaths(
  client: PoolClient,
  siteId: number,
  files: readonly SiteFile[],
): Promise<string[]> {
  const { rows } = await client.query<{ path: string }>(
    `select distinct file_path as path from placements
     where site_id = $1 and until_survey is null and file_path is not null and kind not in ('video', 'audio')
       and not (file_path = any($2::text[]))`,
    [siteId, files.map(({ path }) => path)],
  );
  return rows.map(({ path }) => path);
}

const roundedMs = ({ modifiedMs }: SiteFile): number | null =>
  modifiedMs === null ? null : Math.round(modifiedMs);

function isSame(file: SiteFile, before: KnownFile | undefined, hash: string | undefined): boolean {
  if (file.problem !== undefined) return false;
  if (before && hash !== undefined) return before.sha256 === hash;
  const modifiedMs = roundedMs(file);
  if (!before || modifiedMs === null) return false;
  return Number(before.size_bytes) === file.sizeBytes && Number(before.modified_ms) === modifiedMs;
}

/** Says of missing files which one is there under nearly the same name. */
async function nameNearMisses(client: PoolClient, siteId: number, files: readonly SiteFile[]): Promise<void> {
  const { rows } = await client.query<{ id: number; path: string }>(
    'select id, path from files where site_id = $1 and sha256 is null and problem is null and gone_in is null',
    [siteId],
  );
  if (rows.length === 0) return;
  const find = nearMisses(files.map(({ path }) => path));
  const near = rows.map(({ path }) => find(path));
  await client.query(
    `update files f set near_path = v.path, near_kind = v.kind
     from unnest($1::int[], $2::text[], $3::text[]) as v(id, path, kind)
     where f.id = v.id and (f.near_path, f.near_kind) is distinct from (v.path, v.kind)`,
    [
      rows.map(({ id }) => id),
      near.map((miss) => miss?.path ?? null),
      near.map((miss) => miss?.kind ?? null),
    ],
  );
}

/** What a file's bytes tell; `isUnread` where they can't be had. */
async function factsOf(
  connection: ReadableConnection,
  file: SiteFile,
): Promise<FileFacts & { readonly isUnread?: boolean }> {
  const nothing = { sha256: null, widthPx: null, heightPx: null, format: null };
  let problem = file.problem ?? '';
  const tooLarge = tooLargeToOpen(file);
  if (tooLarge !== null) return { ...nothing, problem: tooLarge };
  const tell: OnUnread = ({ reason }) => void (problem = reason);
  const bytes = file.problem === undefined ? await readOrTell(connection, file.path, tell) : null;
  if (!bytes) return { ...nothing, problem, isUnread: true };
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
): Promise<number> {
  const asked = `select 1 from placements x where x.site_id = f.site_id and x.file_path = f.path
    and x.until_survey is null and x.kind not in ('video', 'audio')`;
  const { rowCount: gone } = await client.query(
    `update files f set gone_in = $2 where site_id = $1 and gone_in is null and not (path = any($3::text[]))
       and (sha256 is not null or not exists (${asked}))`,
    [siteId, survey, paths],
  );
  const { rowCount: lost } = await client.query(
    `insert into files (site_id, path, seen_in)
     select distinct site_id, file_path, $2::int from placements
     where site_id = $1 and until_survey is null and file_path is not null and not (file_path = any($3::text[]))
       and kind not in ('video', 'audio')
     on conflict (site_id, path) do update set sha256 = null, size_bytes = null, width_px = null, height_px = null,
       format = null, problem = null, modified_ms = null, gone_in = null
     where files.sha256 is not null or files.gone_in is not null or files.problem is not null`,
    [siteId, survey, paths],
  );
  return (gone ?? 0) + (lost ?? 0);
}
