import { familiesOf } from '@/core/picture/all-families';
import { fingerprintOf } from '@/core/picture/fingerprint';
import type { ReadableConnection } from '@/server/connections/connection';
import { sha256 } from '@/server/hash';
import { inspectImage } from '@/server/imaging/inspect-image';
import { readPlanes } from '@/server/imaging/read-pixels';
import { readPicturesOf } from './picture-folder';
import { PrintShelf } from './print-shelf';

/**
 * Groups the files of a site by the picture they show: the same bytes, other sizes, croppings and formats.
 *
 * @returns for the path of a file those of all files that show its picture, itself among them
 */
export async function filesOfPictures(
  connection: ReadableConnection,
): Promise<(path: string) => readonly string[]> {
  const shelf = await PrintShelf.open();
  try {
    const files = await readPicturesOf(connection, async ({ path }, bytes) => {
      const id = sha256(bytes);
      const { widthPx, heightPx } = await inspectImage(bytes, path);
      await shelf.keep(id, fingerprintOf(await readPlanes(bytes, path)));
      return { path, id, widthPx, heightPx };
    });
    const familyOf = new Map(
      familiesOf(files, shelf.load).flatMap(({ master, members }) =>
        members.map(({ id }) => [id, master] as const),
      ),
    );
    const keyOf = new Map(files.map(({ path, id }) => [path, familyOf.get(id) ?? id]));
    const byKey = new Map<string, string[]>();
    for (const [path, key] of keyOf) byKey.set(key, [...(byKey.get(key) ?? []), path]);
    return (path) => byKey.get(keyOf.get(path) ?? '') ?? [path];
  } finally {
    await shelf.close();
  }
}
