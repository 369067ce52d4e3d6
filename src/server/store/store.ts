/** Bytes by their SHA-256, each kept once. A file is written beside its place and renamed, so it is whole or absent. */
import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { access, mkdir, open, readFile, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { sha256 } from '../hash';
import { ProblemError } from '../problem-error';
import { settings } from '../settings';

const placeOf = (name: string) => join(settings().storeFolder, name.slice(0, 2), name);

async function exists(place: string): Promise<boolean> {
  return access(place).then(
    () => true,
    () => false,
  );
}

async function keep(name: string, bytes: Uint8Array): Promise<void> {
  const place = placeOf(name);
  if (await exists(place)) return;
  await mkdir(dirname(place), { recursive: true });
  const temporary = `${place}.${randomBytes(4).toString('hex')}`;
  const file = await open(/* turbopackIgnore: true */ temporary, 'wx');
  try {
    await file.writeFile(bytes);
    // Safe on the disk before it has its name: a power cut leaves the whole of it, or nothing.
    await file.sync();
  } finally {
    await file.close();
  }
  await rename(temporary, place);
  if (name.length === HASH_LENGTH) await syncFolder(dirname(place));
}

/** What is derived can be made again; only bytes as they came have a name as long as their hash. */
const HASH_LENGTH = 64;

async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder, 'r');
  await handle.sync().finally(() => handle.close());
}

/** Keeps bytes and gives their hash. */
export async function storeBytes(bytes: Uint8Array): Promise<string> {
  const hash = sha256(bytes);
  await keep(hash, bytes);
  return hash;
}

/** The bytes of a hash; @throws ProblemError `STORE_MISSING`, or `STORE_TORN` where they are not what they were. */
export async function storedBytes(hash: string): Promise<Uint8Array> {
  const bytes = await readFile(/* turbopackIgnore: true */ placeOf(hash)).catch((error: unknown) => {
    throw new ProblemError(
      {
        code: 'STORE_MISSING',
        what: 'A stored file is gone.',
        why: `The store has nothing under ${hash.slice(0, 12)}….`,
        remedy: 'Survey the site again.',
      },
      { cause: error },
    );
  });
  if (sha256(bytes) === hash) return bytes;
  // Taken away, so that the same bytes can be kept anew.
  await rm(placeOf(hash), { force: true });
  throw new ProblemError({
    code: 'STORE_TORN',
    what: 'A stored file is damaged.',
    why: `What the store has under ${hash.slice(0, 12)}… is not what was put there.`,
    remedy: 'Survey the site again: what it still shows is stored anew.',
  });
}

/**
 * What is made from a picture's bytes: a small picture for screens, one without loss from which a revision is drawn, and its
 * looks for comparing.
 */
export type Derived = 'thumbnail' | 'working' | 'planes' | 'landmarks';

/** Keeps something made from stored bytes under their hash: `kind` tells what. */
export async function storeDerived(hash: string, kind: Derived, bytes: Uint8Array): Promise<void> {
  await keep(`${hash}.${kind}`, bytes);
}

/** What was made from stored bytes, or `null` where it has not been. */
export async function storedDerived(hash: string, kind: Derived): Promise<Uint8Array | null> {
  return readFile(/* turbopackIgnore: true */ placeOf(`${hash}.${kind}`)).catch(() => null);
}

/** Whether something was made from stored bytes already. */
export async function hasDerived(hash: string, kind: Derived): Promise<boolean> {
  return exists(placeOf(`${hash}.${kind}`));
}

/**
 * What was made from stored bytes, read at once: for computation that goes from picture to picture, in a worker only.
 *
 * @throws Error where it has not been made
 */
export function derivedBytesNow(hash: string, kind: Derived): Uint8Array {
  return readFileSync(/* turbopackIgnore: true */ placeOf(`${hash}.${kind}`));
}
