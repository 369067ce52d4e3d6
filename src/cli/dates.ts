import { bestInterval, contradictions } from '@/core/dating/best-interval';
import { gatherEvidence, type DateEvidence } from '@/core/dating/date-evidence';
import { dayOfMs, isoDay, partsOf, type DaySpan } from '@/core/dating/day';
import { inspectImage } from '@/server/imaging/inspect-image';
import { readMetadata } from '@/server/imaging/read-metadata';
import { readPictures } from './picture-folder';
import { printRow } from './rows';

/** `ibidem dates FOLDER`: a row a file, with the days on which it was most likely taken and what tells them. */
export async function datesCommand(folder: string): Promise<void> {
  const today = dayOfMs(Date.now());
  const rules = { today, thisYear: partsOf(today).year };
  const rows = await readPictures(folder, async (file, bytes) => {
    const { widthPx, heightPx } = await inspectImage(bytes, file.path);
    const { taken, digitized, dates = [] } = await readMetadata(bytes);
    const evidence = gatherEvidence(
      { taken, digitized, fields: dates, path: file.path, widthPx, heightPx, modifiedMs: file.modifiedMs },
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
}

function evidenceRow(one: DateEvidence) {
  return { origin: one.origin, ...isoSpan(one), weight: one.weight, text: one.text };
}

function isoSpan({ from, until }: DaySpan): { from: string | null; until: string | null } {
  return { from: from === null ? null : isoDay(from), until: until === null ? null : isoDay(until) };
}
