/** Makes sure that nothing on a site names a file before it is taken off: not only places, but every text it holds. */
import { eq } from 'drizzle-orm';
import { applyEdits } from '@/core/edit/apply-edits';
import type { SourceEdit } from '@/core/edit/source-edit';
import { withoutMoot } from '@/core/edit/moot-edits';
import { decodeSource } from '@/core/source/decode-source';
import { isPagePath, isSheetPath } from '@/core/source/role-of-name';
import type { ReadableConnection } from '../../connections/connection';
import type { Database } from '../../db/database';
import { editions, removals, type SearchedFor } from '../../db/schema/editions';
import { sites } from '../../db/schema/sites';
import { problemOf, ProblemError } from '../../problem-error';
import { storeBytes } from '../../store/store';
import { usedProblem, usesAfter } from './gather-removal';
import { openConnection } from '../sites/site-connection';

/** Prepares a removal that was gathered; what speaks against it is written into it. */
export async function prepareRemoval(db: Database, removalId: number): Promise<void> {
  const [row] = await db.orm
    .select({ removal: removals, site: sites })
    .from(removals)
    .innerJoin(editions, eq(editions.id, removals.editionId))
    .innerJoin(sites, eq(sites.id, editions.siteId))
    .where(eq(removals.id, removalId));
  if (!row || row.removal.state === 'ready') return;
  const { removal, site } = row;
  // What the edition does to pages is worked out first; that done, this is asked again.
  if (await isPreparing(db, removal.editionId)) return;
  try {
    await refuseUsed(db, site.id, removal);
    const connection = await openConnection(db, site);
    const searched = await searchEverywhere(connection, removal, await editsOf(db, removal.editionId));
    // Kept before anything is touched: withdrawing the edition puts these very bytes back.
    const sha256 = await storeBytes(await connection.read(removal.path));
    await db.orm
      .update(removals)
      .set({ state: 'ready', sha256, searched, problem: null })
      .where(eq(removals.id, removalId));
  } catch (error) {
    await db.orm
      .update(removals)
      .set({ state: 'failed', problem: problemOf(error) })
      .where(eq(removals.id, removalId));
    if (!(error instanceof ProblemError)) throw error;
  }
}

async function isPreparing({ pool }: Database, editionId: number): Promise<boolean> {
  const { rows } = await pool.query(
    `select 1 from changes where edition_id = $1 and state = 'preparing' and (takes_off or intake_id is not null) limit 1`,
    [editionId],
  );
  return rows.length > 0;
}

/** What an edition changes, by the file in which it is written. */
async function editsOf({ pool }: Database, editionId: number): Promise<Map<string, SourceEdit[]>> {
  const { rows } = await pool.query<SourceEdit & { path: string }>(
    `select e.source_path as path, e.start, e."end", e.was, e.becomes from edits e join changes c on c.id = e.change_id
     where c.edition_id = $1`,
    [editionId],
  );
  const bySource = new Map<string, SourceEdit[]>();
  for (const { path, ...edit } of rows) bySource.set(path, [...(bySource.get(path) ?? []), edit]);
  return bySource;
}

/** @throws ProblemError `FILE_USED` where a place of the last survey shows the file that its edition leaves there */
export async function refuseUsed(
  db: Database,
  siteId: number,
  edited: { readonly path: string; readonly editionId: number },
): Promise<void> {
  const { uses, page } = await usesAfter(db, siteId, edited);
  if (uses > 0) throw usedProblem(edited.path, page);
}

const TEXT_NAME =
  /\.(?:m?js|cjs|ts|json|xml|txt|md|csv|svg|php\d?|inc|tpl|asp|aspx|jsp|py|rb|pl|cgi|ya?ml|webmanifest|vtt|rss|atom|htaccess|conf|map)$/i;
const MAX_TEXT_BYTES = 20 * 1024 ** 2;

/**
 * Looks through every page, style sheet and other text of a site for a file's name.
 *
 * @throws ProblemError `FILE_NAMED` where one holds it, even if only in a comment or a script
 */
async function searchEverywhere(
  connection: ReadableConnection,
  { path, mustGo }: { readonly path: string; readonly mustGo: boolean },
  edits: ReadonlyMap<string, readonly SourceEdit[]>,
): Promise<SearchedFor> {
  const name = path.split('/').at(-1) ?? path;
  const isNamedIn = namesFile(name);
  const counts = { pages: 0, sheets: 0, texts: 0 };
  const namedIn: string[] = [];
  const { files } = await connection.list();
  for (const file of files) {
    const isPage = isPagePath(file.path);
    const isSheet = isSheetPath(file.path);
    if (
      file.path === path ||
      file.sizeBytes > MAX_TEXT_BYTES ||
      !(isPage || isSheet || TEXT_NAME.test(file.path))
    )
      continue;
    const bytes = asEdited(file.path, await connection.read(file.path), edits.get(file.path) ?? []);
    if (isNamedIn(bytes) && mustGo) namedIn.push(file.path);
    else if (isNamedIn(bytes)) {
      throw new ProblemError({
        code: 'FILE_NAMED',
        what: `${path} stays.`,
        why: `${file.path} names it, though no place shows it: in a script, a comment, or a text of its own.`,
        remedy: 'Look there; if it is of no use, take the name out and add the file again.',
      });
    }
    counts[isPage ? 'pages' : isSheet ? 'sheets' : 'texts']++;
  }
  return namedIn.length > 0 ? { ...counts, namedIn } : counts;
}

/** A source as the edition leaves it; as it is, where the edits do not fit it any more. */
function asEdited(path: string, bytes: Uint8Array, edits: readonly SourceEdit[]): Buffer {
  if (edits.length === 0) return Buffer.from(bytes);
  const applied = applyEdits({ bytes, source: decodeSource(path, bytes) }, withoutMoot(edits));
  return Buffer.from(applied.ok ? applied.bytes : bytes);
}

/**
 * Tells whether bytes hold a file's name: as it is, percent-encoded, in either composition of its accents, and in the
 * encodings that pages are written in. A name that is only the end of a longer one does not count.
 */
export function namesFile(name: string): (bytes: Buffer) => boolean {
  const spellings = [
    ...new Set([name, encodeURIComponent(name), name.normalize('NFC'), name.normalize('NFD')]),
  ];
  const narrow = spellings.flatMap((text) => [Buffer.from(text), Buffer.from(text, 'latin1')]);
  const wide = spellings.flatMap((text) => {
    const little = Buffer.from(text, 'utf16le');
    return [little, Buffer.from(little).swap16()];
  });
  return (bytes) =>
    narrow.some((needle) => holdsWhole(bytes, needle)) || wide.some((needle) => bytes.includes(needle));
}

function holdsWhole(bytes: Buffer, needle: Buffer): boolean {
  for (let at = bytes.indexOf(needle); at >= 0; at = bytes.indexOf(needle, at + 1)) {
    if (at === 0 || !/[\w.-]/.test(String.fromCharCode(bytes[at - 1] ?? 0))) return true;
  }
  return false;
}
