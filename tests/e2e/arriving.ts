/** New pictures for the browser tests: files in a folder of their own, and the note on which they arrive. */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import { test } from './test';

/** What the field for new pictures is called. */
export const CHOSEN = 'Pictures to bring in';

/** Lets a file of tests keep pictures; they are gone after it. */
export function useArriving(): (name: string, bytes: Buffer) => Promise<string> {
  let folder = '';
  test.beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'ibidem-arriving-'));
  });
  test.afterAll(() => rm(folder, { recursive: true, force: true }));
  return async (name, bytes) => {
    const path = join(folder, name);
    await writeFile(path, bytes);
    return path;
  };
}

/** The lines of the delivery that is open. */
export const lines = (page: Page): Locator => page.getByRole('list', { name: 'Lines' }).getByRole('listitem');
