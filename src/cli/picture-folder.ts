/** The pictures of a folder, for the commands that look at pictures alone. */
import { availableParallelism } from 'node:os';
import { isPictureAddress } from '@/core/address/resolve-address';
import type { ReadableConnection, SiteFile } from '@/server/connections/connection';
import { tooLargeToOpen } from '@/server/connections/site-sources';
import { problemOf } from '@/server/problem-error';
import { openSite } from './open-site';
import { say, showProgress } from './rows';

/** Reads every picture of a folder or zip, as `readPicturesOf` does. */
export async function readPictures<T>(
  place: string,
  read: (file: SiteFile, bytes: Uint8Array) => Promise<T>,
): Promise<T[]> {
  const connection = await openSite(place);
  try {
    return await readPicturesOf(connection, read);
  } finally {
    await connection.close();
  }
}

/** Has a live site's files looked for that only its pages name: they are listed with the others from then on. */
export async function lookFor(connection: ReadableConnection, paths: readonly string[]): Promise<void> {
  const wanted = new Set(paths.filter((path) => !/^[a-z][a-z\d+.-]*:/iu.test(path)));
  await connection.find?.([...wanted]);
}

/**
 * Reads every picture of a site, a few side by side. One that can't be read is named and passed over.
 *
 * @returns what `read` gave for each, in the order of their paths
 */
export async function readPicturesOf<T>(
  connection: ReadableConnection,
  read: (file: SiteFile, bytes: Uint8Array) => Promise<T>,
): Promise<T[]> {
  const { files } = await connection.list();
  const pictures = files
    .filter(({ path }) => isPictureAddress({ kind: 'site', path }))
    .sort((a, b) => (a.path < b.path ? -1 : 1));
  const answers: (T | null)[] = pictures.map(() => null);
  let next = 0;
  let done = 0;
  const hand = async (): Promise<void> => {
    for (let n = next++; n < pictures.length; n = next++) {
      const file = pictures[n] as SiteFile;
      const tooLarge = tooLargeToOpen(file);
      if (tooLarge !== null) say(`${file.path} is passed over: ${tooLarge}`);
      else
        try {
          answers[n] = await read(file, await connection.read(file.path));
        } catch (error) {
          const { what, why } = problemOf(error);
          say(`${file.path} is passed over: ${what} ${why}`);
        }
      showProgress(`${++done} of ${pictures.length} pictures read`);
    }
  };
  await Promise.all(Array.from({ length: availableParallelism() + 1 }, hand));
  showProgress('');
  return answers.filter((answer) => answer !== null);
}
