/** Says of every picture of a site how old it is, what it shows, and whether it is a leftover of a template. */
import { sectionOf } from '@/core/address/section-of';
import { dayOfMs, partsOf, SCHOOL_YEAR_MONTH } from '@/core/dating/day';
import type { SetLife } from '@/core/dating/shelf-life';
import { altTextsOf } from '@/core/errata/picture-facts';
import { isHomeLink } from '@/core/picture/home-link';
import { knowPicture, texts, type KnowingRules } from '@/core/picture/know-picture';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { picturesToJudge, siteAround, type PictureToJudge, type SiteAround } from './picture-sources';

const BATCH = 500;
const FIRST_PAGES = 5;

/**
 * @param now ms since 1970
 * @param only the pictures that are to be judged; all of the site where it is left out
 */
export async function judgePictures(
  db: Database,
  siteId: number,
  now: number,
  only?: readonly number[],
): Promise<void> {
  const today = dayOfMs(now);
  const around = await siteAround(db, siteId, only);
  const { rows: ids } = await db.pool.query<{ id: number }>(
    'select id from pictures where site_id = $1 and ($2::int[] is null or id = any($2)) order by id',
    [siteId, only ?? null],
  );
  for (let from = 0; from < ids.length; from += BATCH) {
    const batch = ids.slice(from, from + BATCH).map(({ id }) => id);
    await asOne(db, async (tx) => {
      // Whoever judges the same pictures waits, and reads afterwards: a judgement that began before a person spoke must not
      // be written over the one that knows what was said. All wait in one order, so that nobody waits for another in turn.
      await tx.pool.query('select from pictures where id = any($1) order by id for no key update', [batch]);
      const rules = { today, thisYear: partsOf(today).year, ...(await livesSet(tx, siteId)) };
      const owners = await ownersOf(tx, siteId);
      const rows = await picturesToJudge(tx, siteId, batch);
      await write(
        tx,
        rows.map((picture) => judged(picture, { rules, owners, around })),
      );
    });
  }
}

/** @throws Error where it has no files, which none that was asked for has */
function judged(
  picture: PictureToJudge,
  {
    rules,
    owners,
    around,
  }: {
    readonly rules: KnowingRules;
    readonly owners: ReadonlyMap<string, string>;
    readonly around: SiteAround;
  },
) {
  const { id, files, is_kind_settled: isSettled } = picture;
  const places = (picture.places ?? []).map((place) => ({ ...place, isHomeLink: isHomeLink(place.href) }));
  const [master, ...others] = files.map(
    ({
      path,
      width_px: widthPx,
      height_px: heightPx,
      modified_ms: modifiedMs,
      emptiness,
      metadata,
      ...file
    }) => ({
      ...{ path, widthPx, heightPx, modifiedMs, emptiness, sign: file.sign, readText: file.read_text },
      ...{ numberedBeside: around.numbered(path), photosBeside: around.photos(path) },
      ...{ taken: metadata.taken, digitized: metadata.digitized, dates: metadata.dates },
      camera: metadata.camera,
    }),
  );
  if (!master) throw new Error(`picture ${id} has no files`);
  const known = knowPicture(
    {
      files: [master, ...others],
      places,
      subjects: picture.subjects ?? [],
      teaching: files[0]?.teaching ?? null,
      looksTaught: files.some(({ teaching }) => teaching === 'placeholder'),
      settledKind: isSettled ? picture.kind : null,
    },
    rules,
  );
  const { dating, ageing, placeholder, pages } = known;
  return {
    ...{ id, kind: known.kind, kind_reason: isSettled ? picture.kind_reason : known.guessedFrom },
    ...{ taken_from: dating.from, taken_until: dating.until },
    ...{ because: dating.because, against: dating.against },
    ...{ current_until: ageing?.currentUntil ?? null, overdue: ageing?.overdue ?? 0 },
    placeholder_belief: placeholder.belief,
    is_placeholder: placeholder.isPlaceholder,
    clues: placeholder.clues,
    leftover_files: known.leftoverFiles,
    pages: pages.length,
    first_pages: pages
      .slice(0, FIRST_PAGES)
      .map(({ path }) => path)
      .sort(),
    words: commonest(places.map(({ alt }) => alt)),
    title:
      files.find(({ title }) => title)?.title ??
      texts(files.map(({ metadata }) => metadata.title))[0] ??
      null,
    owner_id: ownerOf(master.path, places, owners),
    is_credited: files.some(({ metadata: { creator, credit, copyright } }) => creator ?? credit ?? copyright),
    changed: known.changed,
    alt_texts: altTextsOf(places),
  };
}

/** The shelf lives that a site has set, and the first month of its school years. */
async function livesSet(
  { pool }: Database,
  siteId: number,
): Promise<Pick<KnowingRules, 'lives' | 'firstMonth'>> {
  const { rows: lives } = await pool.query<SetLife>(
    'select section, kind, life from shelf_lives where site_id = $1',
    [siteId],
  );
  const { rows } = await pool.query<{ month: number }>(
    'select school_year_month as month from sites where id = $1',
    [siteId],
  );
  return { lives, firstMonth: rows[0]?.month ?? SCHOOL_YEAR_MONTH };
}

/** Owners by the pattern of the section that they answer for. */
async function ownersOf({ pool }: Database, siteId: number): Promise<Map<string, string>> {
  const { rows } = await pool.query<{ pattern: string; owner_id: string }>(
    'select pattern, owner_id from sections where site_id = $1 and owner_id is not null',
    [siteId],
  );
  return new Map(rows.map(({ pattern, owner_id: owner }) => [pattern, owner]));
}

/** A file in an owner's folder is that owner's; one in a common folder is theirs who show it alone. */
function ownerOf(
  path: string,
  places: readonly { readonly owner: string | null }[],
  owners: ReadonlyMap<string, string>,
): string | null {
  const ofFolder = owners.get(sectionOf(path, [...owners.keys()]));
  if (ofFolder) return ofFolder;
  const [only, ...others] = new Set(places.map(({ owner }) => owner));
  return others.length === 0 ? (only ?? null) : null;
}

/** What is said most often; `null` where nothing is said. */
function commonest(values: readonly (string | null)[]): string | null {
  const counts = new Map<string, number>();
  for (const value of values) if (value?.trim()) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

async function write({ pool }: Database, rows: readonly ReturnType<typeof judged>[]): Promise<void> {
  await pool.query(
    `update pictures p set kind = v.kind, kind_reason = v.kind_reason, taken_from = v.taken_from, taken_until = v.taken_until,
       because = v.because, against = v.against, current_until = v.current_until, overdue = v.overdue,
       placeholder_belief = v.placeholder_belief, is_placeholder = v.is_placeholder, clues = v.clues, leftover_files = v.leftover_files,
       pages = v.pages, first_pages = v.first_pages, words = v.words, title = v.title, owner_id = v.owner_id,
       is_credited = v.is_credited, changed = v.changed, alt_texts = v.alt_texts
     from jsonb_to_recordset($1::jsonb) as v(id int, kind text, kind_reason text, taken_from int, taken_until int,
       because jsonb, against jsonb, current_until int, overdue float8, placeholder_belief float8, is_placeholder boolean, clues jsonb, leftover_files jsonb,
       pages int, first_pages jsonb, words text, title text, owner_id text, is_credited boolean, changed jsonb, alt_texts jsonb)
     where p.id = v.id`,
    [JSON.stringify(rows)],
  );
}
