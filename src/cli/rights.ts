import { readFile } from 'node:fs/promises';
import { type SiteAddressing, siteOfFiles } from '@/core/address/resolve-address';
import { dayOf, dayOfMs, isoDay, type Day } from '@/core/dating/day';
import type { Placement } from '@/core/markup/placement';
import { familiesOf } from '@/core/picture/all-families';
import { fingerprintOf } from '@/core/picture/fingerprint';
import { answerSite, type AnsweredPlace, type PageOfPlaces } from '@/core/rights/answer-site';
import { hostOf, RecordIndex } from '@/core/rights/record-index';
import { renditionsOf, type Rendition } from '@/core/rights/renditions';
import type { ReadableConnection } from '@/server/connections/connection';
import { bytesOf } from '@/server/connections/read-site';
import { pagesOf, readSources } from '@/server/connections/site-sources';
import { sha256 } from '@/server/hash';
import { inspectImage } from '@/server/imaging/inspect-image';
import { readPlanes } from '@/server/imaging/read-pixels';
import { ProblemError, problemOf } from '@/server/problem-error';
import { placementRow } from '@/server/reading/placement-row';
import { readCredits } from '@/server/reading/read-credits';
import { fileFinder, pageFinder } from '@/server/reading/rights-addresses';
import { sourceShelf } from '@/server/reading/source-shelf';
import { readRecords, recordsText } from '@/server/reading/read-records';
import { isWebAddress, openSite, type SiteOptions } from './open-site';
import { lookFor, readPicturesOf } from './picture-folder';
import { PrintShelf } from './print-shelf';
import { printRow, showProgress, sayUnread } from './rows';

interface RightsOptions extends SiteOptions {
  readonly records: string;
  /** `2026-11-27`; today where it is left out. */
  readonly on?: string;
  readonly failOn?: 'no';
}

/** Exit code where something may not stand, and the command was asked to fail on it. */
const FOUND = 1;
/** Kinds that are places, and show no file of their own. */
const NO_FILE: ReadonlySet<Placement['kind']> = new Set(['area', 'drawn', 'audio']);

/** `ibidem rights SITE --records FILE`: a row a placement of an image, with whether it may stand there, and why. */
export async function rightsCommand(
  site: string,
  { records: file, on, failOn, ...options }: RightsOptions,
): Promise<number> {
  const day = on === undefined ? dayOfMs(Date.now()) : dayNamed(on);
  const written = await recordsIn(file);
  const connection = await openSite(site, options);
  const shelf = await PrintShelf.open();
  try {
    const addressing = connection.site ?? siteOfFiles();
    const records = new RecordIndex(written, isWebAddress(site) ? hostOf(site) : null);
    const pages = await readPages(connection, addressing);
    const fileOf = fileFinder(addressing, records);
    const shown = pages.flatMap(({ placements }) => placements.flatMap((one) => fileOf(one) ?? []));
    await lookFor(connection, [...shown, ...records.addresses()]);
    const renditions = await readRenditions(connection, records, shelf);
    const known = {
      records,
      fileOf,
      renditionOf: (address: string) => renditions.get(address),
      pageOf: pageFinder(pages, addressing),
    };
    let isFailed = false;
    for (const answered of answerSite(pages, known, day)) {
      if (NO_FILE.has(answered.placement.kind)) continue;
      await printRow(rowOf(answered, addressing));
      if (answered.answer.may === failOn) isFailed = true;
    }
    return isFailed ? FOUND : 0;
  } finally {
    await shelf.close();
    await connection.close();
  }
}

function rowOf({ placement, answer, credit }: AnsweredPlace<Placement>, site: SiteAddressing) {
  const { page, source, line, column, url } = placementRow(placement, site);
  const { may, because, until, chain } = answer;
  return {
    page,
    source,
    line,
    column,
    url,
    may,
    because,
    until: until === null ? null : isoDay(until),
    credit,
    chain: chain.map(({ sentence }) => sentence),
  };
}

function dayNamed(text: string): Day {
  const [, year, month, date] = /^(\d{4})-(\d{2})-(\d{2})$/u.exec(text) ?? [];
  const day = year === undefined ? null : dayOf(Number(year), Number(month), Number(date));
  if (day !== null) return day;
  throw new ProblemError({
    code: 'DAY_UNKNOWN',
    what: `“${text}” is not a day.`,
    why: 'A day is written as YYYY-MM-DD, and has to be one of the calendar.',
    remedy: 'Write it so, as in --on 2026-11-27.',
  });
}

async function recordsIn(file: string) {
  try {
    return readRecords(recordsText(await readFile(file)), file);
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    throw new ProblemError({
      code: 'RECORDS_UNREADABLE',
      what: `The records in ${file} can’t be read.`,
      why: problemOf(error).why,
      remedy: 'Give a file of JSON lines, or CSV, with --records.',
    });
  }
}

async function readPages(
  connection: ReadableConnection,
  site: SiteAddressing,
): Promise<PageOfPlaces<Placement>[]> {
  const { files } = await connection.list();
  const shelf = sourceShelf(await readSources(connection, files, sayUnread), site);
  const pages: PageOfPlaces<Placement>[] = [];
  for await (const page of readCredits(bytesOf(connection, pagesOf(files), sayUnread), site, shelf)) {
    pages.push(page);
    showProgress(`${pages.length} pages read`);
  }
  return pages;
}

/** How the pictures of the site belong together. @param shelf keeps their looks, as long as they may be asked for */
async function readRenditions(
  connection: ReadableConnection,
  records: RecordIndex,
  shelf: PrintShelf,
): Promise<Map<string, Rendition>> {
  const files = await readPicturesOf(connection, async ({ path }, bytes) => {
    const id = sha256(bytes);
    const { widthPx, heightPx } = await inspectImage(bytes, path);
    await shelf.keep(id, fingerprintOf(await readPlanes(bytes, path)));
    return { path, id, widthPx, heightPx };
  });
  const byId = new Map<string, { paths: string[]; widthPx: number; heightPx: number }>();
  for (const { id, path, widthPx, heightPx } of files) {
    const known = byId.get(id) ?? { paths: [], widthPx, heightPx };
    known.paths.push(path);
    byId.set(id, known);
  }
  showProgress('Pictures are compared');
  const families = familiesOf(files, shelf.load);
  showProgress('');
  return renditionsOf(families, {
    addressesOf: (id) => byId.get(id)?.paths ?? [],
    sizeOf: (id) => byId.get(id) ?? { widthPx: 1, heightPx: 1 },
    looksOf: shelf.load,
    isNamed: (address) => records.names(address),
  });
}
