import { familiesOf } from '@/core/picture/all-families';
import type { Family } from '@/core/picture/families';
import { fingerprintOf } from '@/core/picture/fingerprint';
import type { Rect } from '@/core/picture/grey-plane';
import { sha256 } from '@/server/hash';
import { inspectImage } from '@/server/imaging/inspect-image';
import { readPlanes } from '@/server/imaging/read-pixels';
import { readPictures } from './picture-folder';
import { PrintShelf } from './print-shelf';
import { printRow } from './rows';

interface FileRow {
  readonly path: string;
  readonly id: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** `ibidem families FOLDER`: a row a file, with the family it belongs to. */
export async function familiesCommand(folder: string): Promise<void> {
  const shelf = await PrintShelf.open();
  try {
    const files = await readPictures(folder, async ({ path }, bytes): Promise<FileRow> => {
      const id = sha256(bytes);
      const { widthPx, heightPx } = await inspectImage(bytes, path);
      await shelf.keep(id, fingerprintOf(await readPlanes(bytes, path)));
      return { path, id, widthPx, heightPx };
    });
    await printFamilies(files, familiesOf(files, shelf.load));
  } finally {
    await shelf.close();
  }
}

async function printFamilies(files: readonly FileRow[], families: readonly Family[]): Promise<void> {
  const memberOf = new Map(
    families.flatMap(({ master, members, twins }) =>
      members.map((member) => [member.id, { master, member, twin: twins[0] }] as const),
    ),
  );
  const named = new Map(files.toReversed().map((file) => [file.id, file]));
  for (const file of files) {
    const found = memberOf.get(file.id);
    const master = found && named.get(found.master);
    if (!found || !master) continue;
    const link = found.member.link;
    const crop = link ? cropOf(link.other) : null;
    const shown = (link?.other.width ?? 1) / (link?.own.width ?? 1);
    await printRow({
      file: file.path,
      family: master.path,
      master: file.path === master.path,
      scale: rounded(file.widthPx / (shown * master.widthPx)),
      crop,
      ...(link?.isMirrored ? { mirrored: true } : {}),
      // Another picture that shows the same, and the degrees by which this one is turned clockwise to be like it.
      ...(found.twin ? { twin: named.get(found.twin.to)?.path, turned: 90 * found.twin.quarters } : {}),
    });
  }
}

/** `null` where a file shows the whole of its master. */
function cropOf({ left, top, width, height }: Rect): Rect | null {
  if (width === 1 && height === 1) return null;
  return { left: rounded(left), top: rounded(top), width: rounded(width), height: rounded(height) };
}

const rounded = (value: number) => Math.round(value * 1e4) / 1e4;
