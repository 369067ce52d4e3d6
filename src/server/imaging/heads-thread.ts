/** What runs in the thread that finds heads: a picture is decoded meanwhile. */
import { workerData } from 'node:worker_threads';
import type { ShareRect } from '@/core/focus/importance';
import type { FocusPixels } from '@/core/focus/oklab';
import { findHeads, type HeadFolders } from './find-heads';
import type { HeadRange } from './look-for-focus';

const folders = workerData as HeadFolders;

export default function headsOf(task: { pixels: FocusPixels; range: HeadRange }): Promise<ShareRect[]> {
  return findHeads(task.pixels, task.range, folders);
}
