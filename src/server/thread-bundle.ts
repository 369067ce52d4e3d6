/** The code of threads as one plain module each: they start faster so, and need no loader for TypeScript. */
import { access, copyFile, mkdtemp, rename, rm } from 'node:fs/promises';
import { rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';

const made = new Map<string, Promise<string>>();

/**
 * URL of a thread's bundle; made once and kept beside the bundle of what runs (`IBIDEM_BUNDLE`), elsewhere once a process and
 * taken away when it ends.
 *
 * @param entry path of its module below `src/server`
 */
export function threadBundle(entry: string): Promise<string> {
  let bundle = made.get(entry);
  if (!bundle) made.set(entry, (bundle = make(entry)));
  return bundle;
}

/** The bundle's own address; in parts, so that whoever bundles this file does not put in that of this one. */
const ITSELF = ['import', 'meta', 'url'].join('.');

const AS_IN_A_SCRIPT = [
  "import { createRequire as requireFrom } from 'node:module';",
  `const require = requireFrom(${ITSELF});`,
  `const __filename = require('node:url').fileURLToPath(${ITSELF});`,
  "const __dirname = require('node:path').dirname(__filename);",
].join('\n');

async function make(entry: string): Promise<string> {
  const beside = process.env['IBIDEM_BUNDLE'];
  const kept = beside ? join(beside, `${entry.replaceAll(/\W+/gu, '-')}.mjs`) : null;
  if (kept && (await isThere(kept))) return pathToFileURL(kept).href;
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-thread-'));
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
  const file = join(folder, 'thread.mjs');
  try {
    await bundle(entry, file);
    if (kept) await keep(file, kept);
  } catch (error) {
    await rm(folder, { recursive: true, force: true });
    made.delete(entry);
    throw error;
  }
  return pathToFileURL(file).href;
}

const isThere = (path: string): Promise<boolean> => access(path).then(() => true, () => false); // oxfmt-ignore

/** Puts a file there at one stroke, unless nothing can be written there: then it is made anew the next time. */
async function keep(file: string, kept: string): Promise<void> {
  const beside = `${kept}-${process.pid}`;
  try {
    await copyFile(file, beside);
    await rename(beside, kept);
  } catch (error) {
    if (!['EROFS', 'EACCES', 'EPERM'].includes((error as NodeJS.ErrnoException).code ?? '')) throw error;
  }
}

async function bundle(entry: string, file: string): Promise<void> {
  await build({
    entryPoints: [fileURLToPath(new URL(entry, import.meta.url))],
    tsconfig: fileURLToPath(new URL('../../tsconfig.json', import.meta.url)),
    outfile: file,
    // Packages are looked for from here, wherever the process was started.
    absWorkingDir: fileURLToPath(new URL('../..', import.meta.url)),
    bundle: true,
    // The package loads its tables by `require` from beside itself; its own bundle holds them.
    alias: { 'css-tree': 'css-tree/dist/csstree.esm' },
    // Packages that are no modules ask for node's own parts by `require`, and where they lie.
    banner: { js: AS_IN_A_SCRIPT },
    platform: 'node',
    format: 'esm',
    target: 'node20',
    mainFields: ['module', 'main'],
    logLevel: 'silent',
  });
}
