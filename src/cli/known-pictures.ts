/** Knows the pictures of a site by their bytes and the pages, as a survey knows them before anybody has said anything. */
import { nearMisses } from '@/core/address/near-miss';
import { sectionOf } from '@/core/address/section-of';
import { unknownPicture, type PictureFacts, type TurnedTwin } from '@/core/errata/page-to-check';
import { altTextsOf, pictureFacts } from '@/core/errata/picture-facts';
import { isPicture } from '@/core/errata/places';
import { familiesOf } from '@/core/picture/all-families';
import type { Family } from '@/core/picture/families';
import { fingerprintOf } from '@/core/picture/fingerprint';
import { knowPicture, type KnowingRules } from '@/core/picture/know-picture';
import { emptinessOf } from '@/core/picture/placeholder';
import type { ReadableConnection, SiteFile } from '@/server/connections/connection';
import { sha256 } from '@/server/hash';
import { inspectImage, type ImageFacts } from '@/server/imaging/inspect-image';
import { readMetadata, type EmbeddedMetadata } from '@/server/imaging/read-metadata';
import { readPlanes } from '@/server/imaging/read-pixels';
import { isReadable, type TextReader } from '@/server/imaging/read-text';
import { problemOf } from '@/server/problem-error';
import { readPicturesOf } from './picture-folder';
import type { Place } from './places-by-file';
import { PrintShelf } from './print-shelf';
import { say, showProgress } from './rows';

interface Look extends SiteFile, Pick<ImageFacts, 'widthPx' | 'heightPx' | 'format'> {
  /** The hash of its bytes. */
  readonly id: string;
  readonly emptiness: number;
  readonly metadata: EmbeddedMetadata;
}

interface Knowing {
  readonly rules: KnowingRules;
  /** Reads the words within pictures, where that was asked for. */
  readonly reader: TextReader | null;
}

/**
 * @param places the places of each file that pages show, by its path
 * @returns what is known of each of these files
 */
export async function knownPictures(
  connection: ReadableConnection,
  places: ReadonlyMap<string, readonly Place[]>,
  knowing: Knowing,
): Promise<Map<string, PictureFacts>> {
  const { files } = await connection.list();
  const there = new Map(files.map((file) => [file.path, file]));
  const near = nearMisses(there.keys());
  const pictures = new Map<string, PictureFacts>();
  for (const path of places.keys()) {
    const file = there.get(path);
    const unknown = unknownPicture(path);
    pictures.set(
      path,
      file ? { ...unknown, sizeBytes: file.sizeBytes } : { ...unknown, isThere: false, near: near(path) },
    );
  }
  const shelf = await PrintShelf.open();
  try {
    const looks = await readPicturesOf(connection, async (file, bytes) => lookAt(shelf, file, bytes));
    const filesOf = new Map<string, Look[]>();
    for (const look of looks) filesOf.set(look.id, [...(filesOf.get(look.id) ?? []), look]);
    const families = familiesOf(looks, shelf.load);
    for (const [number, family] of families.entries()) {
      const shown = { connection, families, filesOf, places, ...knowing };
      for (const facts of await factsOf(family, number, shown)) pictures.set(facts.path, facts);
      showProgress(`${number + 1} of ${families.length} pictures known`);
    }
  } finally {
    await shelf.close();
  }
  return pictures;
}

async function lookAt(shelf: PrintShelf, file: SiteFile, bytes: Uint8Array): Promise<Look> {
  const { path } = file;
  const { widthPx, heightPx, format } = await inspectImage(bytes, path);
  const print = fingerprintOf(await readPlanes(bytes, path));
  const metadata = await readMetadata(bytes);
  const id = sha256(bytes);
  await shelf.keep(id, print);
  return { ...file, id, widthPx, heightPx, format, emptiness: emptinessOf(print.plane), metadata };
}

interface Shown extends Knowing {
  readonly connection: ReadableConnection;
  readonly families: readonly Family[];
  readonly filesOf: ReadonlyMap<string, readonly Look[]>;
  readonly places: ReadonlyMap<string, readonly Place[]>;
}

/** What is known of those files of a family that pages show. */
async function factsOf(family: Family, number: number, shown: Shown): Promise<PictureFacts[]> {
  const { filesOf, places, rules } = shown;
  const looksOf = (id: string) => filesOf.get(id) ?? [];
  const others = family.members.flatMap(({ id, isMaster }) => (isMaster ? [] : looksOf(id)));
  const [master, ...more] = [...looksOf(family.master), ...others.toSorted(byPath)];
  const shownPlaces = [master, ...more].flatMap((look) => places.get(look?.path ?? '') ?? []);
  if (!master || shownPlaces.length === 0) return [];
  const inUse = shownPlaces.filter(({ placement }) => !placement.dormant);
  const known = knowPicture(
    {
      files: [knownFile(master), ...more.map(knownFile)],
      places: inUse.map(knownPlace),
      ...{ subjects: [], teaching: null, looksTaught: false, settledKind: null },
    },
    rules,
  );
  const around = {
    ...{ pictureId: number, masterPath: master.path, masterModifiedMs: master.modifiedMs },
    altTexts: altTextsOf(inUse.map(({ page, placement }) => ({ ...placement, page: page.path }))),
    twin: twinOf(family, shown),
  };
  const readText = await readTextOf(master, shownPlaces, shown);
  return [master, ...more]
    .filter(({ path }) => places.has(path))
    .map(({ id, metadata, emptiness: _, ...file }) => {
      const embedded = metadata.altText ?? metadata.description ?? null;
      const credit = metadata.credit ?? metadata.creator ?? null;
      const [first] = looksOf(id).toSorted(byLengthOfPath);
      const sameBytes = first && first.path !== file.path ? first.path : null;
      const embeddedTitle = metadata.title ?? null;
      return pictureFacts({ ...file, embedded, embeddedTitle, credit, readText, sameBytes }, known, around);
    });
}

const byPath = (a: SiteFile, b: SiteFile) => (a.path < b.path ? -1 : 1);
const byLengthOfPath = (a: SiteFile, b: SiteFile) => a.path.length - b.path.length || byPath(a, b);

/** A picture that shows the same, turned, and in which of both a camera noted which way is up. */
function twinOf({ members, twins: [twin] }: Family, { families, filesOf }: Shown): TurnedTwin | null {
  const looksOf = (id: string) => filesOf.get(id) ?? [];
  const path = twin && looksOf(twin.to)[0]?.path;
  if (!path) return null;
  const isNoted = (all: Family['members']) =>
    all.some(({ id }) => looksOf(id).some(({ metadata }) => metadata.orientation !== undefined));
  const own = isNoted(members);
  const other = isNoted(families.find(({ master }) => master === twin.to)?.members ?? []);
  return { path, quarters: twin.quarters, upright: own === other ? null : own ? 'own' : 'other' };
}

/** `null` where that was not asked for, or can't be. */
async function readTextOf(
  { path, widthPx, heightPx }: Look,
  shown: readonly Place[],
  { reader, connection }: Shown,
): Promise<string | null> {
  if (!reader || !isReadable(widthPx, heightPx)) return null;
  if (!shown.some(({ placement }) => isPicture(placement))) return null;
  try {
    return await reader.read(await connection.read(path));
  } catch (error) {
    const { what, why } = problemOf(error);
    say(`The words in ${path} are not read: ${what} ${why}`);
    return null;
  }
}

function knownFile({ path, widthPx, heightPx, modifiedMs, emptiness, metadata }: Look) {
  const { taken, digitized, dates, camera } = metadata;
  return { path, widthPx, heightPx, modifiedMs, emptiness, taken, digitized, dates, camera };
}

function knownPlace({ page, placement }: Place) {
  const { alt, caption, context } = placement;
  return {
    ...{ alt, caption, headings: context.headings, near: `${context.before} ${context.after}` },
    ...{ page: page.path, title: page.title, section: sectionOf(page.path, []) },
  };
}
