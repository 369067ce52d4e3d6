/**
 * Writes a file whole: beside its place, safe on the disk, then renamed, the one step that readers can see. What the old
 * file was to the system stays: its mode, and its owner and group where this process may give them.
 */
import { constants, type Stats } from 'node:fs';
import { open, rename, rm, stat, type FileHandle } from 'node:fs/promises';
import { dirname } from 'node:path';
import type { DiskPlace } from './place-in-folder';

/** What a file is called while it is being written: one name a file, so that a write cut off is written over by the next. */
const BEING_WRITTEN = '.ibidem-new';

export function isBeingWritten(name: string): boolean {
  return name.endsWith(BEING_WRITTEN);
}

/** @throws the system's error where it refuses; the old file is as it was then */
export async function writeWhole(place: DiskPlace, bytes: Uint8Array): Promise<void> {
  const old = await stat(place).catch(() => null);
  const temporary = withEnding(place);
  const { O_CREAT, O_TRUNC, O_WRONLY, O_NOFOLLOW } = constants;
  try {
    const file = await open(temporary, O_CREAT | O_TRUNC | O_WRONLY | O_NOFOLLOW, 0o644);
    try {
      await file.writeFile(bytes);
      if (old) await keepRights(file, old);
      await file.sync();
    } finally {
      await file.close();
    }
    await rename(temporary, place);
    await syncFolder(place);
  } catch (error) {
    await rm(temporary, { force: true }).catch(() => undefined);
    throw error;
  }
}

function withEnding(place: DiskPlace): DiskPlace {
  return typeof place === 'string'
    ? place + BEING_WRITTEN
    : Buffer.concat([place, Buffer.from(BEING_WRITTEN)]);
}

/** The new name is safe once its folder is: else a power cut may bring the old file back. */
async function syncFolder(place: DiskPlace): Promise<void> {
  const folder = await open(dirname(place.toString()), constants.O_RDONLY).catch(() => null);
  // Not every system lets folders be opened; the file itself is safe in any case.
  await folder?.sync().catch(() => undefined);
  await folder?.close();
}

async function keepRights(file: FileHandle, old: Stats): Promise<void> {
  const now = await file.stat();
  // Giving a file away may take its set-id bits, so the mode comes last.
  if (now.uid !== old.uid || now.gid !== old.gid) await giveTo(file, old, now);
  await file.chmod(old.mode & 0o7777);
}

/** As much of owner and group as this process may give; `lostRights` has told of the rest. */
async function giveTo(file: FileHandle, old: Stats, now: Stats): Promise<void> {
  try {
    await file.chown(old.uid, old.gid);
  } catch (error) {
    if (!isRefusal(error)) throw error;
    await file.chown(now.uid, old.gid).catch((again: unknown) => {
      if (!isRefusal(again)) throw again;
    });
  }
}

const isRefusal = (error: unknown): boolean => (error as NodeJS.ErrnoException).code === 'EPERM';

/**
 * What a file would lose by being written anew, each as the rest of the sentence “once written, it …”; usually nothing.
 * Asked of the system before anything is published.
 */
export async function lostRights(place: DiskPlace): Promise<string[]> {
  const info = await stat(place).catch(() => null);
  if (!info) return [];
  const lost: string[] = [];
  const me = process.geteuid?.() ?? 0;
  const groups = process.getgroups?.() ?? [];
  if (me !== 0 && info.uid !== me) lost.push(`belongs to user ${me} instead of ${info.uid}`);
  if (me !== 0 && info.gid !== process.getegid?.() && !groups.includes(info.gid))
    lost.push(`belongs to group ${process.getegid?.()} instead of ${info.gid}`);
  if (info.nlink > 1)
    lost.push(`is no longer the same file as its ${info.nlink - 1} other hard-linked name(s)`);
  return lost;
}
