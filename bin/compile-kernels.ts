/**
 * `npm run kernels`: compiles the kernels of the comparing of pictures, and writes them beside their source as a module,
 * so that they are there wherever the core is.
 */
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import asc from 'assemblyscript/asc';

const folder = fileURLToPath(new URL('../src/core/picture/kernels', import.meta.url));
const OPTIONS = ['-O3', '--enable', 'simd', '--runtime', 'stub', '--noAssert'];

/** The module that holds the compiled kernels, as it is to be. @throws Error where the source is faulty */
export async function compiledKernels(): Promise<string> {
  let compiled: Uint8Array = new Uint8Array();
  const { error, stderr } = await asc.main(
    ['assembly/index.ts', '--baseDir', folder, '--outFile', 'kernels.wasm', ...OPTIONS],
    {
      readFile: (name, base) => readFile(join(base, name), 'utf8').catch(() => null),
      writeFile: (_name, contents) => {
        compiled = contents as Uint8Array;
      },
      listFiles: () => [],
    },
  );
  if (error) throw new Error(`${error.message}\n${stderr.toString()}`);
  const lines =
    Buffer.from(compiled)
      .toString('base64')
      .match(/.{1,100}/g) ?? [];
  return [
    '/** Written by `npm run kernels` from `assembly`. */',
    'export const COMPILED =',
    `${lines.map((line) => `  '${line}'`).join(' +\n')};`,
    '',
  ].join('\n');
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  await writeFile(join(folder, 'compiled.ts'), await compiledKernels());
