/** A folder of files as a site. */
import { constants } from 'node:fs';
import { mkdir, open, realpath, rm, stat } from 'node:fs/promises';
import { dirname, relative, sep } from 'node:path';
import { ProblemError } from '../../problem-error';
import { systemProblem } from '../../system-problem';
import type { WritableConnection } from '../connection';
import { listFolder } from './list-folder';
import { existingPlace, targetPlace, type DiskPlace } from './place-in-folder';
import { lostRights, writeWhole } from './write-whole';

/** A disk that has not given a file by then is not going to, and nobody waits for it. */
const READ_TIME_MS = 60_000;

/**
 * Opens a folder of files as a site. Links are followed as long as they stay inside it.
 *
 * @throws ProblemError `FOLDER_MISSING` where the path is no folder or can't be entered
 */
export async function openFolder(folder: string): Promise<WritableConnection> {
  const root = await rootOf(folder);
  return {
    list: () => listFolder(root),
    read: (path) => readInside(root, path),
    async sourceOf(path) {
      const place = await existingPlace(root, path);
      return typeof place === 'string' ? relative(root, place).split(sep).join('/') : path;
    },
    async losesByWriting(path) {
      const place = await existingPlace(root, path);
      return place === null ? [] : lostRights(place);
    },
    async write(path, bytes) {
      const place = await targetPlace(root, path);
      await mkdir(dirname(place.toString()), { recursive: true }).catch(refused(path, 'written'));
      await writeWhole(place, bytes).catch(refused(path, 'written'));
    },
    remove: async (path) =>
      rm(await targetPlace(root, path), { force: true }).catch(refused(path, 'removed')),
    async tidy() {
      const { unfinished } = await listFolder(root);
      for (const path of unfinished) {
        const place = await existingPlace(root, path);
        if (place !== null) await rm(place, { force: true }).catch(refused(path, 'removed'));
      }
      return unfinished;
    },
    close: async () => undefined,
  };
}

const refused =
  (path: string, deed: string) =>
  (error: unknown): never => {
    throw systemProblem(error, path, deed);
  };

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

async function readInside(root: string, path: string): Promise<Uint8Array> {
  const place = await existingPlace(root, path);
  if (place !== null) return readRegular(place, path).catch(refused(path, 'read'));
  throw new ProblemError({
    code: 'FILE_MISSING',
    what: `${path} is not there.`,
    why: 'It was listed, and is gone or leads out of the site now.',
    remedy: 'Survey the site again.',
  });
}

/** Reads a file that is one: a pipe, a device or a socket would never end, or never begin. */
async function readRegular(place: DiskPlace, path: string): Promise<Uint8Array> {
  const { O_RDONLY, O_NONBLOCK, O_NOFOLLOW } = constants;
  const file = await open(place, O_RDONLY | O_NONBLOCK | O_NOFOLLOW);
  try {
    if ((await file.stat()).isFile())
      return await file.readFile({ signal: AbortSignal.timeout(READ_TIME_MS) });
  } finally {
    await file.close();
  }
  throw new ProblemError({
    code: 'NOT_A_FILE',
    what: `${path} was not read.`,
    why: 'It is a pipe, a device or a socket, and no file.',
    remedy: 'Take it out of the site’s folder.',
  });
}
