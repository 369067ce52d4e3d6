import { settings } from '../settings';
import type { HeadFinder } from './look-for-focus';

/**
 * Finds heads, for workers. Its detectors are half a second's loading: they are loaded here, and only where they are wanted.
 *
 * @returns `null` where the installation looks for none
 */
export async function headFinder(): Promise<HeadFinder | null> {
  return settings().looksForHeads ? (await import('./find-heads')).findHeads : null;
}
