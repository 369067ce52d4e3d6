/** Reads the words of several pictures at once, for whoever waits for all of a site's. */
import { availableParallelism } from 'node:os';
import { TextReader } from './read-text';

/** Each holds some 150 MB. */
const MOST_THREADS = 4;

/** As many pictures as are read at once. */
export const READ_AT_ONCE = Math.min(MOST_THREADS, availableParallelism());

/** What reads the words of one picture after another, or of several at once. */
export type ReadsText = Pick<TextReader, 'read' | 'readDrawn'>;

/** Hands each picture to the reader that has least to do; one starts only when all before it are busy. */
export class TextReaders implements ReadsText {
  private readonly readers: readonly TextReader[];
  private readonly waiting = new Map<TextReader, number>();

  /** @param languages as `readableLanguages` gives them */
  constructor(languages: readonly string[], count = READ_AT_ONCE) {
    this.readers = Array.from({ length: count }, () => new TextReader(languages));
  }

  /** As `TextReader.read`. */
  async read(bytes: Uint8Array): Promise<string> {
    return this.byTheLeastBusy(async (reader) => reader.read(bytes));
  }

  /** As `TextReader.readDrawn`. */
  async readDrawn(bytes: Uint8Array): Promise<string> {
    return this.byTheLeastBusy(async (reader) => reader.readDrawn(bytes));
  }

  private async byTheLeastBusy(read: (reader: TextReader) => Promise<string>): Promise<string> {
    const busy = (reader: TextReader) => this.waiting.get(reader) ?? 0;
    const reader = this.readers.reduce((least, one) => (busy(one) < busy(least) ? one : least));
    this.waiting.set(reader, busy(reader) + 1);
    try {
      return await read(reader);
    } finally {
      this.waiting.set(reader, busy(reader) - 1);
    }
  }

  /** Ends their threads when what is asked of them has been read. */
  async close(): Promise<void> {
    await Promise.all(this.readers.map(async (reader) => reader.close()));
  }
}
