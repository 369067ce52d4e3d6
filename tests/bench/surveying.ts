/** A survey of 10,000 pages and 20,000 files into the database: its peak memory, a second one, and the lists after it. */
import { execFile } from 'node:child_process';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import type { NewSite } from '@/server/work/sites/connect-site';
import { moduleBeside, report } from './measure';
import { grownPages, grownSheets } from './pages';

const PAGES = 10_000;
const FILES = 20_000;
/** What a survey may hold at its peak. */
const ALLOWED_MB = 600;
/** What checking so many places for errata may take. */
const PLACES = 60_000;
const ALLOWED_CHECK_MS = 10_000;
/** What the first list after a change may wait for the groups of errata. */
const ALLOWED_GROUP_MS = 1000;
/** What a list may take to answer, 95 times out of 100. */
const ALLOWED_LIST_MS = 100;

interface Measured {
  readonly firstMs: number;
  readonly secondMs: number;
  readonly peakBytes: number;
  /** Checking all pages for errata, and again where one in a hundred changed; how many places there are. */
  readonly checkMs: number;
  readonly recheckMs: number;
  /** Grouping all errata anew, as the first list does after something has changed. */
  readonly groupMs: number;
  readonly places: number;
  /** 95th percentile by list, in ms. */
  readonly lists: Readonly<Record<string, number>>;
}

/** Surveys a site twice in a process of its own. */
export async function surveyInChild(from: NewSite['from']): Promise<Measured> {
  const child = [moduleBeside('survey-child'), JSON.stringify(from)];
  const { stdout } = await promisify(execFile)(process.execPath, child, {
    env: process.env,
    maxBuffer: 1 << 20,
  });
  return JSON.parse(stdout) as Measured;
}

export async function benchSurveying(): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-bench-survey-'));
  const write = async (path: string, bytes: Uint8Array) => {
    await mkdir(dirname(join(folder, path)), { recursive: true });
    await writeFile(join(folder, path), bytes);
  };
  for (const { path, bytes } of [...grownPages(PAGES), ...grownSheets()]) await write(path, bytes);
  const dot = Buffer.from('R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7', 'base64');
  // What stands behind a picture's end makes each file another one, and hinders nobody from reading it.
  for (let n = 0; n < FILES; n++)
    await write(`pictures/${n % 100}/p${n}.gif`, Buffer.concat([dot, Buffer.from(`${n}`)]));
  const { firstMs, secondMs, peakBytes, lists, ...checked } = await surveyInChild({
    kind: 'folder',
    path: folder,
  });
  report(
    'peak memory of a 10,000-page survey, of what is allowed',
    {
      ours: peakBytes / 1e6,
      bare: ALLOWED_MB,
      unit: 'MB',
    },
    { atMost: 1 },
  );
  report(
    'second survey with nothing changed, of the first',
    { ours: secondMs, bare: firstMs, unit: 'ms' },
    { atMost: 0.2 },
  );
  report(
    'check 60,000 places of a site for errata, of what is allowed',
    {
      ours: (checked.checkMs * PLACES) / checked.places,
      bare: ALLOWED_CHECK_MS,
      unit: 'ms',
    },
    { atMost: 1 },
  );
  report(
    'check again where one page in a hundred changed, of all',
    {
      ours: checked.recheckMs,
      bare: checked.checkMs,
      unit: 'ms',
    },
    { atMost: 0.05 },
  );
  report(
    'group what was found anew, of a second that the first reader may wait',
    { ours: checked.groupMs, bare: ALLOWED_GROUP_MS, unit: 'ms' },
    { atMost: 1 },
  );
  for (const [name, ms] of Object.entries(lists)) {
    report(
      `list of ${name} at that size, 95th percentile, of what is allowed`,
      {
        ours: ms,
        bare: ALLOWED_LIST_MS,
        unit: 'ms',
      },
      { atMost: 1 },
    );
  }
  await rm(folder, { recursive: true, force: true });
}
