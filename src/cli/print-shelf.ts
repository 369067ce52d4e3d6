import { readFileSync } from 'node:fs';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Fingerprint } from '@/core/picture/fingerprint';
import { recentPrints } from '@/server/imaging/recent-prints';
import { packLandmarks, packPlanes, unpackLandmarks, unpackPlanes } from '@/server/imaging/stored-print';

/** Fingerprints of the pictures that a command looks at, on disk: a site may have more of them than memory holds. */
export class PrintShelf {
  private constructor(private readonly folder: string) {}

  static async open(): Promise<PrintShelf> {
    return new PrintShelf(await mkdtemp(join(tmpdir(), 'ibidem-prints-')));
  }

  /** @param id the hash of the picture's bytes */
  async keep(id: string, print: Fingerprint): Promise<void> {
    await writeFile(this.fileOf(id, 'planes'), packPlanes(print));
    await writeFile(this.fileOf(id, 'landmarks'), packLandmarks(print));
  }

  readonly load = recentPrints((id) => ({
    ...unpackLandmarks(readFileSync(this.fileOf(id, 'landmarks'))),
    ...unpackPlanes(readFileSync(this.fileOf(id, 'planes'))),
  }));

  private fileOf(id: string, part: 'planes' | 'landmarks'): string {
    return join(this.folder, `${id}.${part}`);
  }

  async close(): Promise<void> {
    await rm(this.folder, { recursive: true, force: true });
  }
}
