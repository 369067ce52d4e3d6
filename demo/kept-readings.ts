/** The words read within pictures, carried from one run to the next: reading them takes a second for each. */
import { readFile, writeFile } from 'node:fs/promises';
import type { Database } from '@/server/db/database';
import { insertRows } from '@/server/db/insert-rows';
import { readings } from '@/server/db/schema/pictures';

/** Writes what was read in the pictures of a database into a file, a JSON line a picture. */
export async function keepReadings({ orm }: Database, file: string | undefined): Promise<void> {
  if (!file) return;
  const rows = await orm.select().from(readings);
  await writeFile(file, rows.map((row) => `${JSON.stringify(row)}\n`).join(''));
}

/** Takes over what another run has read; nothing where there is no such file yet. Pictures are known by their bytes. */
export async function restoreReadings({ pool }: Database, file: string | undefined): Promise<void> {
  const text = file ? await readFile(file, 'utf8').catch(() => '') : '';
  const rows = text
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as typeof readings.$inferSelect);
  await insertRows(pool, readings, rows, { onConflict: ['sha256'] });
}
