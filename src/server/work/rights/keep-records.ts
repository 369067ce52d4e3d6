/** Takes records of rights in, from a file or from what somebody says of one picture. */
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { insertRows } from '../../db/insert-rows';
import { rightsRecords } from '../../db/schema/rights';
import { ProblemError } from '../../problem-error';
import { logEvent } from '../log-event';
import { askAnew } from './ask-anew';
import { checkedRecord, readWritten, recordsText } from '../../reading/read-records';

/** Largest file of records that is taken, in bytes: some hundred thousand of them. */
const MAX_RECORDS_BYTES = 30 * 1024 ** 2;
const BATCH = 2000;

export interface RecordsFile {
  readonly name: string;
  readonly bytes: Uint8Array;
  /** Whether what came from files before goes; what was said of single pictures stays either way. */
  readonly isInstead: boolean;
}

/**
 * Takes the records of a file over: all of them, or none where one can't be read.
 *
 * @returns how many there were
 * @throws ProblemError `RECORDS_UNREADABLE` with the line and why, `RECORDS_TOO_LARGE`
 */
export async function importRecords(
  db: Database,
  actor: Actor,
  siteId: number,
  { name, bytes, isInstead }: RecordsFile,
): Promise<number> {
  requireRole(actor, ['maintainer'], 'bring in records of rights');
  if (bytes.length > MAX_RECORDS_BYTES)
    throw new ProblemError({
      code: 'RECORDS_TOO_LARGE',
      what: `“${name}” was not taken over.`,
      why: `It has ${Math.round(bytes.length / 1024 ** 2)} MB; up to ${MAX_RECORDS_BYTES / 1024 ** 2} MB are taken.`,
      remedy: 'Bring it in in parts.',
    });
  const rows = readWritten(recordsText(bytes), name);
  if (rows.length === 0)
    throw new ProblemError({
      code: 'RECORDS_EMPTY',
      what: 'Nothing was taken over.',
      why: `There is no record in “${name}”.`,
      remedy: 'Choose a file of JSON lines, or CSV whose first row names the columns.',
    });
  await asOne(db, async (tx) => {
    if (isInstead)
      await tx.pool.query(
        'delete from rights_records where site_id = $1 and for_file is null and for_person is null',
        [siteId],
      );
    for (let from = 0; from < rows.length; from += BATCH)
      await insertRows(
        tx.pool,
        rightsRecords,
        rows.slice(from, from + BATCH).map(({ kind, body }) => ({
          ...{ siteId, kind, body, forFile: null, saidBy: actor.name, saidAt: new Date() },
        })),
      );
    await askAnew(tx, siteId, 'all');
    const details = `${rows.length} from ${name}${isInstead ? ', instead of those before' : ''}`;
    await logEvent(tx, actor, { siteId, verb: 'bring in records of rights', details });
  });
  return rows.length;
}

/** What somebody records of one picture; a field that is left out is said by a less exact record, if any. */
export interface PictureSaid {
  /** The address of the file that stands for the picture. */
  readonly file: string;
  readonly creator: readonly string[];
  readonly holder: string;
  readonly licence: string;
  readonly source: string;
  /** `2026-08-31`; empty for none. */
  readonly until: string;
  readonly people: 'none' | 'some' | '';
}

/** The fields in which somebody says where a picture comes from. */
export const PICTURE_FIELDS = {
  creator: Joi.array().items(Joi.string().trim().max(200)).max(20).required(),
  holder: Joi.string().trim().max(200).allow('').required(),
  licence: Joi.string().trim().max(100).allow('').required(),
  source: Joi.string().trim().max(2000).allow('').required(),
  until: Joi.string().trim().max(20).allow('').required(),
  people: Joi.string().valid('none', 'some', '').required(),
};

const SAID = Joi.object<PictureSaid>({ file: Joi.string().max(2000).required(), ...PICTURE_FIELDS });

/** Records of a picture what somebody says, in place of what was said of it so before; nothing said takes that away. */
export async function recordPicture(
  db: Database,
  actor: Actor,
  siteId: number,
  input: PictureSaid,
): Promise<void> {
  requireRole(actor, EDITORS, 'record where pictures come from');
  const { file, ...said } = checkedInput(SAID, input, {
    code: 'RIGHTS_INPUT',
    what: 'The record was not kept.',
  });
  const fields = Object.entries(said).filter(([, value]) => value.length > 0);
  const body = { record: 'picture', files: [file], ...Object.fromEntries(fields) };
  checkedRecord(body, refusedRecord);
  await asOne(db, async (tx) => {
    await tx.pool.query(`delete from rights_records where site_id = $1 and for_file = $2 and kind = 'picture'`, [siteId, file]); // oxfmt-ignore
    if (fields.length > 0)
      await tx.orm.insert(rightsRecords).values({
        ...{ siteId, kind: 'picture', forFile: file, saidBy: actor.name, body },
      });
    await askAnew(tx, siteId, [file]);
    await logEvent(tx, actor, { siteId, verb: 'record rights', details: file });
  });
}

/** Why a record can't be kept, as a person is told. */
export const refusedRecord = (why: string): ProblemError =>
  new ProblemError({
    code: 'RIGHTS_INPUT',
    what: 'The record was not kept.',
    why,
    remedy: 'A day is written as 2026-08-31; mend what is named, and record it again.',
  });
