/** Reads records of rights from a file: JSON lines, or CSV with the same names. What can't be read is named, line by line. */
import { parse as parseCsv } from 'csv-parse/sync';
import Joi from 'joi';
import { dayOf, type Day } from '@/core/dating/day';
import type { RightsRecord } from '@/core/rights/records';
import { decodeBytes } from '@/core/source/decode-source';
import { encodingOfByteOrderMark } from '@/core/source/sniff-encoding';
import { ProblemError } from '../problem-error';

const day = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/, 'a day as YYYY-MM-DD')
  .custom((text: string): Day => {
    const [year, month, date] = text.split('-').map(Number) as [number, number, number];
    const found = dayOf(year, month, date);
    if (found === null) throw new Error(`${text} is no day of the calendar`);
    return found;
  })
  .allow(null);
const text = Joi.string().allow('', null);
const texts = Joi.array().items(Joi.string()).single().allow(null);
const files = Joi.array().items(Joi.string().min(1)).single().min(1).required();
const share = Joi.number().min(0).max(1).required();
const kind = (name: string) => Joi.string().valid(name).required();

const SCHEMAS: Readonly<Record<RightsRecord['record'], Joi.ObjectSchema>> = {
  site: Joi.object({ record: kind('site'), host: text, credits: texts }),
  section: Joi.object({
    ...{ record: kind('section'), pattern: Joi.string().required() },
    ...{ purpose: text, commercial: Joi.boolean().allow(null) },
  }),
  picture: Joi.object({
    ...{
      record: kind('picture'),
      files,
      title: text,
      creator: texts,
      holder: text,
      source: text,
      licence: text,
    },
    ...{ from: day, until: day, people: Joi.string().valid('none', 'some').allow(null) },
  }),
  licence: Joi.object({
    ...{ record: kind('licence'), id: Joi.string().required(), name: text, purposes: texts, line: text },
    ...{ commercial: Joi.boolean().allow(null), modify: Joi.boolean().allow(null) },
    ...{ credit: Joi.boolean().allow(null), sites: texts, territory: text, from: day, until: day },
  }),
  person: Joi.object({
    record: kind('person'),
    id: Joi.string().required(),
    releases: Joi.array()
      .items(Joi.object({ purposes: texts, from: day, until: day, withdrawn: day }).unknown())
      .allow(null),
  }),
  shows: Joi.object({
    ...{ record: kind('shows'), files, people: texts },
    marks: Joi.array()
      .items(Joi.object({ person: Joi.string().required(), x: share, y: share }).unknown())
      .allow(null),
  }),
  'credit-form': Joi.object({
    ...{ record: kind('credit-form'), always: Joi.boolean().allow(null), form: text, pattern: text },
  }),
};

/**
 * The text of a file of records: by its byte order mark, as UTF-8 where it is that, else as windows-1252, which office
 * programs write.
 */
export function recordsText(bytes: Uint8Array): string {
  const marked = encodingOfByteOrderMark(bytes);
  if (marked) return decodeBytes(bytes, marked).text;
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    // The decoder throws for what is no UTF-8, and for nothing else.
    return decodeBytes(bytes, 'windows-1252').text;
  }
}

/**
 * @param content JSON lines, or CSV whose first row names the columns: a list's entries apart by `;` or `|`, or as JSON; releases as JSON
 * @param name the file's, for messages
 * @throws ProblemError `RECORDS_UNREADABLE`, which names the first line that can't be read and why
 */
export function readRecords(content: string, name: string): RightsRecord[] {
  return rowsIn(content, name).map(({ row, line }) =>
    checkedRecord(row, (why) => unreadable(name, line, why)),
  );
}

/** The records of a file as they are written, each of them looked at: to be kept, and given out again. */
export function readWritten(
  content: string,
  name: string,
): { readonly kind: RightsRecord['record']; readonly body: Readonly<Record<string, unknown>> }[] {
  return rowsIn(content, name).map(({ row, line }) => {
    const { record: kind } = checkedRecord(row, (why) => unreadable(name, line, why));
    return { kind, body: row as Record<string, unknown> };
  });
}

function rowsIn(content: string, name: string): Row[] {
  const body = content.replace(/^\ufeff/u, '');
  return /^\s*\{/u.test(body) || body.trim() === '' ? jsonLines(body, name) : csvRows(body, name);
}

interface Row {
  readonly row: unknown;
  /** From 1. */
  readonly line: number;
}

function jsonLines(content: string, name: string): Row[] {
  return content.split(/\r?\n/u).flatMap((written, i) => {
    if (written.trim() === '') return [];
    try {
      return [{ row: JSON.parse(written) as unknown, line: i + 1 }];
    } catch (error) {
      throw unreadable(name, i + 1, `It is not JSON: ${(error as Error).message}.`);
    }
  });
}

const LISTS = new Set(['files', 'creator', 'purposes', 'sites', 'people', 'credits']);
const BOOLEANS: Readonly<Record<string, boolean>> = { true: true, yes: true, false: false, no: false };

function csvRows(content: string, name: string): Row[] {
  let rows: { record: Record<string, string>; info: { lines: number } }[];
  try {
    rows = parseCsv(content, {
      ...{ columns: true, skip_empty_lines: true, trim: true, info: true, relax_column_count: true },
      delimiter: [',', ';', '\t'].find((sign) => (content.split(/\r?\n/u)[0] ?? '').includes(sign)) ?? ',',
    }) as unknown as typeof rows;
  } catch (error) {
    throw unreadable(name, 1, `It is not CSV: ${(error as Error).message}.`);
  }
  return rows.map(({ record, info }) => ({ row: cells(record, info.lines, name), line: info.lines }));
}

function cells(record: Record<string, string>, line: number, name: string): Record<string, unknown> {
  const row: Record<string, unknown> = {};
  for (const [column, value] of Object.entries(record)) {
    if (value === '') continue;
    if (value === 'null') row[column] = null;
    else if (column === 'releases' || /^[[{]/u.test(value)) {
      try {
        row[column] = JSON.parse(value) as unknown;
      } catch (error) {
        throw unreadable(name, line, `The column ${column} is not JSON: ${(error as Error).message}.`);
      }
    } else if (LISTS.has(column) && !(column === 'people' && record.record === 'picture'))
      row[column] = listIn(value);
    else if (['commercial', 'modify', 'credit', 'always'].includes(column))
      row[column] = BOOLEANS[value.toLowerCase()] ?? value;
    else row[column] = value;
  }
  return row;
}

const listIn = (value: string): string[] =>
  value
    .split(/[;|]/u)
    .map((part) => part.trim())
    .filter((part) => part !== '');

/**
 * A record with its days as numbers and its addresses as the site has them.
 *
 * @param row as it is written: days as YYYY-MM-DD
 * @param problem makes of what is wrong with it what is thrown
 */
export function checkedRecord(row: unknown, problem: (why: string) => Error): RightsRecord {
  const said = row !== null && typeof row === 'object' && 'record' in row ? row.record : undefined;
  const schema = typeof said === 'string' && said in SCHEMAS ? SCHEMAS[said as RightsRecord['record']] : null;
  if (!schema) throw problem(`Its “record” is none of ${Object.keys(SCHEMAS).join(', ')}.`);
  const { value, error } = schema.unknown().validate(row, { convert: true }) as {
    value: RightsRecord;
    error?: Joi.ValidationError;
  };
  if (error) throw problem(`${error.message}.`);
  return 'files' in value ? { ...value, files: value.files.map(asAddress) } : value;
}

/** Addresses are relative to the site's root, however they are written. */
const asAddress = (written: string): string => written.replace(/^(?:\.\/|\/)+/u, '');

function unreadable(name: string, line: number, why: string): ProblemError {
  return new ProblemError({
    code: 'RECORDS_UNREADABLE',
    what: `The records in ${name} are not used.`,
    why: `Line ${line} can’t be read. ${why}`,
    remedy: 'Mend that line, or take it out, and try again.',
  });
}
