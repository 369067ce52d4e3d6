/** Prepares a swap: plans it, makes the renditions, and works out the edits of every source. */
import { eq } from 'drizzle-orm';
import { clipOfFormat, isClipInIntake } from '@/core/swap/clip';
import { mediaTypeEdit } from '@/core/swap/media-type';
import { planSwap, type Candidate, type SwapPlace, type SwapPlan } from '@/core/swap/plan-swap';
import { slugOf } from '@/core/swap/file-name';
import type { PlaceWords } from '@/core/edit/word-edits';
import { editsOfPlace } from '@/core/swap/swap-edits';
import { wrapOf } from '@/core/swap/format-beside';
import { canBeListed } from '@/core/swap/width-list';
import type { Database } from '../../db/database';
import { placements } from '../../db/schema/content';
import type { changes, intake, newFiles } from '../../db/schema/editions';
import type { sites } from '../../db/schema/sites';
import { makeRendition } from '../../imaging/make-rendition';
import { storeBytes, storedBytes } from '../../store/store';
import { listsThere } from './lists-there';
import { isAsWideAsItSays, measuredSlots, withMeasured } from './measured-slots';
import { refuseFewerPlaces, refuseOtherSource, type OpenedSources } from './opened-sources';
import type { NewEdit, Prepared } from './prepared';
import { rulesOf } from '../sites/site-connection';
import { styledPages } from './styled-pages';

type Change = typeof changes.$inferSelect;
type Intake = typeof intake.$inferSelect;

interface Swapping {
  readonly change: Change;
  readonly picture: Intake;
  readonly site: typeof sites.$inferSelect;
}

export async function prepareSwap(
  db: Database,
  sources: OpenedSources,
  { change, picture, site }: Swapping,
): Promise<Prepared> {
  const { plan, wordsOf } = await planFor(db, sources, { change, picture, site });
  const edits = await editsFor(plan, wordsOf, sources);
  return { edits, files: await makeFiles(plan, picture), places: plan.places };
}

/** The words that each place gets: its own, or those for all. */
type WordsOf = (place: SwapPlace) => PlaceWords;

async function planFor(
  db: Database,
  sources: OpenedSources,
  { change, picture, site }: Swapping,
): Promise<{ plan: SwapPlan; wordsOf: WordsOf }> {
  const { rows: chosen } = await db.pool.query<{ id: string }>(
    `select id from placements where id = any($1::bigint[]) and until_survey is null order by page_path, ordinal`,
    [change.placementIds],
  );
  refuseFewerPlaces(change.placementIds.length, chosen.length);
  const places: SwapPlace[] = [];
  const slots = await measuredSlots(db, picture.siteId, change.placementIds);
  const lists = await listsThere(db, picture.siteId, change.placementIds);
  const newerOf = newerFormats(sources, site);
  const words = new Map<SwapPlace, PlaceWords>();
  const clip = isClipInIntake(picture) ? clipOfFormat(picture.format) : null;
  for (const { id } of chosen) {
    const [row] = await db.orm
      .select()
      .from(placements)
      .where(eq(placements.id, Number(id)));
    if (!row?.filePath) continue;
    const measured = slots.get(row.id) ?? null;
    const declared = withMeasured(row, measured);
    const focal = change.placeFocals[id];
    const beside = lists.get(row.pagePath);
    // By what the markup says of it: a width that was only measured may be that of the picture itself.
    const isListed =
      beside &&
      isAsWideAsItSays(row, measured) &&
      canBeListed(row, beside, (await sources.open(row.sourcePath)).source.text);
    const named = { kind: row.kind, type: declared.type, start: row.start };
    const mediaType = clip && mediaTypeEdit((await sources.open(row.sourcePath)).source, named, clip);
    const place = {
      ...{ ...row, declared, page: row.pagePath, source: row.sourcePath, path: row.filePath, mediaType },
      ...{ focal, isListed, newer: await newerOf(row) },
    };
    places.push(place);
    const own = change.placeWords[id];
    words.set(place, { alt: own?.alt ?? change.words.alt, caption: own?.caption ?? change.words.caption });
  }
  const { rows: sizes } = await db.pool.query<{
    path: string;
    width_px: number | null;
    height_px: number | null;
  }>(
    `select path, width_px, height_px from files where site_id = $1 and gone_in is null and sha256 is not null
     union all select n.path, null, null from new_files n join changes c on c.id = n.change_id
       where c.edition_id = $2 and c.id <> $3`,
    [picture.siteId, change.editionId, change.id],
  );
  const known = new Map(sizes.map((size) => [size.path, size]));
  // A survey writes down pictures; of clips only the site itself knows which names are taken.
  const there = isClipInIntake(picture) ? await sources.paths() : new Set<string>();
  const plan = planSwap({
    places,
    oldPath: change.fromPath,
    oldSize: (path) => {
      const size = known.get(path);
      return size?.width_px && size.height_px ? { widthPx: size.width_px, heightPx: size.height_px } : null;
    },
    candidate: candidateOf(picture),
    isTaken: (path) => known.has(path) || there.has(path),
    ownPath: picture.source?.isOwn ? picture.source.address : null,
  });
  return { plan, wordsOf: (place) => words.get(place) ?? change.words };
}

function candidateOf({ focalX, focalY, focalBecause, shapes, title, ...picture }: Intake): Candidate {
  const { widthPx, heightPx, format, isAnimated } = picture;
  const candidate = { widthPx, heightPx, format, isAnimated, focal: { x: focalX, y: focalY } };
  // A point that somebody put there counts for itself: the best crops were found without it.
  return { ...candidate, slug: slugOf(title), ...(shapes && focalBecause ? { shapes } : {}) };
}

/** Tells for each place of a site which newer format it gets besides, and why it gets none; for all where none is wanted. */
function newerFormats(
  sources: OpenedSources,
  site: typeof sites.$inferSelect,
): (place: Place) => Promise<SwapPlace['newer']> {
  const { formats } = site;
  const pageOf = styledPages(sources, rulesOf(site));
  return async (place) => {
    if (formats === 'keep') return undefined;
    if (place.kind !== 'img' || place.sourcePath !== place.pagePath) return { because: 'markup' };
    const page = await pageOf(place.pagePath);
    const found = wrapOf(place, page);
    return 'wrap' in found ? { format: formats, ...found } : found;
  };
}

type Place = typeof placements.$inferSelect;

async function editsFor(plan: SwapPlan, wordsOf: WordsOf, sources: OpenedSources): Promise<NewEdit[]> {
  const seen = new Set<string>();
  const rows: NewEdit[] = [];
  for (const planned of plan.places) {
    const { place } = planned;
    const open = await sources.open(place.source);
    for (const edit of editsOfPlace(planned, open.source, wordsOf(place))) {
      const key = `${edit.source}#${edit.start}#${edit.subject}`;
      if (seen.has(key)) continue;
      seen.add(key);
      refuseOtherSource(edit, edit.source, open.source);
      const { page, source, subject, start, end, was, becomes } = edit;
      rows.push({
        pagePath: page,
        sourcePath: source,
        placeStart: place.start,
        ...{ subject, start, end, was, becomes },
        expects: open.expects,
      });
    }
  }
  return rows;
}

async function makeFiles(
  plan: SwapPlan,
  picture: Intake,
): Promise<Omit<typeof newFiles.$inferInsert, 'changeId'>[]> {
  const original = await storedBytes(picture.sha256);
  const made = [];
  for (const rendition of plan.renditions) {
    const bytes = await makeRendition(original, rendition);
    made.push({ path: rendition.path, sha256: await storeBytes(bytes), sizeBytes: bytes.length, rendition });
  }
  return made;
}
