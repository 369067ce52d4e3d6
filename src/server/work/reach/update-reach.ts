import type { ClientBase } from 'pg';
import { pageName } from '@/core/crawl/crawl-scope';
import { pageRank } from '@/core/reach/page-rank';

/** Estimated reach is told as views out of so many. */
const ESTIMATED_VIEWS = 1000;

/**
 * Writes how many readers each page and each picture of a site meets: the views that were imported, else what its links make likely,
 * as views of the page out of 1,000 views of the site.
 */
export async function updateReach(client: Pick<ClientBase, 'query'>, siteId: number): Promise<void> {
  await updatePages(client, siteId);
  await updateReachOfFiles(client, siteId);
}

/**
 * Writes how many readers each file meets, so that what the files of a picture meet adds up to what the picture does: a page
 * that shows it twice, or two of its files, counts once, with the file that stands for the picture where that is there.
 */
export async function updateReachOfFiles(client: Pick<ClientBase, 'query'>, siteId: number): Promise<void> {
  // A place that is not shown, or shows only when its page is shared or enlarged, is met by nobody on the page.
  await client.query(
    `with met as (
       select distinct on (p.id, coalesce(f.picture_id, -f.id)) f.id, p.reach from files f
       join placements x on x.site_id = f.site_id and x.file_path = f.path and x.until_survey is null
         and not x.dormant and not x.hidden and x.kind not in ('link', 'meta', 'json-ld', 'manifest', 'noscript', 'preload')
       join pages p on p.site_id = x.site_id and p.path = x.page_path and p.gone_in is null
       where f.site_id = $1 and f.gone_in is null
       order by p.id, coalesce(f.picture_id, -f.id), f.is_master desc, f.id
     ), summed as (select id, sum(reach) as reach from met group by id)
     update files f set reach = u.reach
     from (select f.id, coalesce(s.reach, 0) as reach from files f left join summed s on s.id = f.id where f.site_id = $1) u
     where u.id = f.id and f.reach is distinct from u.reach`,
    [siteId],
  );
}

async function updatePages(client: Pick<ClientBase, 'query'>, siteId: number): Promise<void> {
  const site = await indexNamesOf(client, siteId);
  const { rows: counted } = await client.query<{ count: number }>(
    'select count(*)::int as count from page_views where site_id = $1',
    [siteId],
  );
  if ((counted[0]?.count ?? 0) > 0) {
    await client.query(
      `update pages p set reach = coalesce((select v.views from page_views v where v.site_id = p.site_id and v.path = p.path), 0)
       where p.site_id = $1`,
      [siteId],
    );
    return;
  }
  const { rows } = await client.query<{ id: number; path: string; leads_to: readonly string[] }>(
    'select id, path, leads_to from pages where site_id = $1 and gone_in is null order by path',
    [siteId],
  );
  if (rows.length === 0) return;
  // Links lead to pages by their names; among files a folder's own page may have another one.
  const numbers = new Map(rows.map(({ path }, i) => [pageName(path, site), i]));
  const links = rows.map(({ leads_to: targets }) => targets.flatMap((target) => numbers.get(target) ?? []));
  const shares = pageRank(links, homeOf(rows.map(({ path }) => path)));
  await client.query(
    `update pages p set reach = v.reach from unnest($2::int[], $3::float8[]) as v(id, reach)
     where p.site_id = $1 and p.id = v.id and p.reach is distinct from v.reach`,
    [siteId, rows.map(({ id }) => id), [...shares].map((share) => share * ESTIMATED_VIEWS)],
  );
}

/** What a site says of the names of its folders' own pages; nothing where the common ones hold. */
export async function indexNamesOf(
  client: Pick<ClientBase, 'query'>,
  siteId: number,
): Promise<{ readonly indexNames?: readonly string[] }> {
  const { rows } = await client.query<{ index_names: readonly string[] }>(
    'select index_names from sites where id = $1',
    [siteId],
  );
  const names = rows[0]?.index_names ?? [];
  return names.length > 0 ? { indexNames: names } : {};
}

/** The home page: `index.…` at the root, else the page nearest to it. */
function homeOf(paths: readonly string[]): number {
  const index = paths.findIndex((path) => /^(?:index|default)\.\w+$/i.test(path));
  if (index >= 0) return index;
  const depth = (path: string) => path.split('/').length;
  let best = 0;
  paths.forEach((path, i) => {
    if (depth(path) < depth(paths[best] ?? '')) best = i;
  });
  return best;
}
