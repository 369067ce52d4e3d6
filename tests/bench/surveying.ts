/** A survey of 10,000 pages into the database: its peak memory, and a second one in which nothing has changed. */
import { execFile } from 'node:child_process';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { report } from './measure';
import { grownPages, grownSheets } from './pages';

const PAGES = 10_000;
/** What a survey may hold at its peak. */
const ALLOWED_MB = 600;

export async function benchSurveying(): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-bench-survey-'));
  for (const { path, bytes } of [...grownPages(PAGES), ...grownSheets()]) {
    await mkdir(dirname(join(folder, path)), { recursive: true });
    await writeFile(join(folder, path), bytes);
  }
  const child = ['--import', 'tsx', 'tests/bench/survey-child.ts', folder];
  const { stdout } = await promisify(execFile)(process.execPath, child, {
    env: process.env,
    maxBuffer: 1 << 20,
  });
  const { firstMs, secondMs, peakBytes } = JSON.parse(stdout) as {
    firstMs: number;
    secondMs: number;
    peakBytes: number;
  };
  report('peak memory of a 10,000-page survey, of what is allowed', {
    ours: peakBytes / 1e6,
    bare: ALLOWED_MB,
    unit: 'MB',
  });
  report('second survey with nothing changed, of the first', { ours: secondMs, bare: firstMs, unit: 'ms' });
  await rm(folder, { recursive: true, force: true });
}
