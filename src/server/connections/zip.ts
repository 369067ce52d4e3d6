import { createWriteStream } from 'node:fs';
import { mkdir, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { buffer } from 'node:stream/consumers';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import type { Problem } from '@/core/problem';
import { ProblemError } from '../problem-error';
import { systemProblem } from '../system-problem';
import type { ReadableConnection, SiteFile } from './connection';

/** What a ZIP may hold at the most; beyond it lies a mistake or an attack. */
const MAX_ENTRIES = 200_000;
const MAX_UNPACKED_BYTES = 8 * 1024 ** 3;
const MAX_RATIO = 1000;
const RATIO_FROM_BYTES = 10 * 1024 ** 2;
/** As a whole: pages alone pack to a twentieth, and no site is all of one letter. */
const MAX_TOTAL_RATIO = 100;
const TOTAL_RATIO_FROM_BYTES = 200 * 1024 ** 2;

const refuse = (code: string, what: string, why: string, remedy: string) =>
  new ProblemError({ code, what, why, remedy } satisfies Problem);

/** The entries of a ZIP, each checked for its name, kind and size before anything is unpacked. */
async function openChecked(file: string): Promise<{ zip: ZipFile; entries: Map<string, Entry> }> {
  const zip = await yauzl
    .openPromise(file, { autoClose: false, lazyEntries: true, decodeStrings: true })
    .catch((error: unknown) => {
      throw unreadable(file, error);
    });
  try {
    return { zip, entries: await checkedEntries(zip, file) };
  } catch (error) {
    zip.close();
    throw error instanceof ProblemError ? error : unreadable(file, error);
  }
}

function unreadable(file: string, error: unknown): ProblemError {
  const name = file.split('/').at(-1) ?? file;
  const refused = systemProblem(error, name, 'unpacked');
  if (refused instanceof ProblemError) return refused;
  // The unpacker's words may name where Ibidem keeps things; nobody who sends a ZIP has to know.
  const message = (error instanceof Error ? error.message : String(error)).replace(
    /(?:\/[^\s/'",]+){2,}/g,
    '…',
  );
  if (/invalid relative path|absolute path|invalid characters in fileName/.test(message)) {
    return refuse(
      'ZIP_PATH',
      `${name} was not opened.`,
      `One of its entries would be written outside the site (${message}).`,
      'Pack the site’s folder again; nothing was unpacked.',
    );
  }
  return refuse(
    'ZIP_BROKEN',
    `${name} can’t be read as a ZIP.`,
    `It is cut short or damaged (${message}).`,
    'Send or save it again, and check that it opens on your own machine.',
  );
}

async function checkedEntries(zip: ZipFile, file: string): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>();
  let unpacked = 0;
  let packed = 0;
  for await (const entry of zip.eachEntry()) {
    if (entry.fileName.endsWith('/')) continue;
    if (((entry.externalFileAttributes >>> 16) & 0o170000) === 0o120000) {
      throw refuse(
        'ZIP_LINK',
        `${file.split('/').at(-1)} was not opened.`,
        `${entry.fileName} is a link to another place.`,
        'Pack the files themselves.',
      );
    }
    unpacked += entry.uncompressedSize;
    packed += entry.compressedSize;
    const isBomb =
      entry.uncompressedSize > RATIO_FROM_BYTES &&
      entry.uncompressedSize > MAX_RATIO * Math.max(1, entry.compressedSize);
    const isBombInAll = unpacked > TOTAL_RATIO_FROM_BYTES && unpacked > MAX_TOTAL_RATIO * Math.max(1, packed);
    if (isBomb || isBombInAll || unpacked > MAX_UNPACKED_BYTES || entries.size >= MAX_ENTRIES) {
      throw refuse(
        'ZIP_TOO_LARGE',
        `${file.split('/').at(-1)} was not opened.`,
        `It unpacks to more than a site holds (at ${entry.fileName}).`,
        `At most ${MAX_ENTRIES.toLocaleString('en')} files and 8 GB are taken, and no more than a hundred times what was sent.`,
      );
    }
    entries.set(entry.fileName, entry);
  }
  return entries;
}

/**
 * Opens a ZIP as a site that can be read.
 *
 * @throws ProblemError `ZIP_BROKEN`, `ZIP_PATH`, `ZIP_LINK` or `ZIP_TOO_LARGE`
 */
export async function openZip(file: string): Promise<ReadableConnection> {
  const { zip, entries } = await openChecked(file);
  return {
    list: async () => ({ files: [...entries.values()].map(siteFile), skipped: [] }),
    read: async (path) => {
      const entry = entries.get(path);
      if (!entry) throw refuse('FILE_MISSING', `${path} is not in the ZIP.`, '', 'Survey the site again.');
      return buffer(await zip.openReadStreamPromise(entry)).catch((error: unknown) => {
        throw unreadable(file, error);
      });
    },
    close: async () => zip.close(),
  };
}

function siteFile(entry: Entry): SiteFile {
  return {
    path: entry.fileName,
    sizeBytes: entry.uncompressedSize,
    modifiedMs: entry.getLastModDate().getTime(),
  };
}

/** Unpacks a ZIP into a new folder, every entry checked first. `onFile` is told after each file how many are done. */
export async function unpackZip(
  file: string,
  folder: string,
  onFile: (done: number, total: number) => void = () => undefined,
): Promise<void> {
  const { zip, entries } = await openChecked(file);
  try {
    let done = 0;
    for (const [path, entry] of entries) {
      const target = join(folder, path);
      await mkdir(dirname(target), { recursive: true });
      await pipeline(await zip.openReadStreamPromise(entry), createWriteStream(target, { flags: 'wx' }));
      onFile(++done, entries.size);
    }
  } catch (error) {
    throw unreadable(file, error);
  } finally {
    zip.close();
  }
}

/** Whether a path is a file that ends in `.zip`. */
export async function isZipFile(path: string): Promise<boolean> {
  return (
    /\.zip$/i.test(path) &&
    (await stat(path).then(
      (info) => info.isFile(),
      () => false,
    ))
  );
}
