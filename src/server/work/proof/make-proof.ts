/** Makes what a proof is served from: a page or style sheet marked and led to its served files, or a file as it is. */
import { and, eq } from 'drizzle-orm';
import { CLIP_TYPES } from '@/core/swap/clip';
import { urlOfPath } from '@/core/address/resolve-address';
import { applyEdits } from '@/core/edit/apply-edits';
import type { Placement } from '@/core/markup/placement';
import { markPage, markSheet } from '@/core/proof/mark-page';
import { decodeSource, type SourceText } from '@/core/source/decode-source';
import { isSheetPath } from '@/core/source/role-of-name';
import type { WritableConnection } from '../../connections/connection';
import type { Database } from '../../db/database';
import { changes, editions, edits, newFiles } from '../../db/schema/editions';
import { sites } from '../../db/schema/sites';
import { ProblemError } from '../../problem-error';
import { readPageBytes, type ReadingRules } from '../../reading/read-batch';
import { shared, sourceShelf, type SharedSource } from '../../reading/source-shelf';
import { storedBytes } from '../../store/store';
import { rulesOf, openConnection } from '../sites/site-connection';
import type { ProofState } from './proof-token';
import { proofScript } from './proof-script';

export interface ProofFile {
  readonly bytes: Uint8Array;
  readonly type: string;
  readonly isPage: boolean;
}

/** A site as a proof shows it. */
export interface ProofSite {
  /** Bytes of a page or style sheet, the draft's edits made in it where they are wanted. */
  sourceOf(path: string): Promise<{ bytes: Uint8Array; source: SourceText } | null>;
  bytesOf(path: string): Promise<Uint8Array | null>;
  /** What a path is to a reader; `null` for what no reader is shown: a script's source, a server's settings. */
  roleOf(path: string): Promise<'page' | 'sheet' | 'file' | null>;
  readonly site: ReadingRules;
  readonly connection: WritableConnection;
}

/** @throws ProblemError `SITE_GONE` where there is no such site any more */
export async function openProofSite(db: Database, siteId: number, state: ProofState): Promise<ProofSite> {
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, siteId));
  if (!site)
    throw new ProblemError({
      code: 'SITE_GONE',
      what: 'There is no such site.',
      why: '',
      remedy: 'Go back to the list of sites.',
    });
  const connection = await openConnection(db, site);
  const draft = state === 'draft' ? await draftOf(db, siteId) : null;
  const bytesOf = async (path: string): Promise<Uint8Array | null> => {
    const fresh = draft?.files.get(path);
    return fresh ? storedBytes(fresh) : connection.read(path).catch(() => null);
  };
  return {
    site: rulesOf(site),
    connection,
    bytesOf,
    roleOf: (path) => roleOf(db, siteId, path),
    async sourceOf(path) {
      const bytes = await connection.read(path).catch(() => null);
      if (!bytes) return null;
      const source = decodeSource(path, bytes);
      const wanted = draft?.edits.get(path);
      if (!wanted) return { bytes, source };
      // A page that somebody changed since is shown as it stands; the edition says that it was left alone.
      const edited = applyEdits({ bytes, source }, wanted);
      return edited.ok
        ? { bytes: edited.bytes, source: decodeSource(path, edited.bytes) }
        : { bytes, source };
    },
  };
}

async function roleOf({ pool }: Database, siteId: number, path: string): ReturnType<ProofSite['roleOf']> {
  if (isSheetPath(path)) return 'sheet';
  if (typeOf(path)) return 'file';
  const { rows } = await pool.query<{ role: 'page' | 'sheet' }>(
    `select 'page' as role from pages where site_id = $1 and path = $2 and gone_in is null
     union all select role from addresses where site_id = $1 and path = $2 and role = 'sheet'`,
    [siteId, path],
  );
  return rows[0]?.role ?? null;
}

interface Draft {
  readonly edits: ReadonlyMap<string, (typeof edits.$inferSelect)[]>;
  readonly files: ReadonlyMap<string, string>;
}

async function draftOf({ orm }: Database, siteId: number): Promise<Draft> {
  const isDraft = and(eq(editions.siteId, siteId), eq(editions.state, 'draft'));
  const rows = await orm
    .select({ edit: edits })
    .from(edits)
    .innerJoin(changes, eq(changes.id, edits.changeId))
    .innerJoin(editions, eq(editions.id, changes.editionId))
    .where(isDraft);
  const bySource = new Map<string, (typeof edits.$inferSelect)[]>();
  for (const { edit } of rows)
    bySource.set(edit.sourcePath, [...(bySource.get(edit.sourcePath) ?? []), edit]);
  const files = await orm
    .select({ path: newFiles.path, sha256: newFiles.sha256 })
    .from(newFiles)
    .innerJoin(changes, eq(changes.id, newFiles.changeId))
    .innerJoin(editions, eq(editions.id, changes.editionId))
    .where(isDraft);
  return { edits: bySource, files: new Map(files.map(({ path, sha256 }) => [path, sha256])) };
}

/** The placements of a page as it stands in a proof, in page order. */
export async function placementsInProof(proof: ProofSite, path: string): Promise<readonly Placement[]> {
  const opened = await proof.sourceOf(path);
  if (!opened) return [];
  return (await readForProof(proof, path, opened.bytes)).placements;
}

async function readForProof(proof: ProofSite, path: string, bytes: Uint8Array) {
  const sources: SharedSource[] = [];
  for (let turn = 0; ; turn++) {
    const reading = readPageBytes(
      { path, bytes },
      { site: proof.site, shelf: sourceShelf(sources, proof.site) },
    );
    const isHere = (path: string) => sources.some((source) => source.path === path);
    const missing = [
      ...reading.sheets.map((wanted) => ({ wanted, role: 'sheet' as const })),
      ...reading.manifests.map((wanted) => ({ wanted, role: 'manifest' as const })),
    ].filter(({ wanted }) => !isHere(wanted));
    // Sheets import others: what each reading asks for is fetched until nothing new is asked.
    if (missing.length === 0 || turn > MAX_IMPORTS) return reading;
    for (const { wanted, role } of missing) {
      const opened = await proof.sourceOf(wanted);
      sources.push({
        path: wanted,
        bytes: shared(opened?.bytes ?? new Uint8Array(0)),
        role,
        httpCharset: null,
      });
    }
  }
}

const MAX_IMPORTS = 8;

/** One file of a proof, or `null` where the site has none at that path. */
export async function proofFile(
  proof: ProofSite,
  path: string,
  { root, nonce }: { readonly root: string; readonly nonce: string },
): Promise<ProofFile | null> {
  const servedAt = (target: string) => `${root}/${target.split('/').map(encodeURIComponent).join('/')}`;
  const role = await proof.roleOf(path);
  if (role === 'sheet') {
    const opened = await proof.sourceOf(path);
    if (!opened) return null;
    const [sheet] = sourceShelf(
      [{ path, bytes: shared(opened.bytes), role: 'sheet', httpCharset: null }],
      proof.site,
    ).sheets();
    const references = sheet?.reading.references ?? [];
    const sheetUrl = urlOfPath(path, proof.site);
    const text = markSheet(opened.source.text, references, { sheetUrl, site: proof.site, servedAt });
    return { bytes: Buffer.from(text), type: 'text/css; charset=utf-8', isPage: false };
  }
  if (role === 'file') {
    const bytes = await proof.bytesOf(path);
    return bytes && { bytes, type: typeOf(path) ?? '', isPage: false };
  }
  if (role === null) return null;
  const opened = await proof.sourceOf(path);
  if (!opened) return null;
  const { placements } = await readForProof(proof, path, opened.bytes);
  const inserted = proofScript(nonce);
  const { html } = markPage(opened.source, placements, {
    address: path,
    site: proof.site,
    servedAt,
    inserted,
  });
  return { bytes: Buffer.from(html.replace(/^\ufeff/, '')), type: 'text/html; charset=utf-8', isPage: true };
}

const typeOf = (path: string): string | undefined => TYPES[/\.(\w+)$/.exec(path)?.[1]?.toLowerCase() ?? ''];

/** What a proof may load besides its page and sheets: pictures, clips and fonts. */
const TYPES: Readonly<Record<string, string>> = {
  ...{
    jpg: 'image/jpeg',
    jpeg: 'image/jpeg',
    jpe: 'image/jpeg',
    jfif: 'image/jpeg',
    png: 'image/png',
    gif: 'image/gif',
  },
  ...{ webp: 'image/webp', avif: 'image/avif', svg: 'image/svg+xml', ico: 'image/x-icon', bmp: 'image/bmp' },
  ...{ woff: 'font/woff', woff2: 'font/woff2', ttf: 'font/ttf', otf: 'font/otf' },
  ...CLIP_TYPES,
};
