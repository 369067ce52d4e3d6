/** The code of the reading threads as one plain module: threads start faster so, and need no loader for TypeScript. */
import { mkdtemp, rm } from 'node:fs/promises';
import { rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';

let made: Promise<string> | undefined;

/** URL of the bundle; made once a process and taken away when it ends. */
export function workerBundle(): Promise<string> {
  made ??= make();
  return made;
}

async function make(): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-reading-'));
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
  const file = join(folder, 'page-worker.mjs');
  try {
    await build({
      entryPoints: [fileURLToPath(new URL('./page-worker.ts', import.meta.url))],
      tsconfig: fileURLToPath(new URL('../../../tsconfig.json', import.meta.url)),
      outfile: file,
      // Packages are looked for from here, wherever the process was started.
      absWorkingDir: fileURLToPath(new URL('../../..', import.meta.url)),
      bundle: true,
      // The package loads its tables by `require` from beside itself; its own bundle holds them.
      alias: { 'css-tree': 'css-tree/dist/csstree.esm' },
      platform: 'node',
      format: 'esm',
      target: 'node20',
      mainFields: ['module', 'main'],
      logLevel: 'silent',
    });
  } catch (error) {
    await rm(folder, { recursive: true, force: true });
    made = undefined;
    throw error;
  }
  return pathToFileURL(file).href;
}
