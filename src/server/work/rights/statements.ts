/** What is recorded of a site's pictures, given out for search engines. */
import { imageObject, type ImageObject } from '@/core/rights/image-object';
import { fileUnder } from '@/core/rights/filed';
import { imageSitemaps } from '@/core/rights/image-sitemap';
import { metadataOut } from '@/core/rights/metadata-out';
import { RecordIndex } from '@/core/rights/record-index';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { ProblemError } from '../../problem-error';
import { recordsOf } from './records-of-site';

export interface StatedSite {
  readonly id: number;
  /** Where readers find it; `null` where nobody has said so. */
  readonly liveUrl: string | null;
}

interface Shown {
  readonly page: string;
  readonly file: string;
  readonly master: string;
}

/** Pictures that readers see in places where nothing stands against them, page by page; leftovers are nothing to be found. */
async function shown({ pool }: Database, siteId: number): Promise<Shown[]> {
  const { rows } = await pool.query<Shown>(
    `select distinct x.page_path as page, x.file_path as file, coalesce(m.path, f.path) as master
     from placements x
     join pages p on p.site_id = x.site_id and p.path = x.page_path and p.gone_in is null
     join files f on f.site_id = x.site_id and f.path = x.file_path and f.gone_in is null and f.problem is null
     left join files m on m.site_id = f.site_id and m.picture_id = f.picture_id and m.is_master and m.gone_in is null
     left join rights_answers a on a.placement_id = x.id
     left join pictures k on k.id = f.picture_id
     where x.site_id = $1 and x.until_survey is null and not x.dormant
       and not coalesce(k.leftover_files ? f.path, false)
       and x.kind in ('img', 'lazy', 'input', 'source', 'srcset', 'svg-image', 'object') and coalesce(a.may, 'unknown') <> 'no'
     order by 1, 2`,
    [siteId],
  );
  return rows;
}

/** What is recorded of the pictures that each page shows; a page of none of which something is recorded is not in it. */
export async function objectsByPage(db: Database, site: StatedSite): Promise<Map<string, ImageObject[]>> {
  const index = new RecordIndex(await recordsOf(db, site.id));
  const objects = new Map<string, ImageObject | null>();
  const byPage = new Map<string, ImageObject[]>();
  for (const { page, file, master } of await shown(db, site.id)) {
    let object = objects.get(file);
    if (object === undefined) {
      const fields = index.picture({ url: file, master })?.fields;
      const terms = fields?.licence ? index.terms(fields.licence) : null;
      object = fields ? imageObject(addressOf(site, file), metadataOut(fields, terms, null)) : null;
      objects.set(file, object);
    }
    if (object) fileUnder(byPage, page, object);
  }
  return byPage;
}

/** @returns schema.org JSON-LD of every picture of which something is recorded; @throws ProblemError `SITE_ADDRESS_UNKNOWN` */
export async function statementsOf(db: Database, actor: Actor, site: StatedSite): Promise<string> {
  requireRole(actor, EDITORS, 'give out what is recorded of pictures');
  const all = [...(await objectsByPage(db, site)).values()].flat();
  const graph = [...new Map(all.map((object) => [object.contentUrl, object])).values()];
  return `${JSON.stringify({ '@context': 'https://schema.org', '@graph': graph }, null, 2)}\n`;
}

/**
 * The image sitemap of a site, part by part: a very large site has several.
 *
 * @throws ProblemError `SITE_ADDRESS_UNKNOWN`
 */
export async function sitemapsOf(db: Database, site: StatedSite): Promise<string[]> {
  const byPage = new Map<string, string[]>();
  for (const { page, file } of await shown(db, site.id)) fileUnder(byPage, page, addressOf(site, file));
  return imageSitemaps([...byPage].map(([page, pictures]) => ({ address: addressOf(site, page), pictures })));
}

/**
 * @param part of the image sitemap, from 1
 * @returns `null` where there is no such part
 */
export async function sitemapOf(
  db: Database,
  actor: Actor,
  site: StatedSite,
  part: number,
): Promise<string | null> {
  requireRole(actor, EDITORS, 'give out the image sitemap');
  return (await sitemapsOf(db, site))[part - 1] ?? null;
}

function addressOf({ liveUrl }: StatedSite, path: string): string {
  if (!liveUrl)
    throw new ProblemError({
      code: 'SITE_ADDRESS_UNKNOWN',
      what: 'Nothing was given out.',
      why: 'Nobody has said at which address readers find the site.',
      remedy: 'Write it into the site’s settings.',
    });
  return new URL(path.split('/').map(encodeURIComponent).join('/'), liveUrl.replace(/\/*$/u, '/')).href;
}
