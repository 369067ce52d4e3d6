/** Says who can be recognised on a picture, and where on it. */
import Joi from 'joi';
import { requireRole, type Actor } from '../../../accounts/actor';
import { checkedInput } from '../../../checked-input';
import type { Database } from '../../../db/database';
import { asOne } from '../../../db/in-transaction';
import { rightsRecords } from '../../../db/schema/rights';
import { askAnew } from '../ask-anew';
import { logEvent } from '../../log-event';

/** A person on a picture, at shares of its width and height. */
export interface Mark {
  readonly person: string;
  readonly x: number;
  readonly y: number;
}

const SHARE = Joi.number().min(0).max(1).required();
const MARKED = Joi.object<{ file: string; marks: Mark[] }>({
  file: Joi.string().max(2000).required(),
  marks: Joi.array().items(Joi.object({ person: Joi.string().trim().min(1).max(100).required().messages({ '*': 'Say who is marked: initials, a number or a name' }), x: SHARE, y: SHARE })).max(200).required(), // oxfmt-ignore
});

/** Puts the people of a picture in place of those that were marked before; none takes the record away. */
export async function markPeople(
  db: Database,
  actor: Actor,
  siteId: number,
  input: { readonly file: string; readonly marks: readonly Mark[] },
): Promise<void> {
  requireRole(actor, ['maintainer'], 'say who is on a picture');
  const refusal = { code: 'MARKS_INPUT', what: 'Nobody was marked.' };
  const { file, marks } = checkedInput(MARKED, { ...input, marks: [...input.marks] }, refusal);
  const people = [...new Set(marks.map(({ person }) => person))];
  await asOne(db, async (tx) => {
    await tx.pool.query(
      `delete from rights_records where site_id = $1 and for_file = $2 and kind = 'shows'`,
      [siteId, file],
    );
    if (people.length > 0)
      await tx.orm.insert(rightsRecords).values({
        ...{ siteId, kind: 'shows', forFile: file, saidBy: actor.name },
        body: { record: 'shows', files: [file], people, marks },
      });
    await askAnew(tx, siteId, [file]);
    await logEvent(tx, actor, { siteId, verb: 'mark people', details: `${people.length} on ${file}` });
  });
}

/** The marks of a picture, as somebody set them. */
export async function marksOf({ pool }: Database, siteId: number, file: string): Promise<readonly Mark[]> {
  const { rows } = await pool.query<{ marks: readonly Mark[] | null }>(
    `select body -> 'marks' as marks from rights_records where site_id = $1 and for_file = $2 and kind = 'shows'`,
    [siteId, file],
  );
  return rows[0]?.marks ?? [];
}
