/** Says of every picture of a site how old it is, what it shows, and whether it is a leftover of a template. */
import { bestInterval } from '@/core/dating/best-interval';
import { gatherEvidence, type DatingRules } from '@/core/dating/date-evidence';
import { dayOfMs, partsOf } from '@/core/dating/day';
import { guessKind } from '@/core/dating/guess-kind';
import { isHistoric, standsInItsTime } from '@/core/dating/own-time';
import { ageingOf, SHELF_LIVES, type PictureKind } from '@/core/dating/shelf-life';
import { placeholderVerdict, type Teaching } from '@/core/picture/placeholder';
import type { Database } from '../../db/database';
import type { EmbeddedMetadata } from '../../imaging/read-metadata';

interface FileOfPicture {
  readonly path: string;
  readonly width_px: number;
  readonly height_px: number;
  readonly modified_ms: number | null;
  readonly is_master: boolean;
  readonly metadata: EmbeddedMetadata;
  readonly emptiness: number;
  readonly teaching: Teaching | null;
}

interface PlaceOfPicture {
  readonly alt: string | null;
  readonly caption: string | null;
  readonly headings: readonly string[];
  readonly near: string;
  readonly page: string;
  readonly title: string;
  readonly section: string;
}

interface PictureToJudge {
  readonly id: number;
  readonly kind: PictureKind | null;
  readonly kind_reason: string;
  readonly is_kind_settled: boolean;
  readonly files: readonly FileOfPicture[];
  readonly places: readonly PlaceOfPicture[] | null;
}

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
  const rules = { today, thisYear: partsOf(today).year };
  const { rows: ids } = await db.pool.query<{ id: number }>(
    'select id from pictures where site_id = $1 and ($2::int[] is null or id = any($2)) order by id',
    [siteId, only ?? null],
  );
  for (let from = 0; from < ids.length; from += BATCH) {
    const { rows } = await db.pool.query<PictureToJudge>(TO_JUDGE, [
      siteId,
      ids.slice(from, from + BATCH).map(({ id }) => id),
    ]);
    await write(
      db,
      rows.map((picture) => judged(picture, rules)),
    );
  }
}

const TO_JUDGE = `
  select p.id, p.kind, p.kind_reason, p.is_kind_settled,
    (select jsonb_agg(jsonb_build_object('path', f.path, 'width_px', f.width_px, 'height_px', f.height_px,
        'modified_ms', f.modified_ms, 'is_master', f.is_master, 'metadata', l.metadata, 'emptiness', l.emptiness,
        'teaching', t.teaching) order by f.is_master desc, f.path)
      from files f join looks l on l.sha256 = f.sha256 left join teachings t on t.site_id = f.site_id and t.sha256 = f.sha256
      where f.picture_id = p.id and f.gone_in is null) as files,
    (select jsonb_agg(jsonb_build_object('alt', x.alt, 'caption', x.caption, 'headings', x.context -> 'headings',
        'near', concat_ws(' ', x.context ->> 'before', x.context ->> 'after'), 'page', x.page_path,
        'title', coalesce(g.title, ''), 'section', coalesce(g.section, '')))
      from files f join placements x on x.site_id = f.site_id and x.file_path = f.path and x.until_survey is null and not x.dormant
      left join pages g on g.site_id = x.site_id and g.path = x.page_path
      where f.picture_id = p.id and f.gone_in is null) as places
  from pictures p where p.site_id = $1 and p.id = any($2::int[])
    and exists (select 1 from files f where f.picture_id = p.id and f.gone_in is null)`;

const texts = (values: readonly (string | null)[]) => [
  ...new Set(values.flatMap((value) => (value ? [value] : []))),
];

function judged(picture: PictureToJudge, rules: DatingRules) {
  const { files } = picture;
  const places = picture.places ?? [];
  const words = {
    altTexts: texts(places.map(({ alt }) => alt)),
    captions: texts(places.map(({ caption }) => caption)),
    headings: texts(places.flatMap(({ headings }) => headings.slice(0, 1))),
    pages: [...new Map(places.map(({ page, title }) => [page, { path: page, title }])).values()],
  };
  const master = files[0] as FileOfPicture;
  const evidence = files.flatMap(
    ({ path, width_px: widthPx, height_px: heightPx, metadata, modified_ms: modifiedMs }) =>
      gatherEvidence(
        {
          ...{ path, widthPx, heightPx, modifiedMs },
          taken: metadata.taken,
          digitized: metadata.digitized,
          fields: metadata.dates ?? [],
          ...(path === master.path ? words : {}),
        },
        rules,
      ),
  );
  const dating = bestInterval(distinct(evidence));
  const guess = guessKind({
    path: master.path,
    widthPx: master.width_px,
    heightPx: master.height_px,
    ...words,
  });
  const kind = picture.is_kind_settled ? picture.kind : (guess?.kind ?? null);
  const isOfItsTime = standsInItsTime(dating, words.pages, rules) || isHistoric(dating, rules.today);
  const ageing = kind && !isOfItsTime ? ageingOf(dating, SHELF_LIVES[kind], rules.today) : null;
  const placeholder = placeholderVerdict({
    paths: files.map(({ path }) => path),
    ...{ widthPx: master.width_px, heightPx: master.height_px, emptiness: master.emptiness },
    isFromCamera: files.some(({ metadata }) => metadata.camera !== undefined || metadata.taken !== undefined),
    ...{ altTexts: words.altTexts, captions: words.captions },
    nearTexts: texts(places.map(({ near }) => near)),
    sections: texts(places.map(({ section }) => section)),
    teaching: master.teaching ?? null,
    looksTaught: files.some(({ teaching }) => teaching === 'placeholder'),
  });
  return {
    ...{
      id: picture.id,
      kind,
      kind_reason: picture.is_kind_settled ? picture.kind_reason : (guess?.reason ?? ''),
    },
    ...{
      taken_from: dating.from,
      taken_until: dating.until,
      because: dating.because,
      against: dating.against,
    },
    ...{ current_until: ageing?.currentUntil ?? null, overdue: ageing?.overdue ?? 0 },
    placeholder_belief: placeholder.belief,
    is_placeholder: placeholder.isPlaceholder,
    clues: placeholder.clues,
    ...{
      pages: words.pages.length,
      first_pages: words.pages
        .slice(0, FIRST_PAGES)
        .map(({ path }) => path)
        .sort(),
    },
    words: commonest(places.map(({ alt }) => alt)),
  };
}

/** What is said most often; `null` where nothing is said. */
function commonest(values: readonly (string | null)[]): string | null {
  const counts = new Map<string, number>();
  for (const value of values) if (value?.trim()) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

/** The same date in several files of a picture, or said by several of its pages, is one witness. */
function distinct<T extends { origin: string; from: number | null; until: number | null }>(
  evidence: readonly T[],
): T[] {
  return [...new Map(evidence.map((one) => [`${one.origin} ${one.from} ${one.until}`, one])).values()];
}

async function write({ pool }: Database, rows: readonly ReturnType<typeof judged>[]): Promise<void> {
  await pool.query(
    `update pictures p set kind = v.kind, kind_reason = v.kind_reason, taken_from = v.taken_from, taken_until = v.taken_until,
       because = v.because, against = v.against, current_until = v.current_until, overdue = v.overdue,
       placeholder_belief = v.placeholder_belief, is_placeholder = v.is_placeholder, clues = v.clues,
       pages = v.pages, first_pages = v.first_pages, words = v.words
     from jsonb_to_recordset($1::jsonb) as v(id int, kind text, kind_reason text, taken_from int, taken_until int,
       because jsonb, against jsonb, current_until int, overdue float8, placeholder_belief float8, is_placeholder boolean, clues jsonb,
       pages int, first_pages jsonb, words text)
     where p.id = v.id`,
    [JSON.stringify(rows)],
  );
}
