/** Prepares a change of an edition: plans it, makes the renditions, and works out the edits of every source. */
import { eq } from 'drizzle-orm';
import { planSwap, type SwapPlace, type SwapPlan } from '@/core/swap/plan-swap';
import { slugOf } from '@/core/swap/file-name';
import { editsOfPlace, type PlaceEdit } from '@/core/swap/swap-edits';
import type { DeclaredSlot } from '@/core/markup/placement';
import { decodeCss, decodeHtml, type SourceText } from '@/core/source/decode-source';
import { isSheetPath, type WritableConnection } from '../connections/connection';
import type { Database } from '../db/database';
import { placements } from '../db/schema/content';
import { changes, edits, editions, intake, newFiles } from '../db/schema/editions';
import { sites } from '../db/schema/sites';
import { sha256 } from '../hash';
import { makeRendition } from '../imaging/make-rendition';
import { problemOf, ProblemError } from '../problem-error';
import { storeBytes, storedBytes } from '../store/store';
import { openConnection } from './site-connection';

type Change = typeof changes.$inferSelect;
type Intake = typeof intake.$inferSelect;

/** Prepares a change that was gathered; what goes wrong is written into it. */
export async function prepareChange(db: Database, changeId: number): Promise<void> {
  const [row] = await db.orm
    .select({ change: changes, picture: intake, site: sites })
    .from(changes)
    .innerJoin(intake, eq(intake.id, changes.intakeId))
    .innerJoin(editions, eq(editions.id, changes.editionId))
    .innerJoin(sites, eq(sites.id, editions.siteId))
    .where(eq(changes.id, changeId));
  if (!row || row.change.state === 'ready') return;
  try {
    const plan = await planFor(db, row.change, row.picture);
    const connection = await openConnection(db, row.site);
    const placed = await editsFor(db, { plan, change: row.change, connection, siteId: row.site.id });
    const made = await makeFiles(plan, row.picture);
    await db.orm.transaction(async (tx) => {
      await tx.delete(edits).where(eq(edits.changeId, changeId));
      await tx.delete(newFiles).where(eq(newFiles.changeId, changeId));
      if (placed.length > 0) await tx.insert(edits).values(placed.map((edit) => ({ ...edit, changeId })));
      await tx.insert(newFiles).values(made.map((file) => ({ ...file, changeId })));
      await tx
        .update(changes)
        .set({ state: 'ready', places: plan.places, problem: null })
        .where(eq(changes.id, changeId));
    });
  } catch (error) {
    await db.orm
      .update(changes)
      .set({ state: 'failed', problem: problemOf(error) })
      .where(eq(changes.id, changeId));
    if (!(error instanceof ProblemError)) throw error;
  }
}

async function planFor(db: Database, change: Change, picture: Intake): Promise<SwapPlan> {
  const { rows: chosen } = await db.pool.query<{ id: string }>(
    `select id from placements where id = any($1::bigint[]) and until_survey is null order by page_path, ordinal`,
    [change.placementIds],
  );
  if (chosen.length < change.placementIds.length) {
    throw new ProblemError({
      code: 'PLACES_CHANGED',
      what: 'The swap could not be prepared.',
      why: `${change.placementIds.length - chosen.length} of its ${change.placementIds.length} places have changed since they were chosen.`,
      remedy: 'Take it out of the edition and choose the places again.',
    });
  }
  const places: SwapPlace[] = [];
  for (const { id } of chosen) {
    const [row] = await db.orm
      .select()
      .from(placements)
      .where(eq(placements.id, Number(id)));
    if (!row?.filePath) continue;
    const declared = await withMeasured(db, row);
    places.push({ ...row, declared, page: row.pagePath, source: row.sourcePath, path: row.filePath });
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
  return planSwap({
    places,
    oldPath: change.fromPath,
    oldSize: (path) => {
      const size = known.get(path);
      return size?.width_px && size.height_px ? { widthPx: size.width_px, heightPx: size.height_px } : null;
    },
    candidate: { ...picture, focal: { x: picture.focalX, y: picture.focalY }, slug: slugOf(picture.title) },
    isTaken: (path) => known.has(path),
  });
}

/** What a place declares, completed by what a reader's browser measured on that very page. */
async function withMeasured(
  { pool }: Database,
  { siteId, pagePath, sourcePath, start, kind, declared }: typeof placements.$inferSelect,
): Promise<DeclaredSlot> {
  // An enlarge target, an icon or a share picture has no space of its own on the page.
  if (!MEASURABLE.has(kind) || declared.widthPx !== null || declared.heightPx !== null) return declared;
  const { rows } = await pool.query<{ width_px: number; height_px: number }>(
    `select s.width_px, s.height_px from slots s join pages p on p.site_id = s.site_id and p.path = s.page_path
     where s.site_id = $1 and s.page_path = $2 and s.source_path = $3 and s.start = $4 and s.width = 'desktop'
       and s.sha256 = p.sha256`,
    [siteId, pagePath, sourcePath, start],
  );
  const slot = rows[0];
  return slot
    ? { ...declared, widthPx: Math.round(slot.width_px), heightPx: Math.round(slot.height_px) }
    : declared;
}

const MEASURABLE = new Set(['img', 'input', 'svg-image', 'poster']);

interface Opened {
  readonly source: SourceText;
  readonly expects: string;
}

async function editsFor(
  db: Database,
  input: { plan: SwapPlan; change: Change; connection: WritableConnection; siteId: number },
): Promise<Omit<typeof edits.$inferInsert, 'changeId'>[]> {
  const opened = new Map<string, Opened>();
  const seen = new Set<string>();
  const rows: Omit<typeof edits.$inferInsert, 'changeId'>[] = [];
  for (const { place, rendition } of input.plan.places) {
    let open = opened.get(place.source);
    if (!open) {
      open = await openSource(db, place.source, input);
      opened.set(place.source, open);
    }
    const fileName = rendition.path.split('/').at(-1) ?? rendition.path;
    for (const edit of editsOfPlace(place, fileName, open.source, input.change.words)) {
      const key = `${edit.source}#${edit.start}#${edit.subject}`;
      if (seen.has(key)) continue;
      seen.add(key);
      checkRaw(edit, open.source);
      const { page, source, subject, start, end, was, becomes } = edit;
      rows.push({
        pagePath: page,
        sourcePath: source,
        subject,
        placeStart: place.start,
        start,
        end,
        was,
        becomes,
        expects: open.expects,
      });
    }
  }
  return rows;
}

/** The source as the last survey read it: from the store, or for a style sheet from the site itself. */
async function openSource(
  { pool }: Database,
  path: string,
  { connection, siteId }: { connection: WritableConnection; siteId: number },
): Promise<Opened> {
  if (isSheetPath(path)) {
    const bytes = await connection.read(path);
    return { source: decodeCss(bytes), expects: await storeBytes(bytes) };
  }
  const { rows } = await pool.query<{ sha256: string }>(
    'select sha256 from pages where site_id = $1 and path = $2',
    [siteId, path],
  );
  const bytes = rows[0] ? await storedBytes(rows[0].sha256) : await connection.read(path);
  return { source: decodeHtml(bytes), expects: rows[0]?.sha256 ?? sha256(bytes) };
}

function checkRaw(edit: PlaceEdit, source: SourceText): void {
  if (source.text.slice(edit.start, edit.end) === edit.was) return;
  throw new ProblemError({
    code: 'SOURCE_CHANGED',
    what: `${edit.source} has changed since the last survey.`,
    why: 'Its pictures no longer stand where they stood.',
    remedy: 'Survey the site again, then take this swap out and make it anew.',
  });
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
