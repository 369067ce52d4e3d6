import { readSync } from 'node:fs';
import { mkdtemp, open, rm, type FileHandle } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Fingerprint } from '@/core/picture/fingerprint';
import { recentPrints } from '@/server/imaging/recent-prints';
import { packLandmarks, packPlanes, unpackLandmarks, unpackPlanes } from '@/server/imaging/stored-print';

/** Where a fingerprint lies in the file, in bytes: its landmarks, and its planes behind them. */
interface Stretch {
  readonly at: number;
  readonly landmarks: number;
  readonly planes: number;
}

/** Fingerprints of the pictures that a command looks at, in a file: a site may have more of them than memory holds. */
export class PrintShelf {
  private readonly kept = new Map<string, Stretch>();
  private end = 0;

  private constructor(
    private readonly folder: string,
    private readonly file: FileHandle,
  ) {}

  static async open(): Promise<PrintShelf> {
    const folder = await mkdtemp(join(tmpdir(), 'ibidem-prints-'));
    return new PrintShelf(folder, await open(join(folder, 'prints'), 'wx+'));
  }

  /** @param id the hash of the picture's bytes */
  async keep(id: string, print: Fingerprint): Promise<void> {
    const [landmarks, planes] = [packLandmarks(print), packPlanes(print)];
    const stretch = { at: this.end, landmarks: landmarks.length, planes: planes.length };
    this.end += landmarks.length + planes.length;
    const bytes = Buffer.concat([landmarks, planes]);
    // Each at a place of its own: they may be written side by side.
    const { bytesWritten } = await this.file.write(bytes, 0, bytes.length, stretch.at);
    if (bytesWritten < bytes.length) throw new Error(`There is no room for fingerprints in ${this.folder}.`);
    this.kept.set(id, stretch);
  }

  readonly load = recentPrints((id) => {
    const stretch = this.kept.get(id);
    if (!stretch) throw new Error(`There is no fingerprint of ${id}.`);
    const bytes = Buffer.alloc(stretch.landmarks + stretch.planes);
    const read = readSync(this.file.fd, bytes, { position: stretch.at });
    if (read < bytes.length) throw new Error(`The fingerprint of ${id} is cut short.`);
    return {
      ...unpackLandmarks(bytes.subarray(0, stretch.landmarks)),
      ...unpackPlanes(bytes.subarray(stretch.landmarks)),
    };
  });

  async close(): Promise<void> {
    await this.file.close();
    await rm(this.folder, { recursive: true, force: true });
  }
}
