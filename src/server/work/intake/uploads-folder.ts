import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { settings } from '../../settings';

/** Where the bytes of uploads lie until they are taken in. */
export const uploadsFolder = (): string => join(settings().ownFolder, 'uploads');

/** Takes the bytes of an upload away, and what the protocol noted of it. */
export async function dropBytes(id: string): Promise<void> {
  for (const name of [id, `${id}.json`]) await rm(join(uploadsFolder(), name), { force: true });
}
