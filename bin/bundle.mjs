/**
 * `node bin/bundle.mjs FOLDER [MODULE ...]`: writes the command line, the worker and the demo as plain modules, which start in
 * a third of the time that their TypeScript takes, or the modules named. Whole or not at all: FOLDER is there once all of it is.
 */
import { mkdir, mkdtemp, readFile, rename, rm } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';

const root = fileURLToPath(new URL('..', import.meta.url));
const [name = '', ...named] = process.argv.slice(2);
const folder = resolve(name);
const modules =
  named.length > 0
    ? named
    : ['src/cli/main.ts', 'src/server/jobs/worker.ts', 'demo/run.ts', 'demo/until-known.ts'];

/** What lies beside a source is found from where it lies, not from where the bundle does. */
const whereItLay = {
  name: 'where it lay',
  setup({ onLoad, onResolve }) {
    // A package that is a table in JSON: node takes such a one only where it is told that it is.
    const { resolve: find } = createRequire(join(root, 'package.json'));
    onResolve({ filter: /^spdx-license-ids/ }, ({ path }) => ({ path: find(path) }));
    onLoad({ filter: /\/(?:src\/server|tests\/bench)\/.*\.ts$/ }, async ({ path }) => ({
      contents: (await readFile(path, 'utf8')).replaceAll(
        'import.meta.url',
        JSON.stringify(pathToFileURL(path).href),
      ),
      loader: 'ts',
    }));
  },
};

/** Packages with programs, threads or data of their own beside them; each is found from where it was installed. */
const APART = [
  '@node-rs/argon2',
  '@tensorflow/*',
  'esbuild',
  'exiftool-vendored',
  'graphile-worker',
  'heic-decode',
  'pg',
  'piscina',
  '@playwright/test',
  'playwright-core',
  'sharp',
  'tesseract.js',
];
/** Older packages ask for those of Node by `require`, which a module has not got. */
const ASKS_FOR_OTHERS = `import { createRequire as requireOf } from 'node:module'; const require = requireOf(import.meta.url);`;

await mkdir(dirname(folder), { recursive: true });
const made = await mkdtemp(`${folder}-`);
try {
  await build({
    entryPoints: modules.map((path) => join(root, path)),
    outbase: root,
    outdir: made,
    absWorkingDir: root,
    tsconfig: join(root, 'tsconfig.json'),
    plugins: [whereItLay],
    bundle: true,
    splitting: true,
    external: APART,
    // The package loads its tables by `require` from beside itself; its own bundle holds them.
    alias: { 'css-tree': 'css-tree/dist/csstree.esm' },
    // A package that keeps modules out of browsers lets them in where this is said.
    conditions: ['react-server', 'module'],
    mainFields: ['module', 'main'],
    banner: { js: ASKS_FOR_OTHERS },
    platform: 'node',
    format: 'esm',
    outExtension: { '.js': '.mjs' },
    logLevel: 'error',
  });
  await rename(made, folder);
} catch (error) {
  await rm(made, { recursive: true, force: true });
  // Another process was as quick, and its folder stands.
  if (!['ENOTEMPTY', 'EEXIST'].includes(error.code)) throw error;
}
