/** Knows the pictures of a site by their bytes and the pages, as a survey knows them before anybody has said anything. */
import PQueue from 'p-queue';
import { nearMisses } from '@/core/address/near-miss';
import { sectionOf } from '@/core/address/section-of';
import { unknownPicture, type PictureFacts, type TurnedTwin } from '@/core/errata/page-to-check';
import { altTextsOf, pictureFacts } from '@/core/errata/picture-facts';
import { isPicture, isSeen } from '@/core/errata/places';
import type { ListedPicture } from '@/core/errata/unopened-picture';
import { familiesOf } from '@/core/picture/all-families';
import type { Family } from '@/core/picture/families';
import { fingerprintOf } from '@/core/picture/fingerprint';
import { knowPicture, type KnowingRules } from '@/core/picture/know-picture';
import { drawnSign, type DrawnSign } from '@/core/picture/drawn-signs';
import { isHomeLink } from '@/core/picture/home-link';
import { emptinessOf } from '@/core/picture/placeholder';
import { numberedBeside, photosBeside, type InRow } from '@/core/picture/rows-of-pictures';
import type { ReadableConnection, SiteFile } from '@/server/connections/connection';
import { sha256 } from '@/server/hash';
import { inspectImage, type ImageFacts } from '@/server/imaging/inspect-image';
import { readMetadata, type EmbeddedMetadata } from '@/server/imaging/read-metadata';
import { readPlanes } from '@/server/imaging/read-pixels';
import { isDrawnInFewTones, isReadable } from '@/server/imaging/read-text';
import { READ_AT_ONCE, type ReadsText } from '@/server/imaging/text-readers';
import { problemOf } from '@/server/problem-error';
import { readPicturesOf } from './picture-folder';
import type { Place } from './places-by-file';
import { PrintShelf } from './print-shelf';
import { say, showProgress } from './rows';

interface Look extends SiteFile, Pick<ImageFacts, 'widthPx' | 'heightPx' | 'format'> {
  /** The hash of its bytes. */
  readonly id: string;
  readonly emptiness: number;
  readonly sign: DrawnSign | null;
  readonly metadata: EmbeddedMetadata;
}

interface Knowing {
  readonly rules: KnowingRules;
  /** Reads the words within pictures; those of few tones always, the others where that was asked for. */
  readonly reader: ReadsText;
  readonly readsAll: boolean;
}

/** A site's files, and where its pages show them. */
export interface ShownFiles {
  readonly connection: ReadableConnection;
  readonly files: readonly SiteFile[];
  /** The places of each file that pages show, by its path. */
  readonly places: ReadonlyMap<string, readonly Place[]>;
}

/**
 * What the list of a site's files tells of those that pages show, by their paths.
 *
 * @param listed what is told of one that is there
 */
export function listedPictures(
  { files, places }: Pick<ShownFiles, 'files' | 'places'>,
  listed: (file: ListedPicture) => PictureFacts,
): Map<string, PictureFacts> {
  const there = new Map(files.map((file) => [file.path, file]));
  const near = nearMisses(there.keys());
  return new Map(
    [...places.keys()].map((path) => {
      const file = there.get(path);
      return [
        path,
        file
          ? listed({ path, sizeBytes: file.sizeBytes })
          : { ...unknownPicture(path), isThere: false, near: near(path) },
      ];
    }),
  );
}

/**
 * What is known of the files that pages show, by their paths, once all pictures of the site have been opened. One that can't
 * be read is told on standard error, and is known as it is listed.
 */
export async function knownPictures(
  { connection, files, places }: ShownFiles,
  knowing: Knowing,
): Promise<Map<string, PictureFacts>> {
  const pictures = listedPictures({ files, places }, (file) => ({ ...unknownPicture(file.path), ...file }));
  const shelf = await PrintShelf.open();
  // One more than are read at once: the next picture is there when one is done.
  const turns = new PQueue({ concurrency: READ_AT_ONCE + 1 });
  try {
    const looks = await readPicturesOf(connection, async (file, bytes) => lookAt(shelf, file, bytes));
    const filesOf = new Map<string, Look[]>();
    for (const look of looks) filesOf.set(look.id, [...(filesOf.get(look.id) ?? []), look]);
    const families = familiesOf(looks, shelf.load);
    const emptiness = new Map(looks.map((look) => [look.path, look.emptiness]));
    const site = {
      numbered: numberedBeside(files.map(({ path }) => path)),
      photos: photosBeside(rowsIn(places), (path) => emptiness.get(path)),
    };
    const shown = { connection, families, filesOf, places, ...site, ...knowing };
    let done = 0;
    const known = await turns.addAll(
      families.map((family, number) => async () => {
        const facts = await factsOf(family, number, shown);
        showProgress(`${++done} of ${families.length} pictures known`);
        return facts;
      }),
    );
    for (const facts of known.flat()) pictures.set(facts.path, facts);
  } finally {
    turns.clear();
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
  return {
    ...{ ...file, id, widthPx, heightPx, format, metadata },
    ...{ emptiness: emptinessOf(print.plane), sign: drawnSign(print.plane) },
  };
}

interface Shown extends Knowing {
  readonly connection: ReadableConnection;
  readonly families: readonly Family[];
  readonly filesOf: ReadonlyMap<string, readonly Look[]>;
  readonly places: ReadonlyMap<string, readonly Place[]>;
  readonly numbered: (path: string) => number;
  readonly photos: (path: string) => number;
}

/** The rows of all pages, with the pictures in them. */
function* rowsIn(places: ReadonlyMap<string, readonly Place[]>): Generator<InRow> {
  for (const [path, all] of places)
    for (const { page, placement } of all) {
      const { group } = placement.context;
      if (group && isPicture(placement)) yield { path, row: `${page.path} ${group.path}` };
    }
}

/** What is known of those files of a family that pages show. */
async function factsOf(family: Family, number: number, shown: Shown): Promise<PictureFacts[]> {
  const { filesOf, places, rules } = shown;
  const looksOf = (id: string) => filesOf.get(id) ?? [];
  const rest = family.members.flatMap(({ id, isMaster }) => (isMaster ? [] : looksOf(id)));
  const [master, ...more] = [...looksOf(family.master), ...rest.toSorted(byPath)];
  const shownPlaces = [master, ...more].flatMap((look) => places.get(look?.path ?? '') ?? []);
  if (!master || shownPlaces.length === 0) return [];
  const inUse = shownPlaces.filter(({ placement }) => !placement.dormant);
  const texts = new Map<string, Promise<string | null>>();
  // Copies say the same.
  const textOf = async (look: Look) => {
    const text = texts.get(look.id) ?? readTextOf(look, shownPlaces, shown);
    texts.set(look.id, text);
    return text;
  };
  const readText = await textOf(master);
  const asFile = async (look: Look) => ({
    ...knownFile(look),
    // Those of few tones are told apart by what stands in them.
    readText:
      look.id === master.id || look.sign || isDrawnInFewTones(look.emptiness, look.widthPx, look.heightPx)
        ? await textOf(look)
        : null,
    ...{ photosBeside: shown.photos(look.path), numberedBeside: shown.numbered(look.path) },
  });
  const known = knowPicture(
    {
      files: [await asFile(master), ...(await Promise.all(more.map(asFile)))],
      places: inUse.map(knownPlace),
      ...{ subjects: [], teaching: null, looksTaught: false, settledKind: null, readText },
    },
    rules,
  );
  const around = {
    ...{ pictureId: number, masterPath: master.path, masterModifiedMs: master.modifiedMs },
    altTexts: altTextsOf(inUse.map(({ page, placement }) => ({ ...placement, page: page.path }))),
    twin: twinOf(family, shown),
  };
  return [master, ...more]
    .filter(({ path }) => places.has(path))
    .map(({ id, metadata, emptiness: _, sign: _sign, ...file }) => {
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
  { path, widthPx, heightPx, emptiness }: Look,
  shown: readonly Place[],
  { reader, readsAll, connection }: Shown,
): Promise<string | null> {
  const isDrawn = isDrawnInFewTones(emptiness, widthPx, heightPx);
  if (!isDrawn && !(readsAll && isReadable(widthPx, heightPx))) return null;
  // What is drawn may say that it is a leftover, also behind a text; a photograph’s words count where it takes words itself.
  if (!shown.some(({ placement }) => (isDrawn ? isSeen(placement) : isPicture(placement)))) return null;
  try {
    const bytes = await connection.read(path);
    return isDrawn ? await reader.readDrawn(bytes) : await reader.read(bytes);
  } catch (error) {
    const { what, why } = problemOf(error);
    say(`The words in ${path} are not read: ${what} ${why}`);
    return null;
  }
}

function knownFile({ path, widthPx, heightPx, modifiedMs, emptiness, sign, metadata }: Look) {
  const { taken, digitized, dates, camera, edited, made } = metadata;
  return {
    ...{ path, widthPx, heightPx, modifiedMs, emptiness, sign },
    ...{ taken, digitized, dates, camera, edited, made },
  };
}

/** A place as pictures are known by it. */
export function knownPlace({ page, placement }: Place) {
  const { alt, caption, context } = placement;
  return {
    ...{ alt, caption, headings: context.headings, near: `${context.before} ${context.after}` },
    ...{ page: page.path, title: page.title, section: sectionOf(page.path, []) },
    ...{ file: placement.filePath ?? undefined, entry: context.entry, row: context.group?.path },
    isHomeLink: isHomeLink(placement.link?.href),
  };
}
