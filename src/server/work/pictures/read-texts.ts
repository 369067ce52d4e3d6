/** Reads the words within the pictures of a site, in the background, once for the same bytes. */
import type { Database } from '../../db/database';
import { sites } from '../../db/schema/sites';
import { eq } from 'drizzle-orm';
import {
  FEW_TONES,
  LEAST_DRAWN_PX,
  LEAST_READ_PX,
  readableLanguages,
  TextReader,
} from '../../imaging/read-text';
import { addJob } from '../../jobs/queue';
import { goOn, UNENDING, type Turn } from '../../jobs/turn';
import { problemOf } from '../../problem-error';
import type { ReadableConnection } from '../../connections/connection';
import { checkSite } from '../errata/check-site';
import { judgePictures } from './judge-pictures';
import { openConnection } from '../sites/site-connection';

/** After which other work gets its turn, and the pages are checked with what was read. */
const TURN_MS = 15_000;
const BATCH = 40;

interface Unread {
  readonly sha256: string;
  readonly path: string;
  readonly languages: readonly string[];
  /** Whether it is drawn in few tones, where every word counts. */
  readonly isDrawn: boolean;
  readonly pictureId: number;
}

/** How a reading is marked: by its languages, and whether it was read as a drawing. */
const markOf = ({ languages, isDrawn }: Pick<Unread, 'languages' | 'isDrawn'>): string =>
  `${isDrawn ? 'drawn ' : ''}${languages.join('+')}`;

/**
 * Reads pictures for a while, those first that most readers meet; goes on in another turn where some are left. A
 * picture’s largest file is read, in the languages of the pages that show it.
 *
 * @returns how many were read
 * @throws TurnOver where the worker is to end; what was read stays
 */
export async function readTexts(db: Database, siteId: number, turn: Turn = UNENDING): Promise<number> {
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, siteId));
  const rows = site ? await unread(db, siteId) : [];
  if (!site || rows.length === 0) return 0;
  const connection = await openConnection(db, site);
  const until = Date.now() + TURN_MS;
  let count = 0;
  try {
    for (const languages of new Set(rows.map((row) => row.languages.join('+')))) {
      const own = rows.filter((row) => row.languages.join('+') === languages);
      count += await readAll(db, connection, { rows: own, until, turn });
      if (Date.now() > until) break;
    }
  } finally {
    await connection.close();
  }
  const now = Date.now();
  const drawn = rows.flatMap(({ isDrawn, pictureId }) => (isDrawn ? [pictureId] : []));
  // What a drawing says may tell that it is a leftover.
  if (drawn.length > 0) await judgePictures(db, siteId, now, drawn);
  await checkSite(db, siteId, now, turn);
  await addJob(db.pool, 'read-texts', { siteId }, `texts-${siteId}`);
  return count;
}

async function readAll(
  db: Database,
  connection: ReadableConnection,
  { rows, until, turn }: { readonly rows: readonly Unread[]; readonly until: number; readonly turn: Turn },
): Promise<number> {
  const languages = rows[0]?.languages ?? [];
  const reader = await keptReader(languages);
  let count = 0;
  for (const { sha256, path, isDrawn } of rows) {
    // At least one a turn, so that it comes to an end however slow the machine is.
    if (count > 0 && Date.now() > until) break;
    goOn(turn);
    const { text, problem } = await connection
      .read(path)
      .then(async (bytes) => ({
        text: isDrawn ? await reader.readDrawn(bytes) : await reader.read(bytes),
        problem: null,
      }))
      .catch((error: unknown) => ({ text: '', problem: problemOf(error).why || String(error) }));
    await db.pool.query(
      `insert into readings (sha256, languages, text, problem) values ($1, $2, $3, $4)
         on conflict (sha256) do update set languages = excluded.languages, text = excluded.text, problem = excluded.problem`,
      [sha256, markOf({ languages, isDrawn }), text.slice(0, 4000), problem],
    );
    count++;
  }
  return count;
}

let kept: TextReader | null = null;

/** The reader of the turn before where it reads the same languages: what reads takes a tenth of a turn to start. */
async function keptReader(languages: readonly string[]): Promise<TextReader> {
  if (kept?.languages.join() !== languages.join()) {
    await kept?.close();
    kept = new TextReader(languages);
  }
  const reader = kept;
  await reader.start();
  return reader;
}

async function unread({ pool }: Database, siteId: number): Promise<Unread[]> {
  const { rows } = await pool.query<Unread & { read_in: string | null }>(
    `select f.sha256, min(f.path) as path, t.languages as read_in, few.drawn as "isDrawn", min(p.id) as "pictureId",
       array_agg(distinct split_part(lower(coalesce(g.language, '')), '-', 1)) as languages
     from pictures p join files f on f.site_id = p.site_id and f.picture_id = p.id and f.gone_in is null and f.problem is null
     join looks l on l.sha256 = f.sha256 cross join lateral (
       select l.emptiness >= $4 and greatest(f.width_px, f.height_px) >= $5 and least(f.width_px, f.height_px) >= $6 as drawn
     ) few
     join files r on r.site_id = p.site_id and r.picture_id = p.id and r.gone_in is null and (not few.drawn or r.id = f.id)
     join placements x on x.site_id = p.site_id and x.file_path = r.path and x.until_survey is null and not x.dormant
       and (x.kind in ('img', 'lazy', 'input', 'source', 'srcset')
         or few.drawn and x.kind in ('css', 'attribute-background', 'poster', 'svg-image', 'embed', 'object'))
     join pages g on g.site_id = x.site_id and g.path = x.page_path and g.gone_in is null
     left join readings t on t.sha256 = f.sha256
     where p.site_id = $1 and (few.drawn or (f.sha256 = p.master_sha and f.width_px >= $2 and f.height_px >= $3))
     group by f.sha256, t.languages, few.drawn order by few.drawn desc, sum(g.reach) desc, 2`,
    [siteId, LEAST_READ_PX.width, LEAST_READ_PX.height, FEW_TONES, LEAST_DRAWN_PX.long, LEAST_DRAWN_PX.short],
  );
  return rows
    .map((row) => ({ ...row, languages: readableLanguages(row.languages) }))
    .filter((row) => markOf(row) !== row.read_in)
    .slice(0, BATCH);
}
