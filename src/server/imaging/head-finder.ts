import Piscina from 'piscina';
import { settings } from '../settings';
import { threadBundle } from '../thread-bundle';
import type { HeadFinder } from './look-for-focus';

/** ms after which a thread that has nothing to do is let go, with its models. */
const IDLE_MS = 60_000;

let finder: Promise<HeadFinder> | undefined;

/**
 * Finds heads, for workers: in a thread of its own, so that other pictures are decoded and compared meanwhile. Its
 * detectors are half a second's loading: they are loaded there, and only where they are wanted.
 *
 * @returns `null` where the installation looks for none
 */
export async function headFinder(): Promise<HeadFinder | null> {
  if (!settings().looksForHeads) return null;
  finder ??= inThread();
  return finder;
}

async function inThread(): Promise<HeadFinder> {
  const { headFolders } = await import('./find-heads');
  const pool = new Piscina({
    filename: await threadBundle('imaging/heads-thread.ts'),
    workerData: headFolders(),
    ...{ minThreads: 0, maxThreads: 1, idleTimeout: IDLE_MS, execArgv: [] },
  });
  return (pixels, range) => pool.run({ pixels, range }) as ReturnType<HeadFinder>;
}
