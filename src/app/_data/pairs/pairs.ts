import 'server-only';
import type { DeclaredSlot } from '@/core/markup/placement';
import type { PlacementKind } from '@/core/markup/kinds/kind';
import { fitOf, rarities, type Fit, type PutIn, type PutOut } from '@/core/swap/fit';
import { pairUp } from '@/core/swap/pair-up';
import { slotOf } from '@/core/swap/slot';
import { contentWords } from '@/core/words/content-words';
import { wordsFor } from '@/core/words/languages/known-languages';
import { titleText } from '@/ui/format';
import { database } from '@/server/db/database';

/** A picture that should go: a leftover of a template, or one beyond its time. */
export interface Going {
  readonly id: number;
  readonly fileId: number;
  readonly sha256: string;
  readonly name: string;
  /** `chosen`: somebody put it on the sheet. */
  readonly why: 'leftover' | 'outdated' | 'chosen';
  readonly pages: number;
  readonly places: number;
  /** Titles of the first pages that show it. */
  readonly titles: readonly string[];
}

/** A picture that came and is in no edition yet. */
export interface Coming {
  readonly id: number;
  readonly sha256: string;
  readonly title: string;
  readonly alt: string;
  readonly caption: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

export interface PairSheet {
  readonly going: readonly Going[];
  /** How many more there are than are shown. */
  readonly more: number;
  readonly coming: readonly Coming[];
  /** For each that goes the index of the one that is proposed. */
  readonly proposed: readonly (number | null)[];
  /** For each that goes the indexes of those that come, the best fit first. */
  readonly ranked: readonly (readonly number[])[];
  /** For each that goes why the best of them fit, and the one that is proposed, by its index. */
  readonly fits: readonly Readonly<Record<number, Fit>>[];
}

/** A sheet that a person can look through in an hour. */
const SHEET = 60;
const MOST_COMING = 200;
const SLOTS = 40;

/**
 * The pictures of a site that should go beside those that came, with the pairs that suit best.
 *
 * @param chosen numbers of the pictures that are to go; all that should, where nobody chose any
 */
export async function pairSheet(
  { id: siteId, name: siteName }: { readonly id: number; readonly name: string },
  chosen: readonly number[] = [],
): Promise<PairSheet> {
  const coming = await comingPictures(siteId);
  const all = await goingPictures(siteId, chosen);
  const going = all.slice(0, SHEET);
  const outs = await putOuts(siteId, going);
  const ins = coming.map(putIn);
  const rarityOf = rarities([...outs, ...ins]);
  const pairs = pairUp(outs, ins);
  // Pairs first, the surest above: what has none is left for later anyway.
  const order = pairs.toSorted((a, b) => (b.fit?.score ?? -1) - (a.fit?.score ?? -1)).map(({ out }) => out);
  const inOrder = <T>(list: readonly T[]): T[] => order.flatMap((n) => list.slice(n, n + 1));
  return {
    going: inOrder(going).map(({ paths: _, titles, ...one }) => ({
      ...one,
      titles: titles.map((title) => titleText(title, siteName)),
    })),
    more: all.length - going.length,
    coming: coming.map(({ words: _, takenYear: __, ...one }) => one),
    proposed: inOrder(pairs).map(({ candidate }) => candidate),
    ...rankings(
      inOrder(outs).map((out) => ins.map((one) => fitOf(out, one, rarityOf))),
      inOrder(pairs).map(({ candidate }) => candidate),
    ),
  };
}

/** Reasons that are told beforehand, for each picture that goes: of all of them they would be megabytes. */
const TOLD = 12;

function rankings(
  all: readonly (readonly Fit[])[],
  proposed: readonly (number | null)[],
): Pick<PairSheet, 'ranked' | 'fits'> {
  const ranked = all.map((fits) =>
    fits
      .map((fit, n) => ({ n, score: fit.score }))
      .toSorted((a, b) => b.score - a.score || a.n - b.n)
      .map(({ n }) => n),
  );
  const fits = all.map((row, n) => {
    const told = [...(ranked[n] ?? []).slice(0, TOLD), proposed[n] ?? -1];
    return Object.fromEntries(told.flatMap((one) => (row[one] ? [[one, row[one]] as const] : [])));
  });
  return { ranked, fits };
}

type GoingRow = Going & { readonly paths: readonly string[] };

/** Leftovers first, then what is beyond its time, each by how many pages show it. What the draft changes already is left out. */
async function goingPictures(siteId: number, chosen: readonly number[]): Promise<GoingRow[]> {
  const { rows } = await database().pool.query<GoingRow>(
    `with shown as (
       select f.picture_id, f.path, p.page_path, p.id from files f
       join pictures k on k.id = f.picture_id and case when cardinality($2::int[]) > 0 then k.id = any($2) else k.is_placeholder or k.overdue > 1 end
       join placements p on p.site_id = f.site_id and p.file_path = f.path and p.until_survey is null
       where f.site_id = $1 and f.gone_in is null
         and not exists (select 1 from changes c join editions e on e.id = c.edition_id
           where e.site_id = $1 and e.state = 'draft' and (c.takes_off or c.intake_id is not null)
             and c.placement_ids @> to_jsonb(p.id)))
     select k.id, m.id as "fileId", k.master_sha as sha256, coalesce(k.title, m.path) as name,
       case when k.is_placeholder then 'leftover' when k.overdue > 1 then 'outdated' else 'chosen' end as why,
       count(distinct s.page_path)::int as pages, count(distinct s.id)::int as places,
       array_agg(distinct s.path) as paths,
       (select coalesce(array_agg(t.title), '{}') from (select distinct g.title from shown x join pages g on g.site_id = $1 and g.path = x.page_path
          where x.picture_id = k.id limit 3) t) as titles
     from pictures k
     join shown s on s.picture_id = k.id
     join lateral (select id, path from files where site_id = $1 and sha256 = k.master_sha and gone_in is null order by path limit 1) m on true
     where k.site_id = $1
     group by k.id, m.id, m.path order by k.is_placeholder desc, pages desc, k.id`,
    [siteId, chosen],
  );
  return rows;
}

interface ComingRow extends Coming {
  readonly words: string;
  readonly takenYear: number | null;
}

/** @param withUsed whether those that an edition has already are given as well */
async function comingPictures(siteId: number, withUsed = false): Promise<ComingRow[]> {
  const { rows } = await database().pool.query<ComingRow>(
    `select id, sha256, title, alt, caption, width_px as "widthPx", height_px as "heightPx", taken_year as "takenYear",
       concat_ws(' ', title, alt, caption, folder, replace(entry, '/', ' '), (select string_agg(t, ' ') from jsonb_array_elements_text(tags) t)) as words
     from intake i where site_id = $1 and struck_at is null and width_px > 0
       and ($3 or not exists (select 1 from changes c join editions e on e.id = c.edition_id where c.intake_id = i.id and e.state <> 'withdrawn'))
     order by received_at desc, id desc limit $2`,
    [siteId, MOST_COMING, withUsed],
  );
  return rows.toReversed();
}

const SMALL = wordsFor(null, 'functionWords');
/** Words of a text that say something, names of files as well. */
export const wordsIn = (text: string) => contentWords(text.replaceAll(/[_./-]+/gu, ' '), SMALL);

function putIn({ words, takenYear, widthPx, heightPx }: ComingRow): PutIn {
  return { widthPx, heightPx, words: wordsIn(words), year: takenYear, isSame: false };
}

interface PlaceRow {
  readonly picture: number;
  readonly kind: PlacementKind;
  readonly declared: DeclaredSlot;
  readonly width_px: number | null;
  readonly height_px: number | null;
  readonly says: string;
  readonly page_path: string;
}

/**
 * How well each of some arrived pictures suits the places of one that goes.
 *
 * @returns by the number of each in the intake
 */
export async function fitsOfPicture(
  siteId: number,
  pictureId: number,
  candidates: readonly { readonly id: number }[],
): Promise<Map<number, Fit>> {
  const wanted = new Set(candidates.map(({ id }) => id));
  const coming = (await comingPictures(siteId, true)).filter(({ id }) => wanted.has(id));
  const [out] = await putOuts(siteId, [{ id: pictureId, name: '' }]);
  if (!out) return new Map();
  const ins = coming.map(putIn);
  const rarityOf = rarities([out, ...ins]);
  return new Map(coming.map((one) => [one.id, fitOf(out, putIn(one), rarityOf)]));
}

/** What the places of each say and ask for. */
export async function putOuts(
  siteId: number,
  going: readonly Pick<GoingRow, 'id' | 'name'>[],
): Promise<PutOut[]> {
  const { rows } = await database().pool.query<PlaceRow>(
    `select f.picture_id as picture, p.kind, p.declared, f.width_px, f.height_px, p.page_path,
       concat_ws(' ', case when k.is_placeholder then '' else p.alt end, p.caption, g.title, replace(p.page_path, '/', ' ')) as says
     from placements p join files f on f.site_id = p.site_id and f.path = p.file_path and f.gone_in is null
     join pictures k on k.id = f.picture_id left join pages g on g.site_id = p.site_id and g.path = p.page_path
     where p.site_id = $1 and p.until_survey is null and f.picture_id = any($2::int[]) order by p.id`,
    [siteId, going.map(({ id }) => id)],
  );
  return going.map(({ id, name }) => {
    const places = rows.filter(({ picture }) => picture === id).slice(0, SLOTS);
    return {
      slots: places.map(({ kind, declared, width_px: widthPx, height_px: heightPx }) =>
        slotOf(kind, declared, widthPx && heightPx ? { widthPx, heightPx } : null),
      ),
      words: [...new Set([...wordsIn(name), ...places.flatMap(({ says }) => wordsIn(says))])],
      years: [...new Set(places.flatMap(({ page_path }) => yearsIn(page_path)))],
    };
  });
}

const yearsIn = (path: string) => [...path.matchAll(/(?<!\d)(?:19|20)\d\d(?!\d)/gu)].map(([year]) => Number(year)); // oxfmt-ignore
