import 'server-only';
import { parseUrl } from '@/core/address/parse-url';
import { takesWords, type PlaceWords, type TakenWords } from '@/core/edit/word-edits';
import { altBranch, type AltBranch } from '@/core/errata/alt-branch';
import { TAKES_OWN_WORDS, withBearers, type PlacementToCheck } from '@/core/errata/page-to-check';
import { elementOfSpot } from '@/core/markup/element-path';
import type { AreaPart } from '@/core/markup/area-part';
import type { WordAnchors } from '@/core/markup/placement';
import type { Rect } from '@/core/picture/grey-plane';
import type { Draft } from '@/core/wording/drafts';
import { database } from '@/server/db/database';
import type { sites } from '@/server/db/schema/sites';
import type { EmbeddedMetadata } from '@/server/imaging/read-metadata';
import { checkWords, type WordsFinding } from '@/server/work/errata/check-words';
import { placesOfPages, type PlaceRow } from '@/server/work/errata/places-of-pages';
import { TAKES_WORDS } from '@/server/work/words/takes-words';
import { draftsOfPlaces } from './drafts-of-places';
import { SHOWN } from './text-desk-queue';

type Site = typeof sites.$inferSelect;

/** Kinds of places that are laid out for one picture, those first that most readers meet. */
const MOST_KINDS = 60;
const NEIGHBOURS = 3;

/** Places of a picture that are alike in all that matters for their words; they get the same. */
export interface DeskPlaces {
  readonly ids: readonly number[];
  /** The first of their pages, and how many there are. */
  readonly page: { readonly id: number; readonly path: string; readonly title: string };
  readonly pages: number;
  /** The first of them, as rules read it. */
  readonly place: Omit<PlacementToCheck, 'bearsWords' | 'element' | 'before'>;
  readonly takes: TakenWords;
  readonly branch: AltBranch;
  /** Words that the edition being gathered has for them. */
  readonly gathered: PlaceWords | null;
  readonly drafts: readonly Draft[];
  /** Alt texts of the pictures beside it in its group. */
  readonly neighbours: readonly string[];
  readonly findings: readonly WordsFinding[];
}

/** One picture as it lies on the text desk. */
export interface DeskItem {
  readonly key: string;
  /** Its title; else the name of its file, or of the one that it is a part of. */
  readonly name: string;
  readonly isTitled: boolean;
  readonly fileId: number | null;
  readonly sha256: string | null;
  readonly widthPx: number | null;
  readonly heightPx: number | null;
  /** For an area of an image map: where it lies on the picture, in shares of it. */
  readonly part: Rect | null;
  /** What its file says of it, and who or what a person said is on it. */
  readonly embedded: string | null;
  readonly credit: string | null;
  readonly subjects: readonly string[];
  /** Words that were read in the picture itself, a line a line. */
  readonly readText: string | null;
  readonly places: readonly DeskPlaces[];
  /** Kinds of places that are not laid out: there are too many. */
  readonly more: number;
}

interface PictureRow {
  readonly file_id: number;
  readonly path: string;
  readonly sha256: string | null;
  readonly width_px: number | null;
  readonly height_px: number | null;
  readonly title: string | null;
  readonly metadata: EmbeddedMetadata | null;
  readonly paths: readonly string[];
  readonly subjects: readonly string[];
  readonly read_text: string | null;
}

/** A picture with all places whose words can be written, or `null` where the key names none that stands anywhere. */
export async function deskItem(site: Site, key: string): Promise<DeskItem | null> {
  const picture = await pictureOf(site.id, key);
  const alike = await alikePlaces(site.id, key, picture?.paths ?? []);
  const [first] = alike;
  if (!first) return null;
  const laidOut = await withContext(site.id, alike.slice(0, MOST_KINDS));
  const drafts = await draftsOfPlaces(
    site,
    laidOut.map(({ row, one: { page, language } }) => ({
      ...row,
      ...{ id: row.placementId, page: page.path, language, headings: row.context.headings },
      stored: row.context.stored ?? [],
    })),
  );
  const findings = await checkWords(
    database(),
    site.id,
    laidOut.map(({ row, one }) => ({
      placementId: row.placementId,
      ...(one.gathered ?? { alt: null, caption: null }),
    })),
    Date.now(),
  );
  const partOf = laidOut[0]?.row.context.partOf;
  const shown = picture ?? (partOf?.file ? await fileAt(site.id, partOf.file) : null);
  return {
    key,
    name: partOf?.file
      ? `part of ${lastPart(partOf.file)}`
      : (picture?.title ?? lastPart(picture?.path ?? first.one.shows)),
    isTitled: Boolean(picture?.title),
    ...{ fileId: picture?.file_id ?? null, sha256: shown?.sha256 ?? null },
    ...{ widthPx: shown?.width_px ?? null, heightPx: shown?.height_px ?? null },
    part: partOf && shown ? shareOf(partOf, shown) : null,
    embedded: picture?.metadata?.altText ?? picture?.metadata?.description ?? null,
    credit: picture?.metadata?.credit ?? picture?.metadata?.creator ?? null,
    subjects: picture?.subjects ?? [],
    readText: picture?.read_text || null,
    more: alike.length - laidOut.length,
    places: laidOut.map(({ ids, pages, one, row, neighbours }) => ({
      ...{ ids, pages, page: one.page, place: row, neighbours, gathered: one.gathered },
      takes: takesWords(one.words),
      branch: altBranch({
        ...row,
        element: elementOfSpot(row.spot),
        bearsWords: true,
        before: null,
        rights: null,
      }),
      drafts: drafts.get(row.placementId) ?? [],
      findings: findings.filter(({ placementId }) => placementId === row.placementId),
    })),
  };
}

const lastPart = (path: string): string => path.split('/').at(-1) ?? path;

type FileShown = Pick<PictureRow, 'sha256' | 'width_px' | 'height_px'>;

async function fileAt(siteId: number, path: string): Promise<FileShown | null> {
  const { rows } = await database().pool.query<FileShown>(
    'select sha256, width_px, height_px from files where site_id = $1 and path = $2 and gone_in is null',
    [siteId, path],
  );
  return rows[0] ?? null;
}

/** An area's rectangle in shares of its picture, which stays within it; `null` where its size is not known. */
function shareOf({ box, widthPx, heightPx }: AreaPart, { width_px, height_px }: FileShown): Rect | null {
  const [width, height] = [widthPx ?? width_px, heightPx ?? height_px];
  if (!box || !width || !height) return null;
  const [left, top] = [Math.max(0, box.left / width), Math.max(0, box.top / height)];
  return {
    ...{ left, top },
    width: Math.min(1, (box.left + box.width) / width) - left,
    height: Math.min(1, (box.top + box.height) / height) - top,
  };
}

async function pictureOf(siteId: number, key: string): Promise<PictureRow | null> {
  const kind = key[0];
  if (kind === 'e') return null;
  const { rows } = await database().pool.query<PictureRow>(
    `select f.id as file_id, f.path, f.sha256, f.width_px, f.height_px, p.title, l.metadata, (select t.text from readings t where t.sha256 = p.master_sha) as read_text,
       (select array_agg(g.path) from files g where g.site_id = f.site_id and g.gone_in is null and (g.picture_id = f.picture_id or g.id = f.id)) as paths,
       array(select distinct s.name from subjects s join picture_subjects ps on ps.subject_id = s.id
         join files g on g.site_id = ps.site_id and g.sha256 = ps.sha256 where g.picture_id = f.picture_id and g.gone_in is null order by 1) as subjects
     from files f left join pictures p on p.id = f.picture_id left join looks l on l.sha256 = f.sha256
     where f.site_id = $1 and f.gone_in is null and ${kind === 'p' ? 'f.picture_id = $2 order by f.is_master desc, length(f.path), f.path' : 'f.id = $2'} limit 1`,
    [siteId, Number(key.slice(1))],
  );
  return rows[0] ?? null;
}

/** A place as far as it is needed to know which others are like it. */
interface Standing extends Pick<
  PlaceRow,
  'kind' | 'spot' | 'alt' | 'name' | 'caption' | 'link' | 'decorative' | 'hidden'
> {
  readonly id: number;
  /** Path or address of what it shows. */
  readonly shows: string;
  readonly words: WordAnchors;
  readonly page: DeskPlaces['page'];
  readonly language: string | null;
  readonly gathered: PlaceWords | null;
}

interface Alike {
  readonly one: Standing;
  readonly ids: number[];
  readonly pages: number;
}

/** All places of a picture whose words can be written, those that are alike together. */
async function alikePlaces(siteId: number, key: string, paths: readonly string[]): Promise<Alike[]> {
  const elsewhere = key.startsWith('e') ? Number(key.slice(1)) : 0;
  const { rows } = await database().pool.query<Standing>(
    `select x.id, x.kind, x.spot, x.alt, x.name, x.caption, x.link, x.decorative, x.hidden, x.words,
       ${SHOWN} as shows, g.language, w.value as gathered,
       jsonb_build_object('id', g.id, 'path', g.path, 'title', g.title) as page
     from placements x join pages g on g.site_id = x.site_id and g.path = x.page_path and g.gone_in is null
     left join (select e.key, e.value from changes c join editions d on d.id = c.edition_id cross join jsonb_each(c.place_words) e
       where d.site_id = $1 and d.state = 'draft') w on w.key = x.id::text
     where x.site_id = $1 and x.until_survey is null and not x.dormant and (x.file_path = any($2::text[]) or x.id = $3) and ${TAKES_WORDS}
     order by g.reach desc, g.path, x.ordinal`,
    [siteId, paths, elsewhere],
  );
  const bearing = await bearersAmong(
    siteId,
    rows.map((row) => ({ ...row, id: Number(row.id) })),
  );
  const groups = new Map<string, Alike>();
  for (const one of bearing) {
    const likeness = likenessOf(one);
    const known = groups.get(likeness);
    if (!known) groups.set(likeness, { one, ids: [one.id], pages: 1 });
    else {
      known.ids.push(one.id);
      groups.set(likeness, { ...known, pages: known.pages + 1 });
    }
  }
  return [...groups.values()];
}

/** Of places of one element only the one that bears its words; the others of the element may show other pictures. */
async function bearersAmong(siteId: number, standing: readonly Standing[]): Promise<Standing[]> {
  const unsure = standing.filter(({ kind }) => !TAKES_OWN_WORDS.includes(kind));
  const { rows } = await database().pool.query<Pick<Standing, 'kind' | 'spot'> & { path: string }>(
    `select page_path as path, kind, spot from placements where site_id = $1 and until_survey is null
       and kind = any($3::text[]) and page_path = any($2::text[])`,
    [siteId, [...new Set(unsure.map(({ page }) => page.path))], TAKES_OWN_WORDS],
  );
  const byPage = new Map<string, { kind: Standing['kind']; element: string; own: Standing | null }[]>();
  const put = (path: string, { kind, spot }: Pick<Standing, 'kind' | 'spot'>, own: Standing | null) => {
    const list = byPage.get(path) ?? [];
    list.push({ kind, element: elementOfSpot(spot), own });
    byPage.set(path, list);
  };
  for (const row of rows) put(row.path, row, null);
  // After them: a place that is among both is the one of the picture that was asked for.
  for (const one of standing) put(one.page.path, one, one);
  const bears = new Set([...byPage.values()].flatMap((list) => withBearers(list).flatMap(bearer)));
  return standing.filter((one) => bears.has(one));
}

const bearer = ({ own, bearsWords }: { own: Standing | null; bearsWords: boolean }) =>
  own && bearsWords ? [own] : [];

/** The first of each with the context that it stands in, and what its neighbours say. */
async function withContext(siteId: number, alike: readonly Alike[]) {
  const pages = [...new Set(alike.map(({ one }) => one.page.path))];
  const onPages = await placesOfPages(database(), siteId, pages);
  return alike.flatMap((group) => {
    const rows = onPages.get(group.one.page.path) ?? [];
    const all = withBearers(
      rows.map((row) => ({ ...row, element: elementOfSpot(row.spot), before: null, rights: null })),
    );
    const row = all.find(({ placementId }) => placementId === group.one.id);
    return row ? [{ ...group, row, neighbours: neighboursOf(row, all) }] : [];
  });
}

function neighboursOf(one: PlacementToCheck, all: readonly PlacementToCheck[]): string[] {
  const { group } = one.context;
  if (!group) return [];
  return all
    .filter(
      ({ bearsWords, alt, context }) =>
        bearsWords && alt && context.group?.path === group.path && context.group.index !== group.index,
    )
    .sort((a, b) => distance(a, group.index) - distance(b, group.index))
    .slice(0, NEIGHBOURS)
    .flatMap(({ alt }) => alt ?? []);
}

const distance = ({ context }: PlacementToCheck, index: number) =>
  Math.abs((context.group?.index ?? 0) - index);

/** What makes two places alike: kind, words, link, and whether readers meet them at all. */
function likenessOf({ words, page, link, gathered, ...one }: Standing): string {
  const { kind, alt, name, caption, decorative, hidden } = one;
  const around = link ? [resolved(link.href, page.path), link.text] : null;
  return JSON.stringify([kind, alt, name, caption, around, decorative, hidden, takesWords(words), gathered]);
}

const resolved = (href: string, page: string) => parseUrl(href, `http://site.invalid/${page}`)?.href ?? href;
