import { createHash } from 'node:crypto';
import { siteOfFiles } from '@/core/address/resolve-address';
import { nearMisses } from '@/core/address/near-miss';
import { sectionOf } from '@/core/address/section-of';
import { dayOfMs, partsOf, SCHOOL_YEAR_MONTH } from '@/core/dating/day';
import { RULES } from '@/core/errata/all-rules';
import { checkPage, type Erratum } from '@/core/errata/check-page';
import {
  placementsToCheck,
  unknownPicture,
  type PageToCheck,
  type PictureFacts,
  type PlacementToCheck,
} from '@/core/errata/page-to-check';
import { altTextsOf, pictureFacts } from '@/core/errata/picture-facts';
import type { Degree, Rule } from '@/core/errata/rule';
import { knowPicture, type KnowingRules } from '@/core/picture/know-picture';
import { emptinessOf } from '@/core/picture/placeholder';
import type { ReadableConnection, SiteFile } from '@/server/connections/connection';
import { readingsOf } from '@/server/connections/read-site';
import { inspectImage } from '@/server/imaging/inspect-image';
import { readMetadata } from '@/server/imaging/read-metadata';
import { readPlanes } from '@/server/imaging/read-pixels';
import { problemOf } from '@/server/problem-error';
import { ProblemError } from '@/server/problem-error';
import { openSite, type SiteOptions } from './open-site';
import { printRow, say, showProgress } from './rows';

interface CheckOptions extends SiteOptions {
  readonly rule?: string;
  readonly failOn?: Degree;
}

const DEGREES: readonly Degree[] = ['must', 'should', 'note'];
/** Exit code where something was found that the command was asked to fail on. */
const FOUND = 1;

/** `ibidem check SITE`: a row an erratum. */
export async function checkCommand(site: string, { rule, failOn, ...options }: CheckOptions): Promise<void> {
  const rules = rulesNamed(rule);
  const connection = await openSite(site, options);
  try {
    const pages = await pagesToCheck(connection);
    let isFailed = false;
    for (const page of pages) {
      for (const erratum of checkPage(page, new Map(), rules)) {
        await printRow(rowOf(erratum));
        if (failOn && DEGREES.indexOf(erratum.degree) <= DEGREES.indexOf(failOn)) isFailed = true;
      }
    }
    if (isFailed) process.exitCode = FOUND;
  } finally {
    await connection.close();
  }
}

function rulesNamed(name: string | undefined): readonly Rule[] {
  if (name === undefined) return RULES;
  const found = RULES.filter(({ id }) => id === name);
  if (found.length > 0) return found;
  throw new ProblemError({
    code: 'RULE_UNKNOWN',
    what: `There is no rule “${name}”.`,
    why: `The rules are ${RULES.map(({ id }) => id).join(', ')}.`,
    remedy: 'Name one of them, or leave --rule away for all.',
  });
}

function rowOf({ rule, degree, page, placement, evidence }: Erratum) {
  const { title, why, remedy } = RULES.find(({ id }) => id === rule) as Rule;
  const { source, line, column, filePath, url } = placement;
  return {
    ...{ rule, degree, page, source, line, column, url: filePath ?? url },
    ...{ message: `${title}. ${why}`, evidence, remedy },
  };
}

interface ReadPage {
  readonly path: string;
  readonly title: string;
  readonly language: string | null;
  readonly placements: readonly PlacementToCheck[];
}

async function pagesToCheck(connection: ReadableConnection): Promise<PageToCheck[]> {
  const pages: ReadPage[] = [];
  for await (const { address, title, language, placements } of readingsOf(
    connection,
    connection.site ?? siteOfFiles(),
  )) {
    pages.push({ path: address, title, language, placements: placementsToCheck(placements) });
    showProgress(`${pages.length} pages read`);
  }
  const today = dayOfMs(Date.now());
  const pictures = await picturesOf(connection, pages, {
    ...{ today, thisYear: partsOf(today).year, lives: [], firstMonth: SCHOOL_YEAR_MONTH },
  });
  showProgress('');
  return pages.map((page) => ({ ...page, pictures, today }));
}

interface Place {
  readonly page: ReadPage;
  readonly placement: PlacementToCheck;
}

/** What is known of every file that the pages show, each file as a picture of its own. */
async function picturesOf(
  connection: ReadableConnection,
  pages: readonly ReadPage[],
  rules: KnowingRules,
): Promise<Map<string, PictureFacts>> {
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
  const { files } = await connection.list();
  const there = new Map(files.map((file) => [file.path, file]));
  const near = nearMisses(there.keys());
  const numbers = new Map<string, number>();
  const pictures = new Map<string, PictureFacts>();
  for (const [path, shown] of places) {
    const file = there.get(path);
    pictures.set(
      path,
      file
        ? await factsOf({ connection, file, shown, numbers, rules })
        : { ...unknownPicture(path), isThere: false, near: near(path) },
    );
    showProgress(`${pictures.size} of ${places.size} files looked at`);
  }
  return pictures;
}

interface Looking {
  readonly connection: ReadableConnection;
  readonly file: SiteFile;
  readonly shown: readonly Place[];
  /** A number for every file that is another one than those before, by its bytes. */
  readonly numbers: Map<string, number>;
  readonly rules: KnowingRules;
}

async function factsOf({ connection, file, shown, numbers, rules }: Looking): Promise<PictureFacts> {
  const { path, sizeBytes, modifiedMs } = file;
  try {
    const bytes = await connection.read(path);
    const { widthPx, heightPx, format } = await inspectImage(bytes, path);
    const { plane } = await readPlanes(bytes, path);
    const metadata = await readMetadata(bytes);
    const hash = createHash('sha256').update(bytes).digest('hex');
    const pictureId = numbers.get(hash) ?? numbers.size;
    numbers.set(hash, pictureId);
    const known = knowPicture(
      {
        files: [{ path, widthPx, heightPx, modifiedMs, emptiness: emptinessOf(plane), ...metadata }],
        places: shown.filter(({ placement }) => !placement.dormant).map(knownPlace),
        ...{ subjects: [], teaching: null, looksTaught: false, settledKind: null },
      },
      rules,
    );
    const embedded = metadata.altText ?? metadata.description ?? null;
    return pictureFacts({ path, widthPx, heightPx, sizeBytes, format, modifiedMs, embedded }, known, {
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
