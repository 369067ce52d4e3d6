/** Finds heads in small pictures, by the models that ship with the application; no network is asked. */
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { setThreadsCount, setWasmPaths } from '@tensorflow/tfjs-backend-wasm';
import { loadGraphModel, type GraphModel } from '@tensorflow/tfjs-converter';
import { ready, setBackend, tensor4d, tidy, type io, type Tensor } from '@tensorflow/tfjs-core';
import { FULL_RANGE, headsIn, inSquare, SHORT_RANGE } from '@/core/focus/faces-found';
import type { ShareRect } from '@/core/focus/importance';
import type { FocusPixels } from '@/core/focus/oklab';
import type { HeadRange } from './look-for-focus';

const MODELS = { short: SHORT_RANGE, full: FULL_RANGE } as const;

/** Where the models and what runs them lie: a thread's own code lies elsewhere, and is told. */
export interface HeadFolders {
  readonly models: string;
  readonly wasm: string;
}

/** As they lie in an installation. */
export function headFolders(): HeadFolders {
  const require = createRequire(import.meta.url);
  const wasm = dirname(require.resolve('@tensorflow/tfjs-backend-wasm/package.json'));
  return {
    models: fileURLToPath(new URL('../../../models/heads', import.meta.url)),
    wasm: join(wasm, 'dist') + '/',
  };
}

const loaded = new Map<HeadRange, Promise<GraphModel>>();

/**
 * The heads of a picture that fits into the range's square, strongest first, as shares of its sides.
 *
 * @param folders where the models lie; where they do in an installation, if that is left out
 * @throws Error where a model is missing: an installation that is not whole
 */
export async function findHeads(
  pixels: FocusPixels,
  range: HeadRange,
  folders?: HeadFolders,
): Promise<ShareRect[]> {
  let model = loaded.get(range);
  if (!model) loaded.set(range, (model = load(range, folders ?? headFolders())));
  const layout = MODELS[range];
  const graph = await model;
  const input = tensor4d(inSquare(pixels, layout), [1, layout.side, layout.side, 3]);
  const output = tidy(() => {
    const given = graph.execute(input);
    return (Array.isArray(given) ? given[0] : given) as Tensor;
  });
  try {
    return headsIn((await output.data()) as Float32Array, layout, pixels);
  } finally {
    input.dispose();
    output.dispose();
  }
}

async function load(range: HeadRange, { models, wasm }: HeadFolders): Promise<GraphModel> {
  setWasmPaths(wasm);
  // One thread: pictures go side by side, and a second would wait for the first.
  setThreadsCount(1);
  await setBackend('wasm');
  await ready();
  const text = await readFile(join(models, `${range}.json`), 'utf8');
  const manifest = JSON.parse(text) as io.ModelJSON;
  const weights = await readFile(join(models, `${range}.bin`));
  return loadGraphModel({
    load: () =>
      Promise.resolve({
        modelTopology: manifest.modelTopology,
        weightSpecs: manifest.weightsManifest.flatMap((group) => group.weights),
        weightData: new Uint8Array(weights).buffer,
        format: manifest.format ?? 'graph-model',
        ...(manifest.signature ? { signature: manifest.signature } : {}),
      }),
  });
}
