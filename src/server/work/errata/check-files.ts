/** Checks the files of a site as such: those that nothing shows, and those that contradict what is recorded of them. */
import { sectionOf } from '@/core/address/section-of';
import { checkFile, type FileErratum } from '@/core/errata/check-page';
import type { FileToCheck } from '@/core/errata/rule';
import { contradictions, proposedRights, type EmbeddedRights } from '@/core/rights/embedded-rights';
import { RecordIndex } from '@/core/rights/record-index';
import type { Database } from '../../db/database';
import { inTransaction } from '../../db/in-transaction';
import { insertRows } from '../../db/insert-rows';
import { errata } from '../../db/schema/errata';
import { ProblemError } from '../../problem-error';
import { recordsOf } from '../rights/records-of-site';
import { levelsIn, type SectionLevels } from './pages-to-check';

interface Kept {
  readonly id: string;
  readonly path: string;
  readonly rule: string;
  readonly degree: string;
  readonly section: string;
  readonly key: string;
}

/**
 * Checks all files, and writes what is new or gone: an erratum that stays keeps its number. Where nothing has changed on
 * which it rests, nothing is done.
 *
 * @param rulesKey what all rules say
 */
export async function checkFiles(
  db: Database,
  siteId: number,
  { levels, rulesKey }: { readonly levels: SectionLevels; readonly rulesKey: string },
): Promise<void> {
  const key = await keyOfFiles(db, siteId, rulesKey);
  if (key === null) return;
  const { rows: unused } = await db.pool.query<FileToCheck>(
    `select path, size_bytes::float8 as "sizeBytes", uses from files
     where site_id = $1 and gone_in is null and sha256 is not null and uses = 0`,
    [siteId],
  );
  const against = await contradictingFiles(db, siteId);
  const isAgainst = new Set(against.map(({ path }) => path));
  const files = [...against, ...unused.filter(({ path }) => !isAgainst.has(path))];
  const { rows: patterns } = await db.pool.query<{ pattern: string }>(
    'select pattern from sections where site_id = $1',
    [siteId],
  );
  const { rows: before } = await db.pool.query<Kept>(
    'select id::text, page_path as path, rule, degree, section, key from errata where site_id = $1 and placement_id is null',
    [siteId],
  );
  const of = patterns.map(({ pattern }) => pattern);
  const found = files.flatMap((file) => {
    const section = sectionOf(file.path, of);
    return checkFile(file, levelsIn(section, levels)).map((one) => rowOf(siteId, file.path, section, one));
  });
  const isKnown = new Set(before.map(nameOf));
  const isThere = new Set(found.map((row) => nameOf({ ...row, path: row.pagePath })));
  const gone = before.filter((one) => !isThere.has(nameOf(one))).map(({ id }) => id);
  const fresh = found.filter((row) => !isKnown.has(nameOf({ ...row, path: row.pagePath })));
  const client = await db.pool.connect();
  try {
    await inTransaction(client, async () => {
      await client.query('delete from errata where id = any($1::int8[])', [gone]);
      await insertRows(client, errata, fresh, { onConflict: ['site_id', 'page_path', 'key'] });
      await client.query('update sites set files_key = $2 where id = $1', [siteId, key]);
    });
  } finally {
    client.release();
  }
}

/** SQL: whether the looks `l` of a file say anything of rights. */
const SPEAKS_OF_RIGHTS = `(l.metadata ->> 'creator' <> '' or l.metadata ->> 'credit' <> '' or l.metadata ->> 'copyright' <> ''
  or l.metadata ->> 'usageTerms' <> '' or l.metadata ->> 'licenceUrl' <> '')`;

interface SpeakingFile {
  readonly path: string;
  readonly sizeBytes: number;
  readonly uses: number;
  /** Path of the file that stands for its picture. */
  readonly master: string | null;
  readonly metadata: EmbeddedRights;
}

/** Files whose metadata says otherwise than what is recorded of them, or of the picture that they are a file of. */
async function contradictingFiles(db: Database, siteId: number): Promise<FileToCheck[]> {
  const { rows } = await db.pool.query<SpeakingFile>(
    `select f.path, f.size_bytes::float8 as "sizeBytes", f.uses, l.metadata,
       (select m.path from files m where m.site_id = f.site_id and m.picture_id = f.picture_id and m.is_master and m.gone_in is null
         order by m.path limit 1) as master
     from files f join looks l on l.sha256 = f.sha256
     where f.site_id = $1 and f.gone_in is null and ${SPEAKS_OF_RIGHTS}
       and exists (select 1 from rights_records r where r.site_id = $1) order by f.path`,
    [siteId],
  );
  if (rows.length === 0) return [];
  const index = await recordIndex(db, siteId);
  return rows.flatMap(({ metadata, master, ...file }) => {
    const embedded = proposedRights(metadata);
    const recorded = index?.picture({ url: file.path, master })?.fields;
    const found = embedded && recorded ? contradictions(embedded, { ...recorded }) : [];
    return found.length > 0 ? [{ ...file, contradictions: found }] : [];
  });
}

/** The records of a site; `null` where one can't be read: that is told where rights are, and hinders nothing else. */
async function recordIndex(db: Database, siteId: number): Promise<RecordIndex | null> {
  try {
    return new RecordIndex(await recordsOf(db, siteId));
  } catch (error) {
    if (error instanceof ProblemError) return null;
    throw error;
  }
}

/** Digest of all that the errata of files rest on; `null` where it is the same as when they were last checked. */
async function keyOfFiles({ pool }: Database, siteId: number, rulesKey: string): Promise<string | null> {
  const { rows } = await pool.query<{ now: string; before: string | null }>(
    `select files_key as before, md5(concat_ws('|', $2::text,
       (select string_agg(path || ' ' || size_bytes, ',' order by id) from files where site_id = $1 and gone_in is null and sha256 is not null and uses = 0),
       (select string_agg(pattern, ',' order by pattern) from sections where site_id = $1),
       (select md5(string_agg(body::text, ',' order by id)) from rights_records where site_id = $1),
       (select string_agg(concat_ws(' ', f.path, f.sha256, f.picture_id, f.is_master), ',' order by f.id) from files f join looks l on l.sha256 = f.sha256
         where f.site_id = $1 and f.gone_in is null and ${SPEAKS_OF_RIGHTS}),
       (select string_agg(concat_ws(' ', section, rule, level), ',' order by section, rule) from rule_levels where site_id = $1))) as now
     from sites where id = $1`,
    [siteId, rulesKey],
  );
  const [key] = rows;
  return key && key.now !== key.before ? key.now : null;
}

/** What makes a row another one. */
const nameOf = ({ path, rule, degree, section, key }: Omit<Kept, 'id'>): string =>
  [path, rule, degree, section, key].join('\n');

function rowOf(siteId: number, path: string, section: string, erratum: FileErratum) {
  return { siteId, pagePath: path, placementId: null, section, subject: path, ...erratum };
}
