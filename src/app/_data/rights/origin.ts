import 'server-only';
import { dayOfMs } from '@/core/dating/day';
import { originClues, type OriginClue, type OriginFacts } from '@/core/rights/origin-clues';
import { hostOf, RecordIndex } from '@/core/rights/record-index';
import { database } from '@/server/db/database';
import type { IntakeSource } from '@/server/db/schema/editions';
import { recordsOf } from '@/server/work/rights/records-of-site';

interface FileLooked {
  readonly path: string;
  readonly sha256: string | null;
  readonly widthPx: number | null;
  readonly heightPx: number | null;
}

/** What points to where a picture comes from, by its largest file, its folder, its pages and the other sites here. */
export async function cluesOf(siteId: number, file: FileLooked): Promise<OriginClue[]> {
  const index = new RecordIndex(await recordsOf(database(), siteId));
  const [fetched, loaded, embedded, firstSeen, alike] = await Promise.all([
    fetchedFrom(siteId, file),
    loadedFrom(siteId, file.path),
    embeddedOf(file.sha256),
    firstSeenOf(siteId, file.path),
    alikeElsewhere(siteId, file.sha256),
  ]);
  return originClues({
    ...{ name: file.path.split('/').at(-1) ?? file.path, embedded, firstSeen, alike },
    ...{ fetched, loaded },
    ...{ widthPx: file.widthPx ?? 0, heightPx: file.heightPx ?? 0 },
    ...(await neighboursOf(siteId, file.path, index)),
  });
}

/** Where a picture was fetched from whose bytes these are, or that an edition put in under this name. */
async function fetchedFrom(siteId: number, { path, sha256 }: FileLooked): Promise<OriginFacts['fetched']> {
  const { rows } = await database().pool.query<{ source: IntakeSource }>(
    `select i.source from intake i where i.site_id = $1 and i.source is not null
       and not coalesce((i.source ->> 'isOwn')::boolean, false)
       and (i.sha256 = $2 or i.original_sha = $2 or i.id in (
         select c.intake_id from changes c join new_files n on n.change_id = c.id where n.path = $3))
     order by i.id desc limit 1`,
    [siteId, sha256, path],
  );
  const source = rows[0]?.source;
  return source ? { address: source.address, on: source.on } : null;
}

/** A place of the site that shows a picture of the same name from another host. */
async function loadedFrom(siteId: number, path: string): Promise<OriginFacts['loaded']> {
  const name = path.split('/').at(-1) ?? path;
  const { rows } = await database().pool.query<{ url: string; page: string }>(
    `select url, page_path as page from placements
     where site_id = $1 and until_survey is null and file_path is null and url is not null
       and right(split_part(split_part(url, '#', 1), '?', 1), length($2) + 1) = '/' || $2
     order by page_path limit 1`,
    [siteId, name],
  );
  const [first] = rows;
  return first ? { host: hostOf(first.url), page: first.page } : null;
}

async function embeddedOf(sha256: string | null): Promise<OriginFacts['embedded']> {
  const { rows } = await database().pool.query<{ metadata: OriginFacts['embedded'] | null }>(
    'select metadata from looks where sha256 = $1',
    [sha256],
  );
  return rows[0]?.metadata ?? {};
}

/** Where it came in since the first survey; what was there from the beginning says nothing. */
async function firstSeenOf(siteId: number, path: string): Promise<OriginFacts['firstSeen']> {
  const { rows } = await database().pool.query<{ at: Date | null; page: string; number: number }>(
    `select v.finished_at as at, p.page_path as page, v.number from placements p
       join surveys v on v.site_id = p.site_id and v.number = p.since_survey
     where p.site_id = $1 and p.file_path = $2 order by p.since_survey, p.id limit 1`,
    [siteId, path],
  );
  const [first] = rows;
  return first?.at && first.number > 1 ? { day: dayOfMs(first.at.getTime()), page: first.page } : null;
}

/** The very same file on another site here, where it is recorded whose it is. */
async function alikeElsewhere(siteId: number, sha256: string | null): Promise<OriginFacts['alike']> {
  const { rows } = await database().pool.query<{ site_id: number; site: string; path: string }>(
    `select f.site_id, s.name as site, f.path from files f join sites s on s.id = f.site_id
     where f.sha256 = $2 and f.site_id <> $1 and f.gone_in is null limit 5`,
    [siteId, sha256],
  );
  const alike = await Promise.all(
    rows.map(async ({ site_id: other, site, path }) => {
      const covered = new RecordIndex(await recordsOf(database(), other)).picture({
        url: path,
        master: null,
      });
      const holder = covered?.fields.holder ?? covered?.fields.creator?.[0];
      return holder ? [{ path: `${path} of ${site}`, holder }] : [];
    }),
  );
  return alike.flat();
}

async function neighboursOf(
  siteId: number,
  path: string,
  index: RecordIndex,
): Promise<Pick<OriginFacts, 'neighbours' | 'unrecordedNeighbours'>> {
  const folder = path.slice(0, path.lastIndexOf('/') + 1);
  const { rows } = await database().pool.query<{ path: string }>(
    `select path from files where site_id = $1 and gone_in is null and is_master and path <> $3
       and left(path, length($2)) = $2 and strpos(substr(path, length($2) + 1), '/') = 0 limit 2000`,
    [siteId, folder, path],
  );
  const counts = new Map<string, number>();
  let unrecorded = 0;
  for (const { path: url } of rows) {
    const fields = index.picture({ url, master: null })?.fields;
    const holder = fields?.holder ?? fields?.creator?.[0];
    if (holder) counts.set(holder, (counts.get(holder) ?? 0) + 1);
    else unrecorded++;
  }
  const neighbours = [...counts].map(([holder, count]) => ({ holder, count }));
  return { neighbours, unrecordedNeighbours: unrecorded };
}
