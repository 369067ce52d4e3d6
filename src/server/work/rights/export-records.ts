/** Gives the records of a site out as they are taken in: JSON lines, or CSV with the same names. */
import { stringify } from 'csv-stringify/sync';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { logEvent } from '../log-event';
import { writtenRecords } from './records-of-site';

const COLUMNS = ['record', 'files', 'id', 'host', 'pattern', 'title', 'name', 'creator', 'holder', 'source', 'licence', 'purpose', 'purposes', 'commercial', 'modify', 'credit', 'line', 'sites', 'territory', 'from', 'until', 'people', 'releases', 'credits', 'always'] as const; // oxfmt-ignore

/** @returns the text of the file; releases of people are in it, and that it was given out is written down */
export async function exportRecords(
  db: Database,
  actor: Actor,
  siteId: number,
  as: 'jsonl' | 'csv',
): Promise<string> {
  requireRole(actor, ['maintainer'], 'take the records of rights out');
  const records = (await writtenRecords(db, siteId)).map(({ body }) => body);
  await logEvent(db, actor, {
    siteId,
    verb: 'take records of rights out',
    details: `${records.length} as ${as}`,
  });
  if (as === 'jsonl') return records.map((record) => `${JSON.stringify(record)}\n`).join('');
  const others = records
    .flatMap((record) => Object.keys(record))
    .filter((key) => !COLUMNS.includes(key as never));
  return stringify(
    records.map((record) =>
      Object.fromEntries(Object.entries(record).map(([name, value]) => [name, cell(name, value)])),
    ),
    { header: true, columns: [...COLUMNS, ...new Set(others)], record_delimiter: 'windows' },
  );
}

/** A value as a cell: a list’s entries apart by `; `, releases as JSON, `null` by its name. */
function cell(column: string, value: unknown): string {
  const isPlainList =
    Array.isArray(value) && column !== 'releases' && value.every((one) => typeof one === 'string');
  if (isPlainList) return value.join('; ');
  return typeof value === 'string' ? value : JSON.stringify(value);
}
