/** All that is kept of one person: given out in one file, or erased. */
import { requireRole, type Actor } from '../../../accounts/actor';
import type { Database } from '../../../db/database';
import { asOne } from '../../../db/in-transaction';
import { askAnew } from '../ask-anew';
import { logEvent } from '../../log-event';
import { unseal } from '../papers';

interface RecordRow {
  readonly id: number;
  readonly kind: 'person' | 'shows';
  readonly body: Readonly<Record<string, unknown>> & { readonly files?: readonly string[]; readonly people?: readonly string[] }; // oxfmt-ignore
}

/** The records that name a person. */
async function recordsNaming({ pool }: Database, siteId: number, person: string): Promise<RecordRow[]> {
  const { rows } = await pool.query<RecordRow>(
    `select id, kind, body from rights_records where site_id = $1
       and ((kind = 'person' and body ->> 'id' = $2) or (kind = 'shows' and body -> 'people' ? $2)) order by id`,
    [siteId, person],
  );
  return rows;
}

/** Records, papers (Base64) and what was done with them, as JSON text. */
export async function giveOutPerson(
  db: Database,
  actor: Actor,
  siteId: number,
  person: string,
): Promise<string> {
  requireRole(actor, ['maintainer'], 'give a person’s data out');
  const records = (await recordsNaming(db, siteId, person)).map(({ body }) => body);
  const { rows: papers } = await db.pool.query<{
    file_name: string;
    content_type: string;
    kept_at: Date;
    sealed: Buffer;
  }>(
    'select file_name, content_type, kept_at, sealed from release_papers where site_id = $1 and person = $2 order by id',
    [siteId, person],
  );
  const { rows: events } = await db.pool.query<{ verb: string; details: string; at: Date }>(
    `select verb, details, at from events where site_id = $1 and ${NAMED_IN_DETAILS} order by id`,
    [siteId, person],
  );
  await logEvent(db, actor, { siteId, verb: 'give a person’s data out', details: person });
  const opened = papers.map(({ file_name, content_type, kept_at, sealed }) => ({
    ...{ fileName: file_name, contentType: content_type, keptAt: kept_at },
    base64: unseal(sealed, siteId, { person }).toString('base64'),
  }));
  return `${JSON.stringify({ person, records, papers: opened, events }, null, 2)}\n`;
}

/** SQL: whether the details of an event name the person `$2` as a whole. */
const NAMED_IN_DETAILS = `(details = $2 or left(details, length($2) + 1) = $2 || ',')`;

/**
 * Erases a person: records, marks, papers, and their name in the log, where it is only said that somebody was. A picture
 * of theirs stays known as one on which somebody can be recognised.
 *
 * @returns how many records were changed or taken away
 */
export async function erasePerson(
  db: Database,
  actor: Actor,
  siteId: number,
  person: string,
): Promise<number> {
  requireRole(actor, ['maintainer'], 'erase a person’s data');
  return asOne(db, async (tx) => {
    const rows = await recordsNaming(tx, siteId, person);
    for (const { id, kind, body } of rows) {
      const people = (body.people ?? []).filter((one) => one !== person);
      if (kind === 'person') await tx.pool.query('delete from rights_records where id = $1', [id]);
      else if (people.length > 0) await keepBody(tx, id, 'shows', withoutMarks(body, person, people));
      else await keepBody(tx, id, 'picture', { record: 'picture', files: body.files ?? [], people: 'some' });
    }
    await tx.pool.query('delete from release_papers where site_id = $1 and person = $2', [siteId, person]);
    await tx.pool.query(
      `update events set details = 'somebody whose data was erased' where site_id = $1 and ${NAMED_IN_DETAILS}`,
      [siteId, person],
    );
    await askAnew(tx, siteId, 'all');
    await logEvent(tx, actor, { siteId, verb: 'erase a person’s data', details: `${rows.length} records` });
    return rows.length;
  });
}

function withoutMarks(body: RecordRow['body'], person: string, people: readonly string[]): object {
  const marks = (body['marks'] as readonly { readonly person: string }[] | undefined)?.filter(
    (mark) => mark.person !== person,
  );
  return { ...body, people, ...(marks ? { marks } : {}) };
}

async function keepBody({ pool }: Database, id: number, kind: string, body: object): Promise<void> {
  await pool.query('update rights_records set kind = $2, body = $3 where id = $1', [
    id,
    kind,
    JSON.stringify(body),
  ]);
}
