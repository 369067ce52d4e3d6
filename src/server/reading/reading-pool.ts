/** Reads pages with every core where there are many, and in this process where starting threads would cost more. */
import { availableParallelism } from 'node:os';
import Piscina from 'piscina';
import { readBatch, type PageBytes, type PageFound, type ReadAs, type ReadingRules } from './read-batch';
import { sourceShelf, type SharedSource, type SourceShelf } from './source-shelf';
import { threadBundle } from '../thread-bundle';

/** From so many pages on, threads are worth their start. */
const MANY_PAGES = 400;
const BATCH_PAGES = 24;
/** Large pages come in smaller batches: between two of them a survey hears that it is to stop. */
const BATCH_BYTES = 512 * 1024;
const BATCH_MS = 300;
/** Room for the young objects of a parse: with the usual 16 MB they are swept again and again while still in use. */
const YOUNG_MB = 32;

export interface ReadingPool {
  readonly shelf: SourceShelf;
  /**
   * Reads pages as they come, a batch after the other, and gives each batch in its turn.
   *
   * @param pages their bytes are handed over: they can't be used afterwards
   */
  read(pages: AsyncIterable<PageBytes>, as: ReadAs): AsyncGenerator<readonly PageFound[]>;
  close(): Promise<void>;
}

/** @param expected about how many pages will come */
export async function openReadingPool(
  site: ReadingRules,
  sources: readonly SharedSource[],
  expected: number,
  threads = availableParallelism(),
): Promise<ReadingPool> {
  const shelf = sourceShelf(sources, site);
  if (expected < MANY_PAGES || threads < 2) {
    return {
      shelf,
      async *read(pages, as) {
        // Slow pages are given on at once: between two batches a survey hears that it is to stop.
        let found: PageFound[] = [];
        let begun = performance.now();
        for await (const page of pages) {
          found.push(...readBatch([page], as, { site, shelf }));
          if (found.length < BATCH_PAGES && performance.now() - begun < BATCH_MS) continue;
          yield found;
          found = [];
          begun = performance.now();
        }
        if (found.length > 0) yield found;
      },
      close: async () => undefined,
    };
  }
  const pool = new Piscina({
    filename: await threadBundle('reading/page-worker.ts'),
    workerData: { site, sources },
    minThreads: threads,
    maxThreads: threads,
    execArgv: [],
    resourceLimits: { maxYoungGenerationSizeMb: YOUNG_MB },
  });
  const send = (batch: readonly PageBytes[], as: ReadAs): Promise<PageFound[]> => {
    const own = batch.map((page) => ({ ...page, bytes: ownBytes(page.bytes) }));
    const transferList = own.map(({ bytes }) => bytes.buffer as ArrayBuffer);
    return pool.run({ pages: own, as }, { transferList }) as Promise<PageFound[]>;
  };
  return {
    shelf,
    async *read(pages, as) {
      const open: Promise<PageFound[]>[] = [];
      for await (const batch of batches(pages)) {
        const sent = send(batch, as);
        // Where one batch fails, those behind it end with the pool; the first failure is the one to tell.
        sent.catch(() => undefined);
        open.push(sent);
        // A batch more than there are threads: nobody waits, and memory holds no more than that.
        if (open.length > threads + 1) yield await (open.shift() as Promise<PageFound[]>);
      }
      for (const batch of open) yield await batch;
    },
    close: () => pool.destroy(),
  };
}

/** Bytes that stand alone in their memory, so that it can be handed over. */
function ownBytes(bytes: Uint8Array): Uint8Array {
  const isAlone = bytes.byteOffset === 0 && bytes.byteLength === bytes.buffer.byteLength;
  return isAlone ? bytes : new Uint8Array(bytes);
}

async function* batches(pages: AsyncIterable<PageBytes>): AsyncGenerator<PageBytes[]> {
  let batch: PageBytes[] = [];
  let size = 0;
  for await (const page of pages) {
    batch.push(page);
    size += page.bytes.length;
    if (batch.length < BATCH_PAGES && size < BATCH_BYTES) continue;
    yield batch;
    batch = [];
    size = 0;
  }
  if (batch.length > 0) yield batch;
}
