/** What runs in a reading thread: the sources come once when it starts, batches of pages after that. */
import { workerData } from 'node:worker_threads';
import { readBatch, type PageBytes, type PageFound, type ReadAs, type ReadingRules } from './read-batch';
import { sourceShelf, type SharedSource } from './source-shelf';

interface Given {
  readonly site: ReadingRules;
  readonly sources: readonly SharedSource[];
}

const { site, sources } = workerData as Given;
const shelf = sourceShelf(sources, site);

export default function readPages(task: { pages: readonly PageBytes[]; as: ReadAs }): PageFound[] {
  return readBatch(task.pages, task.as, { site, shelf });
}
