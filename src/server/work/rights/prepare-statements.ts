/** Prepares what search engines are told: a statement on each page that shows pictures, and the image sitemap. */
import { statementEdit } from '@/core/rights/page-statement';
import type { ImageObject } from '@/core/rights/image-object';
import type { ReadableConnection } from '../../connections/connection';
import type { Database } from '../../db/database';
import type { sites } from '../../db/schema/sites';
import { sha256 } from '../../hash';
import { ProblemError } from '../../problem-error';
import { storeBytes } from '../../store/store';
import type { OpenedSources } from '../editions/opened-sources';
import type { NewEdit, Prepared } from '../editions/prepared';
import { objectsByPage, sitemapsOf } from './statements';

/** Name of the nth part of the image sitemap. */
const sitemapPath = (n: number): string => (n === 0 ? 'image-sitemap.xml' : `image-sitemap-${n + 1}.xml`);

/** @throws ProblemError `SITE_ADDRESS_UNKNOWN`, `STATEMENTS_WRITTEN` where pages and sitemap say all of it already */
export async function prepareStatements(
  db: Database,
  connection: ReadableConnection,
  { site, sources }: { readonly site: typeof sites.$inferSelect; readonly sources: OpenedSources },
): Promise<Prepared> {
  const byPage = await objectsByPage(db, site);
  const edits: NewEdit[] = [];
  for (const page of await pagesToTell(db, site.id, new Set(byPage.keys()))) {
    const { source, expects } = await sources.open(page);
    const edit = statementEdit(source.text, byPage.get(page) ?? NOTHING);
    if (edit)
      edits.push({
        ...edit,
        expects,
        pagePath: page,
        sourcePath: page,
        placeStart: edit.start,
        subject: 'statement',
      });
  }
  const files: Prepared['files'][number][] = [];
  for (const [n, text] of (await sitemapsOf(db, site)).entries()) {
    const path = sitemapPath(n);
    const bytes = new TextEncoder().encode(text);
    const there = await connection.read(path).catch(() => null);
    if (there && sha256(there) === sha256(bytes)) continue;
    files.push({ path, sha256: await storeBytes(bytes), sizeBytes: bytes.length, rendition: null });
  }
  if (edits.length > 0 || files.length > 0) return { edits, files, places: [] };
  throw new ProblemError({
    code: 'STATEMENTS_WRITTEN',
    what: 'There is nothing to write.',
    why: 'Pages and sitemap say all of it already, or nothing is recorded of the pictures that they show.',
    remedy: 'Take this out of the edition.',
  });
}

const NOTHING: readonly ImageObject[] = [];

/** Pages of which something is told, and those that bear a statement from before. */
async function pagesToTell({ pool }: Database, siteId: number, told: ReadonlySet<string>): Promise<string[]> {
  const { rows } = await pool.query<{ path: string }>(
    `select distinct p.path from pages p left join placements x
       on x.site_id = p.site_id and x.page_path = p.path and x.until_survey is null and x.kind = 'json-ld'
     where p.site_id = $1 and p.gone_in is null and (p.path = any($2::text[]) or x.id is not null)
     order by p.path`,
    [siteId, [...told]],
  );
  return rows.map(({ path }) => path);
}
