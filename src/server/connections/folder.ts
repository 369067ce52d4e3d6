import { constants } from 'node:fs';
import { mkdir, open, opendir, readFile, realpath, rename, rm, stat } from 'node:fs/promises';
import { dirname, join, sep } from 'node:path';
import { ProblemError } from '../problem-error';
import type { SiteFile, SiteListing, SkippedEntry, WritableConnection } from './connection';

const LEFT_OUT = new Set(['.git', '.svn', '.hg', 'node_modules']);
/** What a file is called while it is being written: one name a file, so that a write cut off is written over by the next. */
const BEING_WRITTEN = '.ibidem-new';

/**
 * Opens a folder of files as a site. Links are followed as long as they stay inside it.
 *
 * @throws ProblemError `FOLDER_MISSING` where the path is no folder or can't be entered
 */
export async function openFolder(folder: string): Promise<WritableConnection> {
  const root = await rootOf(folder);
  return {
    list: () => listFolder(root),
    read: async (path) => readInside(root, path),
    write: async (path, bytes) => writeWhole(await targetOf(root, path), bytes),
    remove: async (path) => rm(await targetOf(root, path), { force: true }),
    close: async () => undefined,
  };
}

async function rootOf(folder: string): Promise<string> {
  const root = await realpath(folder).catch(() => null);
  const info = root ? await stat(root) : null;
  if (root && info?.isDirectory()) return root;
  throw new ProblemError({
    code: 'FOLDER_MISSING',
    what: `There is no folder at ${folder}.`,
    why: info ? 'It is a file.' : 'The path does not exist, or Ibidem may not enter it.',
    remedy: 'Give the path of the folder that holds the site’s pages.',
  });
}

async function listFolder(root: string): Promise<SiteListing> {
  const files: SiteFile[] = [];
  const skipped: SkippedEntry[] = [];
  const open = [''];
  const entered = new Set<string>([root]);
  for (let prefix = open.pop(); prefix !== undefined; prefix = open.pop()) {
    const folder = await opendir(join(root, prefix)).catch(() => null);
    if (!folder) {
      skipped.push({ path: prefix, reason: 'the folder can’t be opened' });
      continue;
    }
    for await (const entry of folder) {
      const path = prefix ? `${prefix}/${entry.name}` : entry.name;
      if (entry.name.endsWith(BEING_WRITTEN)) continue;
      if (entry.isDirectory() || entry.isSymbolicLink()) {
        if (LEFT_OUT.has(entry.name)) continue;
      } else if (!entry.isFile()) {
        skipped.push({ path, reason: 'neither a file nor a folder' });
        continue;
      }
      const place = entry.isSymbolicLink() ? await followLink(root, path) : join(root, path);
      if (place === null) {
        skipped.push({ path, reason: 'a link that leads nowhere or out of the site' });
        continue;
      }
      const info = await stat(place);
      if (info.isDirectory()) {
        if (entry.isSymbolicLink() && isInside(place, join(root, path))) {
          skipped.push({ path, reason: 'a link to a folder that contains it' });
        } else if (!entry.isSymbolicLink() || !entered.has(place)) {
          entered.add(place);
          open.push(path);
        }
      } else if (info.isFile()) {
        const { size, mtimeMs, ctimeMs, ino } = info;
        // The kernel's own change time can't be set back, and a file put in another's place has another number.
        files.push({
          path,
          sizeBytes: size,
          modifiedMs: mtimeMs,
          mark: `${size} ${mtimeMs} ${ctimeMs} ${ino}`,
        });
      }
    }
  }
  files.sort((a, b) => (a.path < b.path ? -1 : 1));
  return { files, skipped };
}

async function followLink(root: string, path: string): Promise<string | null> {
  const place = await realpath(join(root, path)).catch(() => null);
  return place !== null && isInside(root, place) ? place : null;
}

function isInside(root: string, place: string): boolean {
  return place === root || place.startsWith(root + sep);
}

/** The real place of a path of the site; refuses one that leads out of it. */
async function targetOf(root: string, path: string): Promise<string> {
  const wanted = join(root, path);
  const existing = await realpath(wanted).catch(() => null);
  const place =
    existing ?? join(await nearestFolder(root, dirname(wanted)), wanted.slice(dirname(wanted).length + 1));
  if (isInside(root, place) && place !== root) return place;
  throw new ProblemError({
    code: 'PATH_OUTSIDE',
    what: `${path} does not lie inside the site.`,
    why: 'It leads out of the site’s folder, by its name or through a link.',
    remedy: 'Only files below the site’s folder are read and written.',
  });
}

/** Makes the folder of a new file, and gives its real path. */
async function nearestFolder(root: string, folder: string): Promise<string> {
  if (!isInside(root, folder)) return folder;
  await mkdir(folder, { recursive: true });
  return realpath(folder);
}

async function readInside(root: string, path: string): Promise<Uint8Array> {
  const place = await realpath(join(root, path)).catch(() => null);
  if (place !== null && isInside(root, place)) return readFile(place);
  throw new ProblemError({
    code: 'FILE_MISSING',
    what: `${path} is not there.`,
    why: 'It was listed, and is gone or leads out of the site now.',
    remedy: 'Survey the site again.',
  });
}

/** Writes beside the target, makes the bytes safe on the disk, then renames: the one step readers can see. */
async function writeWhole(place: string, bytes: Uint8Array): Promise<void> {
  const mode = await stat(place).then(
    (info) => info.mode & 0o777,
    () => 0o644,
  );
  const temporary = place + BEING_WRITTEN;
  const { O_CREAT, O_TRUNC, O_WRONLY, O_NOFOLLOW } = constants;
  try {
    const file = await open(temporary, O_CREAT | O_TRUNC | O_WRONLY | O_NOFOLLOW, mode);
    try {
      await file.writeFile(bytes);
      await file.sync();
    } finally {
      await file.close();
    }
    await rename(temporary, place);
  } catch (error) {
    await rm(temporary, { force: true });
    throw error;
  }
}
