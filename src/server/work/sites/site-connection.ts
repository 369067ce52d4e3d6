import { siteOfFiles } from '@/core/address/resolve-address';
import { scopeOf } from '@/core/crawl/crawl-scope';
import type { WritableConnection } from '../../connections/connection';
import { openFolder } from '../../connections/folder/open-folder';
import type { Database } from '../../db/database';
import type { sites } from '../../db/schema/sites';
import { ProblemError } from '../../problem-error';
import type { ReadingRules } from '../../reading/read-batch';
import { storedBytes } from '../../store/store';

type Site = typeof sites.$inferSelect;

/** Opens a site the way its settings say. A site that is only read by its address is given as the last survey saw it. */
export async function openConnection(
  db: Database,
  site: Pick<Site, 'id' | 'connection'>,
): Promise<WritableConnection> {
  const { connection } = site;
  return connection.kind === 'http' ? asSurveyed(db, site.id) : openFolder(connection.folder);
}

type Settings = Pick<
  Site,
  'liveUrl' | 'hosts' | 'connection' | 'cacheBusters' | 'lazyAttributes' | 'indexNames'
>;

/** What a site's settings say to those who read it: its own names, what to drop from addresses, where pictures wait. */
export function rulesOf(site: Settings): ReadingRules {
  const { connection, hosts, lazyAttributes, liveUrl } = site;
  const said = { ...namingOf(site), lazyAttributes };
  if (connection.kind === 'http')
    return { ...scopeOf(connection.start, { hosts, ...namingOf(site) }).site, ...said };
  const live = liveUrl ? [new URL(liveUrl).host] : [];
  const names = [...live, ...hosts].map((host) => host.replace(/^www\./, ''));
  return { ...siteOfFiles(names.flatMap((name) => [name, `www.${name}`])), ...said };
}

/** What a site's settings say of how its addresses are read. */
export function namingOf({ cacheBusters, indexNames }: Pick<Site, 'cacheBusters' | 'indexNames'>) {
  return { cacheBusters, ...(indexNames.length > 0 ? { indexNames } : {}) };
}

/** The files of a live site from the store; nothing can be written to it. */
function asSurveyed({ pool }: Database, siteId: number): WritableConnection {
  const refuse = async (): Promise<never> => {
    throw new ProblemError({
      code: 'SITE_READ_ONLY',
      what: 'Nothing was written.',
      why: 'This site is read by its address, and Ibidem has no way to write to its server.',
      remedy: 'Connect the site’s folder, or make the changes by hand from what the edition lists.',
    });
  };
  return {
    async list() {
      const { rows } = await pool.query<{ path: string; size: number }>(
        `select path, size_bytes::float8 as size from pages where site_id = $1 and gone_in is null
         union all select path, size_bytes::float8 from files where site_id = $1 and gone_in is null and sha256 is not null`,
        [siteId],
      );
      return {
        files: rows.map(({ path, size }) => ({ path, sizeBytes: size, modifiedMs: null })),
        skipped: [],
      };
    },
    async read(path) {
      const { rows } = await pool.query<{ sha256: string }>(
        `select sha256 from addresses where site_id = $1 and path = $2 and sha256 is not null
         order by read_in desc nulls last limit 1`,
        [siteId, path],
      );
      if (rows[0]) return storedBytes(rows[0].sha256);
      throw new ProblemError({
        code: 'FILE_MISSING',
        what: `${path} is not there.`,
        why: 'The last survey did not find it on the server.',
        remedy: 'Survey the site again.',
      });
    },
    write: refuse,
    remove: refuse,
    close: async () => undefined,
  };
}
