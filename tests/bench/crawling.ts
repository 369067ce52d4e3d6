/** A live site of 5,000 pages on loopback: reading it beside `wget --mirror`, and surveying it a second time. */
import { execFile, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { openMirror } from '@/server/connections/http/open-mirror';
import { byTurns, moduleBeside, report } from './measure';
import { surveyInChild } from './surveying';

const PAGES = 5000;
const run = promisify(execFile);

export async function benchCrawling(): Promise<void> {
  const server = spawn(process.execPath, [moduleBeside('serve-child'), String(PAGES)], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const [line] = (await once(server.stdout, 'data')) as [Buffer];
  const start = line.toString().trim();
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-bench-crawl-'));
  try {
    const ours = async () => {
      const mirror = await openMirror(start, { allowPrivate: true });
      const { files } = await mirror.list();
      await mirror.close();
      if (files.length < PAGES) throw new Error(`only ${files.length} files were found`);
    };
    let turn = 0;
    // wget ends with 8 where an address is missing, as the pictures are here.
    const bare = () =>
      run('wget', ['-q', '--mirror', '-P', join(folder, String(turn++)), start]).catch(ignoreMissing);
    report(
      'read 5,000 live pages, beside wget --mirror (1.25 is 0.8 of its throughput)',
      await byTurns(ours, bare, 3),
      { atMost: 1.25 },
    );
    const { firstMs, secondMs } = await surveyInChild({ kind: 'http', start, isPrivate: true });
    report(
      'second survey of 5,000 live pages with nothing changed, of the first',
      {
        ours: secondMs,
        bare: firstMs,
        unit: 'ms',
      },
      { atMost: 0.2 },
    );
  } finally {
    server.kill();
    await rm(folder, { recursive: true, force: true });
  }
}

function ignoreMissing(error: unknown): void {
  if ((error as { code?: unknown }).code !== 8) throw error;
}
