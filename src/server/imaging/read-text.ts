/** Reads the words that stand in pictures, with the language data that is installed beside the application. */
import { mkdtemp, rm, symlink } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import type { Worker as Thread } from 'node:worker_threads';
import PQueue from 'p-queue';
import { createWorker, OEM, type Page, type Worker, type WorkerParams } from 'tesseract.js';
import { sureText, type ReadWord } from '@/core/errata/words/read-words';
import { readingTones } from '@/core/picture/reading-tones';
import { openPicture } from './read-pixels';

/** Languages with data, by their BCP 47 code. */
const DATA: Readonly<Record<string, string>> = { en: 'eng', de: 'deu', fr: 'fra', es: 'spa' };
const FALLBACK = 'en';
/** Long side to which a picture is brought, in pixels: more takes longer and finds letters in leaves, not more words. */
const LONG_SIDE_PX = 900;
/** For a first glance, which takes a third of the time: most pictures hold nothing that looks like words. */
const GLANCE_PX = 450;
/** Drawn letters may be too large to be read as well as too small: what is not read at one size is tried at the other. */
const DRAWN_PX = [450, 700];
const DRAWN_CONFIDENCE = 45;
/** What looks like words at a glance: so many that could be read at all, or many more of which none could. */
const GLANCE = { words: 3, confidence: 30, shapes: 8 };
/** After which reading one picture is begun anew, and then given up: a machine that stood still loses no words by it. */
const TIME_LIMITS_MS = [30_000, 90_000];

/** For so long after the last picture its thread is kept: other work gets its turn between two batches. */
const KEPT_MS = 30_000;

/** Smaller ones are icons and buttons: their words are those of the page, or none. */
export const LEAST_READ_PX = { width: 200, height: 100 };

/** Less of a picture in its two commonest tones is a photograph. */
export const FEW_TONES = 0.6;
/** Smaller ones of few tones are icons. */
export const LEAST_DRAWN_PX = { long: 100, short: 36 };

/** Whether a picture is drawn in few tones, and large enough that words may stand in it. @param emptiness as `emptinessOf` gives it */
export const isDrawnInFewTones = (emptiness: number, widthPx: number, heightPx: number): boolean =>
  emptiness >= FEW_TONES &&
  Math.max(widthPx, heightPx) >= LEAST_DRAWN_PX.long &&
  Math.min(widthPx, heightPx) >= LEAST_DRAWN_PX.short;

/** Whether a picture is large enough to have its words read. */
export const isReadable = (widthPx: number, heightPx: number): boolean =>
  widthPx >= LEAST_READ_PX.width && heightPx >= LEAST_READ_PX.height;

/** Those of some languages that words can be read in, in their order; English where there is none. */
export function readableLanguages(languages: readonly string[]): string[] {
  const known = [...new Set(languages)].filter((language) => language in DATA).sort();
  return known.length > 0 ? known : [FALLBACK];
}

/**
 * Reads one picture after another. What reads is a thread that takes a second to start and as long again to be quick: it is
 * started for the first picture, and kept for a while after each. Close it when it is done with.
 */
export class TextReader {
  private thread: Promise<ReadingThread> | null = null;
  private rest: NodeJS.Timeout | undefined;
  private readonly turns = new PQueue({ concurrency: 1 });

  /** @param languages as `readableLanguages` gives them */
  constructor(readonly languages: readonly string[]) {}

  /**
   * Starts what reads, where it does not run yet. The first picture does so too, but there it looks like the picture’s fault.
   *
   * @throws Error where it can't be started
   */
  async start(): Promise<void> {
    await this.started();
    this.restLater();
  }

  /**
   * The words that surely stand in a picture, in reading order, a line a line; empty where there are none.
   *
   * @throws Error where the picture can't be opened, or takes too long
   */
  async read(bytes: Uint8Array): Promise<string> {
    const glance = (await this.recognised(bytes, GLANCE_PX)).flat();
    const shapes = glance.filter(({ text }) => /\p{L}{2}/u.test(text));
    const words = shapes.filter(({ confidence }) => confidence > GLANCE.confidence);
    if (words.length < GLANCE.words && shapes.length < GLANCE.shapes) return '';
    return sureText(await this.recognised(bytes, LONG_SIDE_PX));
  }

  /**
   * The words of a picture of few tones, where letters are drawn and not found in leaves: numbers and single words too.
   *
   * @throws Error where the picture can't be opened, or takes too long
   */
  async readDrawn(bytes: Uint8Array): Promise<string> {
    for (const longSidePx of DRAWN_PX) {
      const text = sureText(await this.recognised(bytes, longSidePx), DRAWN_CONFIDENCE);
      if (text !== '') return text;
    }
    return '';
  }

  private async recognised(bytes: Uint8Array, longSidePx: number): Promise<ReadWord[][]> {
    const { data, info } = await (
      await openPicture(bytes)
    )
      .flatten({ background: '#fff' })
      .resize(longSidePx, longSidePx, { fit: 'inside' })
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true });
    // Portable graymap: nothing is packed that the thread would only unpack.
    const header = Buffer.from(`P5\n${info.width} ${info.height}\n255\n`);
    const page = Buffer.concat([header, readingTones(data)]);
    return this.turns.add(() => this.readByThread(page));
  }

  private started(): Promise<ReadingThread> {
    this.thread ??= startThread(this.languages).catch((error: unknown) => {
      this.thread = null;
      throw error;
    });
    return this.thread;
  }

  private restLater(): void {
    clearTimeout(this.rest);
    this.rest = setTimeout(() => void this.close(), KEPT_MS).unref();
  }

  private async readByThread(page: Buffer): Promise<ReadWord[][]> {
    clearTimeout(this.rest);
    for (const limitMs of TIME_LIMITS_MS) {
      const thread = await this.started();
      let timer: NodeJS.Timeout | undefined;
      const late = new Promise<null>((resolve) => {
        timer = setTimeout(() => resolve(null), limitMs);
      });
      thread.holdProcess(true);
      const found = await Promise.race([thread.worker.recognize(page, {}, { blocks: true }), late])
        .catch(async (error: unknown) => {
          // One that has failed is not trusted with another picture.
          await this.end();
          throw error;
        })
        .finally(() => {
          clearTimeout(timer);
          thread.holdProcess(false);
        });
      if (found) {
        this.restLater();
        return linesOf(found.data);
      }
      // It can't be asked to stop: another one takes its place.
      await this.end();
    }
    throw new Error('Reading its words took too long.');
  }

  /** Ends its thread when what is asked of it has been read; another picture would start one anew. */
  async close(): Promise<void> {
    await this.turns.add(() => this.end());
  }

  private async end(): Promise<void> {
    clearTimeout(this.rest);
    const { thread } = this;
    this.thread = null;
    await (await thread)?.worker.terminate();
  }
}

interface ReadingThread {
  readonly worker: Worker;
  /** Whether the process is to stay for its sake, as it does while something is read. */
  holdProcess(holds: boolean): void;
}

/** @throws Error where the language data can't be read */
async function startThread(languages: readonly string[]): Promise<ReadingThread> {
  // Each language is a package of its own, and the reader looks for all in one folder.
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-languages-'));
  try {
    const { resolve } = createRequire(import.meta.url);
    for (const language of languages) {
      const name = `${DATA[language]}.traineddata.gz`;
      const home = dirname(resolve(`@tesseract.js-data/${DATA[language]}/package.json`));
      await symlink(join(home, '4.0.0_best_int', name), join(folder, name));
    }
    const codes = languages.map((language) => DATA[language] ?? '').join('+');
    const worker = await createWorker(codes, OEM.LSTM_ONLY, {
      langPath: folder,
      cacheMethod: 'none',
      gzip: true,
      // What fails is told by the promise of the call; without this it would end the process as well.
      errorHandler: () => undefined,
    });
    // It tells every speck that it can’t read to the terminal otherwise, and guesses how finely a page was scanned.
    await worker.setParameters({ debug_file: '/dev/null', user_defined_dpi: '150' } as Partial<WorkerParams>);
    const { worker: thread } = worker as unknown as { readonly worker: Thread };
    return { worker, holdProcess: (holds) => void (holds ? thread.ref() : thread.unref()) };
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

function linesOf({ blocks }: Page): ReadWord[][] {
  return (blocks ?? []).flatMap(({ paragraphs }) =>
    paragraphs.flatMap(({ lines }) => lines.map(({ words }) => words)),
  );
}
