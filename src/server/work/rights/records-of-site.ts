import type { RightsRecord } from '@/core/rights/records';
import type { Database } from '../../db/database';
import { ProblemError } from '../../problem-error';
import { checkedRecord } from '../../reading/read-records';

/** A record as it is written, with what is known of who wrote it. */
export interface WrittenRecord {
  readonly id: number;
  readonly body: Readonly<Record<string, unknown>>;
  readonly forFile: string | null;
  readonly saidBy: string;
  readonly saidAt: Date;
}

/** The records of a site as they are written, in their order. */
export async function writtenRecords({ pool }: Database, siteId: number): Promise<WrittenRecord[]> {
  const { rows } = await pool.query<WrittenRecord>(
    `select id, body, for_file as "forFile", said_by as "saidBy", said_at as "saidAt"
     from rights_records where site_id = $1 order by id`,
    [siteId],
  );
  return rows;
}

/** The records of a site, ready to be reasoned with. */
export async function recordsOf(db: Database, siteId: number): Promise<RightsRecord[]> {
  return (await writtenRecords(db, siteId)).map(({ id, body }) =>
    checkedRecord(body, (why) => new ProblemError({
      code: 'RECORD_UNREADABLE',
      what: 'Rights were not looked at anew.',
      why: `Record ${id} can’t be read. ${why}`,
      remedy: 'Take the records out and bring them in again.',
    })),
  ); // oxfmt-ignore
}
