import { readFile } from 'node:fs/promises';
import { siteOfFiles } from '@/core/address/resolve-address';
import { applyEdits } from '@/core/edit/apply-edits';
import type { SiteEdit } from '@/core/edit/source-edit';
import { unifiedDiff } from '@/core/edit/unified-diff';
import type { Placement } from '@/core/markup/placement';
import { decodeBytes, decodeSource, type SourceText } from '@/core/source/decode-source';
import { slugOfFile } from '@/core/swap/file-name';
import { planSwap, type SwapPlan } from '@/core/swap/plan-swap';
import { editsOfPlace } from '@/core/swap/swap-edits';
import type { PixelSize } from '@/core/swap/slot';
import type { ReadableConnection, SiteFile } from '@/server/connections/connection';
import { placementsOf } from '@/server/connections/read-site';
import { sha256 } from '@/server/hash';
import { inspectImage } from '@/server/imaging/inspect-image';
import { makeRendition } from '@/server/imaging/make-rendition';
import { ProblemError } from '@/server/problem-error';
import { openSite, type SiteOptions } from './open-site';
import { printRow, printText } from './rows';
import { writeSite } from './write-site';

interface SwapOptions extends SiteOptions {
  readonly from: string;
  readonly to: string;
  readonly out?: string;
  readonly dryRun?: boolean;
  readonly diff?: boolean;
}

interface OpenSource {
  readonly bytes: Uint8Array;
  readonly source: SourceText;
  readonly edits: SiteEdit[];
}

/** `ibidem swap`: one picture for another in all its placements. */
export async function swapCommand(site: string, options: SwapOptions): Promise<void> {
  const connection = await openSite(site, options);
  try {
    if (!options.out && !options.dryRun && !options.diff) {
      throw new ProblemError({
        code: 'OUT_MISSING',
        what: 'Nothing was changed.',
        why: 'There is no --out folder to write the changed site to.',
        remedy: 'Add --out FOLDER, or --dry-run or --diff to look first.',
      });
    }
    const picture = await readFile(options.to).catch(() => {
      throw new ProblemError({
        code: 'FILE_MISSING',
        what: `${options.to} can’t be read.`,
        why: 'There is no such file, or Ibidem may not open it.',
        remedy: 'Give the path of the picture to put in.',
      });
    });
    const plan = await planFor(connection, options, picture);
    const sources = await editSources(connection, plan);
    await (options.diff ? printDiff(sources) : printEdits(sources));
    if (options.out && !options.dryRun && !options.diff) {
      const changed = new Map<string, Uint8Array>();
      for (const [path, { bytes, source, edits }] of sources)
        changed.set(path, applied({ bytes, source }, edits));
      for (const rendition of plan.renditions)
        changed.set(rendition.path, await makeRendition(picture, rendition));
      await writeSite({ connection, place: site }, changed, options.out);
    }
  } finally {
    await connection.close();
  }
}

async function planFor(
  connection: ReadableConnection,
  options: SwapOptions,
  picture: Uint8Array,
): Promise<SwapPlan> {
  const { files } = await connection.list();
  const itself = fileItself(files);
  const from = itself(options.from);
  const placements: Placement[] = [];
  const shown = new Set<string>();
  for await (const found of placementsOf(connection, connection.site ?? siteOfFiles())) {
    for (const placement of found) {
      if (placement.address.kind === 'site') shown.add(placement.address.path);
      if (placement.address.kind === 'site' && itself(placement.address.path) === from)
        placements.push(placement);
    }
  }
  if (placements.length === 0) {
    throw new ProblemError({
      code: 'PICTURE_UNUSED',
      what: `No placement shows ${options.from}.`,
      why: 'No page or style sheet of the site refers to that address.',
      remedy: 'Look it up in the column url of `ibidem read`; upper and lower case count.',
    });
  }
  // A live site lists no pictures: those that its pages show are fetched, so that what is written is the whole site.
  await connection.find?.([...shown]);
  const facts = await inspectImage(picture, options.to);
  const taken = new Set((await connection.list()).files.map(({ path }) => path));
  const old = await sizeOf(connection, from, taken);
  return planSwap({
    places: placements.map((placement) => ({ ...placement, path: from })),
    oldSize: () => old,
    oldPath: from,
    candidate: { ...facts, focal: { x: 0.5, y: 0.5 }, slug: slugOfFile(options.to) },
    isTaken: (path) => taken.has(path),
  });
}

/** Size of the old picture; `null` where it is missing or unreadable, which no swap should fail for. */
async function sizeOf(
  connection: ReadableConnection,
  path: string,
  known: ReadonlySet<string>,
): Promise<PixelSize | null> {
  if (!known.has(path)) return null;
  return inspectImage(await connection.read(path), path).catch(() => null);
}

async function editSources(connection: ReadableConnection, plan: SwapPlan): Promise<Map<string, OpenSource>> {
  const sources = new Map<string, OpenSource>();
  const { files } = await connection.list();
  const hints = new Map(files.map((file) => [file.path, file]));
  const itself = fileItself(files);
  const seen = new Set<string>();
  for (const { place, rendition } of plan.places) {
    // A page under two addresses is one source, and changed once.
    const source = itself(place.source);
    let open = sources.get(source);
    if (!open) {
      const bytes = await connection.read(source);
      open = { bytes, source: decodeSource(source, bytes, hints.get(source)), edits: [] };
      sources.set(source, open);
    }
    const expects = sha256(open.bytes);
    const fileName = rendition.path.split('/').at(-1) ?? rendition.path;
    for (const { page, start, end, was, becomes } of editsOfPlace(place, fileName, open.source, UNCHANGED)) {
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

const UNCHANGED = { alt: null, caption: null };

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
