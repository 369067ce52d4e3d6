/** What a listing holds for a reader: its pages, and what dresses them. */
import { isManifestPath, isPagePath, isSheetPath } from '@/core/source/role-of-name';
import { ProblemError } from '../problem-error';
import { shared, type SharedSource } from '../reading/source-shelf';
import type { ReadableConnection, SiteFile, SkippedEntry } from './connection';

/** Sheets and pages beyond this are not hand-written; reading them would only cost memory. */
const MAX_TEXT_BYTES = 50 * 1024 ** 2;
/** Pictures beyond this are no pictures for a page. */
const MAX_PICTURE_BYTES = 200 * 1024 ** 2;
const MAX_MANIFEST_BYTES = 1024 ** 2;

/** The pages of a listing; refuses a site that has none. */
export function pagesOf(files: readonly SiteFile[]): readonly SiteFile[] {
  const pages = files.filter(({ role, path }) => (role ? role === 'page' : isPagePath(path)));
  if (pages.length > 0) return pages;
  throw new ProblemError({
    code: 'NO_PAGES',
    what: 'No page was found there.',
    why: `Among ${files.length.toLocaleString('en')} files none ends in .html, .htm, .xhtml or .shtml.`,
    remedy: 'Choose the folder (or ZIP) that holds the site’s pages themselves.',
  });
}

/** Told of a file that was listed and can't be had, with why; whoever gives it goes on with the others. */
export type OnUnread = (entry: SkippedEntry) => void;

/**
 * The bytes of a file; `null` for one that can't be had, where somebody is told of it.
 *
 * @throws ProblemError where nobody is, and whatever else goes wrong
 */
export async function readOrTell(
  connection: Pick<ReadableConnection, 'read'>,
  path: string,
  onUnread: OnUnread | undefined,
): Promise<Uint8Array | null> {
  try {
    return await connection.read(path);
  } catch (error) {
    if (!onUnread || !(error instanceof ProblemError)) throw error;
    onUnread({ path, reason: error.problem.why });
    return null;
  }
}

/**
 * The bytes of a page, or of what dresses pages, as `readOrTell` gives them. One that is too large is left out, whether
 * somebody is told or not: see `tooLargeToRead`.
 */
export async function readTextOrTell(
  connection: Pick<ReadableConnection, 'read'>,
  file: SiteFile,
  onUnread: OnUnread | undefined,
): Promise<Uint8Array | null> {
  const reason = tooLargeToRead(file);
  if (reason === null) return readOrTell(connection, file.path, onUnread);
  onUnread?.({ path: file.path, reason });
  return null;
}

/** Why a page, or what dresses pages, is not read for its size alone; `null` for all others. */
export function tooLargeToRead({ path, role, sizeBytes }: SiteFile): string | null {
  if (sizeBytes <= MAX_TEXT_BYTES) return null;
  const isText = role ? role === 'page' || role === 'sheet' : isPagePath(path) || isSheetPath(path);
  return isText ? 'It is larger than 50 MB, and was not read.' : null;
}

/** Why a picture is not opened for its size alone; `null` where it may be. */
export function tooLargeToOpen({ sizeBytes }: SiteFile): string | null {
  return sizeBytes > MAX_PICTURE_BYTES ? 'The file is larger than 200 MB and was not opened.' : null;
}

/** What dresses pages: the style sheets and manifests of a listing, read once. */
export async function readSources(
  connection: ReadableConnection,
  files: readonly SiteFile[],
  onUnread?: OnUnread,
): Promise<SharedSource[]> {
  const sources: SharedSource[] = [];
  for (const file of files) {
    const { path, role, sizeBytes, httpCharset = null } = file;
    const isSheet = role ? role === 'sheet' : isSheetPath(path);
    const isManifest = role ? role === 'manifest' : isManifestPath(path) && sizeBytes < MAX_MANIFEST_BYTES;
    if (!(isSheet || isManifest)) continue;
    const bytes = await readTextOrTell(connection, file, onUnread);
    if (bytes)
      sources.push({ path, bytes: shared(bytes), role: isSheet ? 'sheet' : 'manifest', httpCharset });
  }
  return sources;
}
