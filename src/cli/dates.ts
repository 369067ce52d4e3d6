import { bestInterval, contradictions } from '@/core/dating/best-interval';
import { gatherEvidence, type DateEvidence } from '@/core/dating/date-evidence';
import { dayOfMs, isoDay, partsOf, type DaySpan } from '@/core/dating/day';
import { wordsOfPlaces } from '@/core/picture/know-picture';
import { isPagePath } from '@/core/source/role-of-name';
import type { ReadableConnection } from '@/server/connections/connection';
import { inspectImage } from '@/server/imaging/inspect-image';
import { readMetadata } from '@/server/imaging/read-metadata';
import { knownPlace } from './known-pictures';
import { openSite } from './open-site';
import { readPicturesOf } from './picture-folder';
import { placesByFile, readPages, type Place } from './places-by-file';
import { printRow } from './rows';

/**
 * `ibidem dates FOLDER`: a row a file, with the days on which it was most likely taken and what tells them. Where the
 * folder has pages, what they say of the picture tells as well.
 */
export async function datesCommand(folder: string): Promise<void> {
  const today = dayOfMs(Date.now());
  const rules = { today, thisYear: partsOf(today).year };
  const connection = await openSite(folder);
  try {
    const places = await placesOf(connection);
    const rows = await readPicturesOf(connection, async (file, bytes) => {
      const { widthPx, heightPx } = await inspectImage(bytes, file.path);
      const { taken, digitized, dates = [], camera, edited, made } = await readMetadata(bytes);
      const shown = (places.get(file.path) ?? []).filter(({ placement }) => !placement.dormant);
      const evidence = gatherEvidence(
        {
          ...{ taken, digitized, fields: dates, camera, edited, made },
          ...{ path: file.path, widthPx, heightPx, modifiedMs: file.modifiedMs },
          ...wordsOfPlaces(shown.map(knownPlace), rules),
        },
        rules,
      );
      const dating = bestInterval(evidence);
      return {
        file: file.path,
        ...isoSpan(dating),
        evidence: evidence.map((one) => ({ ...evidenceRow(one), holds: dating.because.includes(one) })),
        contradicts: contradictions(evidence).map(({ said, known }) => ({
          said: evidenceRow(said),
          known: evidenceRow(known),
        })),
      };
    });
    for (const row of rows) await printRow(row);
  } finally {
    await connection.close();
  }
}

/** The places of each file; none where the folder holds pictures alone. */
async function placesOf(connection: ReadableConnection): Promise<ReadonlyMap<string, readonly Place[]>> {
  const { files } = await connection.list();
  return files.some(({ path }) => isPagePath(path)) ? placesByFile(await readPages(connection)) : new Map();
}

function evidenceRow(one: DateEvidence) {
  return { origin: one.origin, ...isoSpan(one), weight: one.weight, text: one.text };
}

function isoSpan({ from, until }: DaySpan): { from: string | null; until: string | null } {
  return { from: from === null ? null : isoDay(from), until: until === null ? null : isoDay(until) };
}
