import { createHash } from 'node:crypto';
import { isPictureAddress, siteOfFiles } from '@/core/address/resolve-address';
import { nearMisses } from '@/core/address/near-miss';
import { sectionOf } from '@/core/address/section-of';
import { dayOfMs, partsOf, SCHOOL_YEAR_MONTH } from '@/core/dating/day';
import { ALL_RULES, FILE_RULES, RULES, ruleText } from '@/core/errata/all-rules';
import { checkFile, checkPage, type Erratum, type FileErratum } from '@/core/errata/check-page';
import {
  placementsToCheck,
  unknownPicture,
  type PageToCheck,
  type PictureFacts,
  type PlacementToCheck,
} from '@/core/errata/page-to-check';
import { altTextsOf, pictureFacts } from '@/core/errata/picture-facts';
import type { Degree, FileToCheck, RuleText } from '@/core/errata/rule';
import { knowPicture, type KnowingRules } from '@/core/picture/know-picture';
import { emptinessOf } from '@/core/picture/placeholder';
import type { ReadableConnection, SiteFile } from '@/server/connections/connection';
import { readingsOf } from '@/server/connections/read-site';
import { inspectImage } from '@/server/imaging/inspect-image';
import { readMetadata } from '@/server/imaging/read-metadata';
import { readableLanguages, TextReader } from '@/server/imaging/read-text';
import { readPlanes } from '@/server/imaging/read-pixels';
import { problemOf } from '@/server/problem-error';
import { ProblemError } from '@/server/problem-error';
import { openSite, type SiteOptions } from './open-site';
import { printRow, say, showProgress } from './rows';

interface CheckOptions extends SiteOptions {
  readonly rule?: string;
  readonly failOn?: Degree;
  readonly readTexts?: boolean;
}

const DEGREES: readonly Degree[] = ['must', 'should', 'note'];
/** Exit code where something was found that the command was asked to fail on. */
const FOUND = 1;

/** `ibidem check SITE`: a row an erratum. */
export async function checkCommand(
  site: string,
  { rule, failOn, readTexts, ...options }: CheckOptions,
): Promise<void> {
  const isAskedFor = rulesNamed(rule);
  const rules = RULES.filter(isAskedFor);
  const fileRules = FILE_RULES.filter(isAskedFor);
  const connection = await openSite(site, options);
  try {
    const { pages, files } = await readSite(connection, readTexts === true);
    let isFailed = false;
    const print = async (row: ReturnType<typeof rowOf>) => {
      await printRow(row);
      if (failOn && DEGREES.indexOf(row.degree) <= DEGREES.indexOf(failOn)) isFailed = true;
    };
    for (const page of pages)
      for (const erratum of checkPage(page, new Map(), rules)) await print(rowOf(erratum, placeOf(erratum)));
    for (const file of files)
      for (const erratum of checkFile(file, new Map(), fileRules))
        await print(rowOf(erratum, { ...NO_PLACE, url: file.path }));
    if (isFailed) process.exitCode = FOUND;
  } finally {
    await connection.close();
  }
}

/** Which rules to hold: the one of that name, or all. */
function rulesNamed(name: string | undefined): (rule: RuleText) => boolean {
  if (name === undefined) return () => true;
  if (ruleText(name)) return ({ id }) => id === name;
  throw new ProblemError({
    code: 'RULE_UNKNOWN',
    what: `There is no rule “${name}”.`,
    why: `The rules are ${ALL_RULES.map(({ id }) => id).join(', ')}.`,
    remedy: 'Name one of them, or leave --rule away for all.',
  });
}

/** Where an erratum stands; what is wrong with a file as such stands nowhere. */
interface PlaceColumns {
  readonly page: string | null;
  readonly source: string | null;
  readonly line: number | null;
  readonly column: number | null;
  readonly url: string | null;
}

const NO_PLACE = { page: null, source: null, line: null, column: null };

function placeOf({ page, placement: { source, line, column, filePath, url } }: Erratum): PlaceColumns {
  return { page, source, line, column, url: filePath ?? url };
}

function rowOf({ rule, degree, evidence }: FileErratum, place: PlaceColumns) {
  const { title, why, remedy } = ruleText(rule) as RuleText;
  return { rule, degree, ...place, message: `${title}. ${why}`, evidence, remedy };
}

interface ReadPage {
  readonly path: string;
  readonly title: string;
  readonly language: string | null;
  readonly placements: readonly PlacementToCheck[];
}

interface SiteToCheck {
  readonly pages: readonly PageToCheck[];
  readonly files: readonly FileToCheck[];
}

async function readSite(connection: ReadableConnection, readsTexts: boolean): Promise<SiteToCheck> {
  const pages: ReadPage[] = [];
  for await (const { address, title, language, placements } of readingsOf(
    connection,
    connection.site ?? siteOfFiles(),
  )) {
    pages.push({ path: address, title, language, placements: placementsToCheck(placements) });
    showProgress(`${pages.length} pages read`);
  }
  const today = dayOfMs(Date.now());
  const reader = readsTexts
    ? await TextReader.open(readableLanguages(pages.flatMap(({ language }) => language?.split('-')[0] ?? [])))
    : null;
  const places = placesByFile(pages);
  const { files } = await connection.list();
  const pictures = await picturesOf(connection, files, places, {
    ...{ today, thisYear: partsOf(today).year, lives: [], firstMonth: SCHOOL_YEAR_MONTH },
    reader,
  }).finally(async () => reader?.close());
  showProgress('');
  return {
    pages: pages.map((page) => ({ ...page, pictures, people: [], today })),
    files: files.flatMap(({ path, sizeBytes }) =>
      isPictureAddress({ kind: 'site', path })
        ? [{ path, sizeBytes, uses: places.get(path)?.length ?? 0 }]
        : [],
    ),
  };
}

interface Place {
  readonly page: ReadPage;
  readonly placement: PlacementToCheck;
}

/** The places of each file, by its path. */
function placesByFile(pages: readonly ReadPage[]): Map<string, Place[]> {
  const places = new Map<string, Place[]>();
  for (const page of pages) {
    for (const placement of page.placements) {
      const { filePath } = placement;
      if (filePath === null) continue;
      const known = places.get(filePath);
      if (known) known.push({ page, placement });
      else places.set(filePath, [{ page, placement }]);
    }
  }
  return places;
}

/** What is known of every file that the pages show, each file as a picture of its own. */
async function picturesOf(
  connection: ReadableConnection,
  files: readonly SiteFile[],
  places: ReadonlyMap<string, readonly Place[]>,
  { reader, ...rules }: KnowingRules & { readonly reader: TextReader | null },
): Promise<Map<string, PictureFacts>> {
  const there = new Map(files.map((file) => [file.path, file]));
  const near = nearMisses(there.keys());
  const first: Looking['first'] = new Map();
  const pictures = new Map<string, PictureFacts>();
  for (const [path, shown] of places) {
    const file = there.get(path);
    pictures.set(
      path,
      file
        ? await factsOf({ connection, listed: file, shown, first, rules, reader })
        : { ...unknownPicture(path), isThere: false, near: near(path) },
    );
    showProgress(`${pictures.size} of ${places.size} files looked at`);
  }
  return pictures;
}

interface Looking {
  readonly connection: ReadableConnection;
  readonly listed: SiteFile;
  readonly shown: readonly Place[];
  /** The first file of each bytes, by their hash, with its number. */
  readonly first: Map<string, { readonly path: string; readonly id: number }>;
  readonly rules: KnowingRules;
  /** Reads the words within pictures, where that was asked for. */
  readonly reader: TextReader | null;
}

async function factsOf({ connection, listed, shown, first, rules, reader }: Looking): Promise<PictureFacts> {
  const { path, sizeBytes, modifiedMs } = listed;
  try {
    const bytes = await connection.read(path);
    const { widthPx, heightPx, format } = await inspectImage(bytes, path);
    const { plane } = await readPlanes(bytes, path);
    const metadata = await readMetadata(bytes);
    const hash = createHash('sha256').update(bytes).digest('hex');
    const same = first.get(hash) ?? { path, id: first.size };
    first.set(hash, same);
    const sameBytes = same.path === path ? null : same.path;
    const pictureId = same.id;
    const known = knowPicture(
      {
        files: [{ path, widthPx, heightPx, modifiedMs, emptiness: emptinessOf(plane), ...metadata }],
        places: shown.filter(({ placement }) => !placement.dormant).map(knownPlace),
        ...{ subjects: [], teaching: null, looksTaught: false, settledKind: null },
      },
      rules,
    );
    const readText = reader ? await reader.read(bytes) : null;
    const embedded = metadata.altText ?? metadata.description ?? null;
    const credit = metadata.credit ?? metadata.creator ?? null;
    const embeddedTitle = metadata.title ?? null;
    const file = { path, widthPx, heightPx, sizeBytes, format, modifiedMs, readText, credit, sameBytes };
    return pictureFacts({ ...file, embedded, embeddedTitle }, known, {
      ...{ pictureId, masterPath: path, masterModifiedMs: modifiedMs },
      altTexts: altTextsOf(shown.map(({ placement }) => placement)),
    });
  } catch (error) {
    const { what, why } = problemOf(error);
    say(`${path} is not looked at: ${what} ${why}`);
    return { ...unknownPicture(path), sizeBytes };
  }
}

function knownPlace({ page, placement }: Place) {
  const { alt, caption, context } = placement;
  return {
    ...{ alt, caption, headings: context.headings, near: `${context.before} ${context.after}` },
    ...{ page: page.path, title: page.title, section: sectionOf(page.path, []) },
  };
}
