/** Records one thing of many pictures at once, with the way back. */
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { insertRows } from '../../db/insert-rows';
import { rightsRecords } from '../../db/schema/rights';
import { ProblemError } from '../../problem-error';
import { checkedRecord } from '../../reading/read-records';
import { logEvent } from '../log-event';
import { askAnew } from './ask-anew';
import { PICTURE_FIELDS, refusedRecord, type PictureSaid } from './keep-records';
import { inFolder, MEANT, MOST_MEANT, picturesMeant, type PicturesMeant } from './pictures-meant';

/** What is said of them; a field that is empty stays as it was said of each. */
export interface ManySaid extends Omit<PictureSaid, 'file'> {
  readonly meant: PicturesMeant;
}

const SAID = Joi.object<ManySaid>({ ...PICTURE_FIELDS, meant: MEANT.required() });

type Body = Readonly<Record<string, unknown>>;

/** What was recorded of a file, or of a folder as a pattern, before; `null` for nothing. */
export interface RecordBefore {
  readonly of: string;
  readonly body: Body | null;
}

const BEFORE = Joi.object<{ before: readonly RecordBefore[] }>({
  before: Joi.array()
    .items(
      Joi.object({
        of: Joi.string().max(2000).required(),
        // Of that file or folder, and of pictures alone: releases and licences are not written in this way.
        body: Joi.object({
          record: Joi.valid('picture').required(),
          files: Joi.array()
            .items(Joi.valid(Joi.ref('....of')))
            .length(1)
            .required(),
        })
          .unknown()
          .allow(null)
          .required(),
      }),
    )
    .max(MOST_MEANT)
    .required(),
});

const REFUSAL = { code: 'RIGHTS_INPUT', what: 'The record was not kept.' };

/**
 * Records the same of many pictures. Of a folder one record is kept, which holds for what comes into it later as well; of
 * the others one for each picture.
 *
 * @returns how many pictures it is about, and what was recorded before, to be put back
 * @throws ProblemError `RIGHTS_INPUT`, `RIGHTS_NOBODY` where no picture is meant, `RIGHTS_TOO_MANY`
 */
export async function recordMany(
  db: Database,
  actor: Actor,
  siteId: number,
  input: ManySaid,
): Promise<{ readonly pictures: number; readonly before: readonly RecordBefore[] }> {
  requireRole(actor, EDITORS, 'record where pictures come from');
  const { meant, ...said } = checkedInput(SAID, input, REFUSAL);
  const fields = Object.fromEntries(Object.entries(said).filter(([, value]) => value.length > 0));
  if (Object.keys(fields).length === 0) throw refusedRecord('No field says anything.');
  return asOne(db, async (tx) => {
    const pictures = await picturesMeant(tx, siteId, meant);
    if (pictures.length === 0)
      throw new ProblemError({
        code: 'RIGHTS_NOBODY',
        what: 'Nothing was recorded.',
        why: 'No picture of the site is meant by it.',
        remedy: 'Choose pictures in their list, or a folder that has some.',
      });
    if (pictures.length > MOST_MEANT && !('folder' in meant))
      throw new ProblemError({
        code: 'RIGHTS_TOO_MANY',
        what: 'Nothing was recorded.',
        why: `More than ${MOST_MEANT.toLocaleString('en')} pictures are meant.`,
        remedy: 'Record it of their folder: that is one record for all of them.',
      });
    const about = 'folder' in meant ? [`${inFolder(meant.folder)}**`] : pictures.map(({ path }) => path);
    const known = await bodiesOf(tx, siteId, about);
    const bodies = about.map((of) => ({
      of,
      body: { ...(known.get(of) ?? {}), record: 'picture', files: [of], ...fields },
    }));
    for (const { body } of bodies) checkedRecord(body, refusedRecord);
    await putRecords(tx, actor, siteId, bodies);
    await askAnew(tx, siteId, 'folder' in meant ? 'all' : about);
    const details = 'folder' in meant ? (about[0] ?? '') : `${pictures.length} pictures`;
    await logEvent(tx, actor, { siteId, verb: 'record rights of many', details });
    return { pictures: pictures.length, before: about.map((of) => ({ of, body: known.get(of) ?? null })) };
  });
}

/** Puts back what was recorded before. @throws ProblemError `RIGHTS_INPUT` where it is no record of those pictures */
export async function putRecordsBack(
  db: Database,
  actor: Actor,
  siteId: number,
  before: readonly RecordBefore[],
): Promise<void> {
  requireRole(actor, EDITORS, 'record where pictures come from');
  const rows = checkedInput(BEFORE, { before }, REFUSAL).before;
  for (const { body } of rows) if (body) checkedRecord(body, refusedRecord);
  await asOne(db, async (tx) => {
    await putRecords(tx, actor, siteId, rows);
    await askAnew(tx, siteId, rows.some(({ of }) => of.includes('*')) ? 'all' : rows.map(({ of }) => of)); // oxfmt-ignore
    await logEvent(tx, actor, { siteId, verb: 'take back rights of many', details: `${rows.length}` });
  });
}

async function bodiesOf(
  { pool }: Pick<Database, 'pool'>,
  siteId: number,
  about: readonly string[],
): Promise<Map<string, Body>> {
  const { rows } = await pool.query<{ for_file: string; body: Body }>(
    `select for_file, body from rights_records where site_id = $1 and kind = 'picture' and for_file = any($2::text[])
     order by id for update`,
    [siteId, about],
  );
  return new Map(rows.map(({ for_file: of, body }) => [of, body]));
}

async function putRecords(
  tx: Database,
  actor: Actor,
  siteId: number,
  rows: readonly RecordBefore[],
): Promise<void> {
  await tx.pool.query(
    `delete from rights_records where site_id = $1 and kind = 'picture' and for_file = any($2::text[])`,
    [siteId, rows.map(({ of }) => of)],
  );
  const kept = rows.flatMap(({ of, body }) => (body ? [{ siteId, kind: 'picture' as const, body, forFile: of, saidBy: actor.name, saidAt: new Date() }] : [])); // oxfmt-ignore
  await insertRows(tx.pool, rightsRecords, kept);
}
