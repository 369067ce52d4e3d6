import { readFile } from 'node:fs/promises';
import { siteOfFiles, withoutEmptySegments } from '@/core/address/resolve-address';
import { applyEdits } from '@/core/edit/apply-edits';
import type { SiteEdit } from '@/core/edit/source-edit';
import type { PlaceWords } from '@/core/edit/word-edits';
import { unifiedDiff } from '@/core/edit/unified-diff';
import type { Placement } from '@/core/markup/placement';
import { problemText } from '@/core/problem';
import { decodeBytes, decodeSource, type SourceText } from '@/core/source/decode-source';
import { slugOfFile } from '@/core/swap/file-name';
import { planSwap, type SwapPlan } from '@/core/swap/plan-swap';
import { editsOfPlace } from '@/core/swap/swap-edits';
import { shapePoints, type ShapePoint } from '@/core/focus/shape-points';
import type { FocalPoint } from '@/core/swap/crop';
import type { PixelSize } from '@/core/swap/slot';
import type { ReadableConnection, SiteFile } from '@/server/connections/connection';
import { placementsOf } from '@/server/connections/read-site';
import { tooLargeToRead } from '@/server/connections/site-sources';
import { sha256 } from '@/server/hash';
import { inspectImage, type ImageFacts } from '@/server/imaging/inspect-image';
import { lookForFocus } from '@/server/imaging/look-for-focus';
import { makeRendition } from '@/server/imaging/make-rendition';
import { ProblemError } from '@/server/problem-error';
import { openSite, type SiteOptions } from './open-site';
import { printRow, printText, say, sayUnread } from './rows';
import { filesOfPictures } from './same-picture';
import { swapRows, type NamedSwap, type SwapChoice } from './swap-rows';
import { writeSite } from './write-site';

interface SwapOptions extends SiteOptions, SwapChoice {
  readonly family?: boolean;
  readonly out?: string;
  readonly dryRun?: boolean;
  readonly diff?: boolean;
}

interface OpenSource {
  readonly bytes: Uint8Array;
  readonly source: SourceText;
  readonly edits: SiteEdit[];
}

/** A plan with the bytes of the picture that comes, and the words for its places. */
interface Planned {
  readonly plan: SwapPlan;
  readonly picture: Uint8Array;
  readonly words: PlaceWords;
}

/** Exit code where some of many could not be done. */
const NOT_ALL = 1;

/** `ibidem swap`: one picture for another in all its placements, or many at once. @returns the exit code */
export async function swapCommand(site: string, options: SwapOptions): Promise<number> {
  const rows = await swapRows(options);
  if (!options.out && !options.dryRun && !options.diff) {
    throw new ProblemError({
      code: 'OUT_MISSING',
      what: 'Nothing was changed.',
      why: 'There is no --out folder to write the changed site to.',
      remedy: 'Add --out FOLDER, or --dry-run or --diff to look first.',
    });
  }
  // One that can't be put in need not wait until a whole site is read; of many, each is named in its turn.
  for (const row of rows) if (row.name === '') await incoming(row);
  const connection = await openSite(site, options);
  try {
    const planned = await planAll(connection, rows, options.family ?? false);
    const sources = await editSources(connection, planned);
    await (options.diff ? printDiff(sources) : printEdits(sources));
    if (options.out && !options.dryRun && !options.diff) {
      const changed = new Map<string, Uint8Array>();
      for (const [path, { bytes, source, edits }] of sources)
        changed.set(path, applied({ bytes, source }, edits));
      for (const { plan, picture } of planned)
        for (const rendition of plan.renditions)
          changed.set(rendition.path, await makeRendition(picture, rendition));
      await writeSite({ connection, place: site }, changed, options.out);
    }
    return planned.length < rows.length ? NOT_ALL : 0;
  } finally {
    await connection.close();
  }
}

/** Plans every row; of many, one that can't be done is named, and the others are. */
async function planAll(
  connection: ReadableConnection,
  rows: readonly NamedSwap[],
  withFamily: boolean,
): Promise<Planned[]> {
  const { files } = await connection.list();
  // A page that can't be had would end all of this; one that nobody would write by hand is only named.
  for (const file of files) {
    const reason = tooLargeToRead(file);
    if (reason !== null) sayUnread({ path: file.path, reason });
  }
  const itself = fileItself(files);
  const placesOf = await placesByPicture(connection, itself);
  // Listed anew: the pictures of a live site were looked for in between.
  const taken = new Set((await connection.list()).files.map(({ path }) => path));
  const familyOf = withFamily ? await filesOfPictures(connection) : (path: string) => [path];
  const planned: Planned[] = [];
  for (const row of rows) {
    try {
      const from = itself(withoutEmptySegments(row.from));
      const paths = familyOf(from);
      const places = paths.flatMap((path) => (placesOf.get(path) ?? []).map((place) => ({ ...place, path })));
      const one = await planOne(row, { from, places, taken, sizes: await sizesOf(connection, paths, taken) });
      for (const { path } of one.plan.renditions) taken.add(path);
      planned.push(one);
    } catch (error) {
      if (row.name === '' || !(error instanceof ProblemError)) throw error;
      say(`${row.name}${problemText(error.problem)}`);
    }
  }
  return planned;
}

/** The placements of each picture of the site, by its path. */
async function placesByPicture(
  connection: ReadableConnection,
  itself: (path: string) => string,
): Promise<Map<string, Placement[]>> {
  const places = new Map<string, Placement[]>();
  for await (const found of placementsOf(connection, connection.site ?? siteOfFiles()))
    for (const placement of found) {
      if (placement.address.kind !== 'site') continue;
      const path = itself(placement.address.path);
      const known = places.get(path);
      if (known) known.push(placement);
      else places.set(path, [placement]);
    }
  // A live site lists no pictures: those that its pages show are fetched, so that what is written is the whole site.
  await connection.find?.([...places.keys()]);
  return places;
}

interface Standing {
  readonly from: string;
  readonly places: readonly (Placement & { readonly path: string })[];
  readonly taken: ReadonlySet<string>;
  readonly sizes: ReadonlyMap<string, PixelSize | null>;
}

async function planOne(row: NamedSwap, { from, places, taken, sizes }: Standing): Promise<Planned> {
  if (places.length === 0) {
    throw new ProblemError({
      code: 'PICTURE_UNUSED',
      what: `No placement shows ${row.from}.`,
      why: 'No page or style sheet of the site refers to that address.',
      remedy: 'Look it up in the column url of `ibidem read`; upper and lower case count.',
    });
  }
  const { picture, facts } = await incoming(row);
  const focus = row.focal ? { focal: row.focal } : await suggested(picture, row.to);
  const plan = planSwap({
    places,
    oldSize: (path) => sizes.get(path) ?? null,
    oldPath: from,
    candidate: { ...facts, ...focus, slug: slugOfFile(row.to) },
    isTaken: (path) => taken.has(path),
  });
  return { plan, picture, words: { alt: row.alt ?? null, caption: row.caption ?? null } };
}

/** The picture that comes. @throws ProblemError `FILE_MISSING`, or as `inspectImage` */
async function incoming({ to }: NamedSwap): Promise<{ picture: Uint8Array; facts: ImageFacts }> {
  const picture = await readFile(to).catch(() => {
    throw new ProblemError({
      code: 'FILE_MISSING',
      what: `${to} can’t be read.`,
      why: 'There is no such file, or Ibidem may not open it.',
      remedy: 'Give the path of the picture to put in.',
    });
  });
  return { picture, facts: await inspectImage(picture, to) };
}

async function suggested(
  picture: Uint8Array,
  name: string,
): Promise<{ focal: FocalPoint; shapes: readonly ShapePoint[] }> {
  const { findHeads } = await import('@/server/imaging/find-heads');
  const found = await lookForFocus(picture, name, findHeads);
  return { focal: found.focus, shapes: shapePoints(found, found) };
}

/** Sizes of old pictures; `null` where one is missing or unreadable, which no swap should fail for. */
async function sizesOf(
  connection: ReadableConnection,
  paths: readonly string[],
  known: ReadonlySet<string>,
): Promise<Map<string, PixelSize | null>> {
  const sizes = new Map<string, PixelSize | null>();
  for (const path of paths) {
    if (!known.has(path)) continue;
    const size = connection.read(path).then((bytes) => inspectImage(bytes, path));
    sizes.set(path, await size.catch(() => null));
  }
  return sizes;
}

async function editSources(
  connection: ReadableConnection,
  planned: readonly Planned[],
): Promise<Map<string, OpenSource>> {
  const sources = new Map<string, OpenSource>();
  const { files } = await connection.list();
  const hints = new Map(files.map((file) => [file.path, file]));
  const itself = fileItself(files);
  const seen = new Set<string>();
  const all = planned.flatMap(({ plan, words }) => plan.places.map((place) => ({ ...place, words })));
  for (const { words, ...one } of all) {
    const { place } = one;
    // A page under two addresses is one source, and changed once.
    const source = itself(place.source);
    let open = sources.get(source);
    if (!open) {
      const bytes = await connection.read(source);
      open = { bytes, source: decodeSource(source, bytes, hints.get(source)), edits: [] };
      sources.set(source, open);
    }
    const expects = sha256(open.bytes);
    for (const { page, start, end, was, becomes } of editsOfPlace(one, open.source, words)) {
      // A style sheet's reference is met on many pages, and changed once.
      const key = `${source}#${start}`;
      if (seen.has(key)) continue;
      seen.add(key);
      open.edits.push({ page, source, start, end, was, becomes, expects });
    }
  }
  return sources;
}

/** Gives the path of a file itself for every address under which it stands. */
function fileItself(files: readonly SiteFile[]): (path: string) => string {
  const second = new Map(
    files.flatMap(({ path, sameAs }) => (sameAs === undefined ? [] : [[path, sameAs] as const])),
  );
  return (path) => second.get(path) ?? path;
}

function applied(
  original: { bytes: Uint8Array; source: SourceText },
  edits: readonly SiteEdit[],
): Uint8Array {
  const result = applyEdits(original, edits);
  if (!result.ok) throw new ProblemError(result.problem);
  return result.bytes;
}

async function printEdits(sources: ReadonlyMap<string, OpenSource>): Promise<void> {
  for (const { edits } of sources.values()) for (const edit of edits) await printRow(edit);
}

async function printDiff(sources: ReadonlyMap<string, OpenSource>): Promise<void> {
  for (const [path, { bytes, source, edits }] of sources) {
    const after = decodeBytes(applied({ bytes, source }, edits), source.encoding);
    await printText(unifiedDiff(path, source.text, after.text));
  }
}
