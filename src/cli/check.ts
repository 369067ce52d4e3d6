import { isPictureAddress } from '@/core/address/resolve-address';
import { dayOfMs, partsOf, SCHOOL_YEAR_MONTH } from '@/core/dating/day';
import { ALL_RULES, FILE_RULES, RULES, ruleText } from '@/core/errata/all-rules';
import { checkFile, checkPage, type Erratum, type FileErratum } from '@/core/errata/check-page';
import type { PageToCheck, PictureFacts } from '@/core/errata/page-to-check';
import type { Degree, FileToCheck, Rule, RuleText } from '@/core/errata/rule';
import { AsksForBytes, unopenedPicture } from '@/core/errata/unopened-picture';
import type { ReadableConnection } from '@/server/connections/connection';
import { readableLanguages } from '@/server/imaging/read-text';
import { TextReaders } from '@/server/imaging/text-readers';
import { ProblemError } from '@/server/problem-error';
import { knownPictures, listedPictures } from './known-pictures';
import { openSite, type SiteOptions } from './open-site';
import { lookFor } from './picture-folder';
import { placesByFile, readPages } from './places-by-file';
import { printRow, showProgress } from './rows';

interface CheckOptions extends SiteOptions {
  readonly rule?: string;
  readonly failOn?: Degree;
  readonly readTexts?: boolean;
}

const DEGREES: readonly Degree[] = ['must', 'should', 'note'];
/** Exit code where something was found that the command was asked to fail on. */
const FOUND = 1;

/** `ibidem check SITE`: a row an erratum. @returns the exit code */
export async function checkCommand(
  site: string,
  { rule, failOn, readTexts, ...options }: CheckOptions,
): Promise<number> {
  const isAskedFor = rulesNamed(rule);
  const rules = RULES.filter(isAskedFor);
  const fileRules = FILE_RULES.filter(isAskedFor);
  const connection = await openSite(site, options);
  try {
    const { pages, files, open } = await readSite(connection, readTexts === true);
    let isFailed = false;
    const print = async (row: ReturnType<typeof rowOf>) => {
      await printRow(row);
      if (failOn && DEGREES.indexOf(row.degree) <= DEGREES.indexOf(failOn)) isFailed = true;
    };
    for (const erratum of withoutOpening(pages, rules) ?? check(await open(), rules))
      await print(rowOf(erratum, placeOf(erratum)));
    for (const file of files)
      for (const erratum of checkFile(file, new Map(), fileRules))
        await print(rowOf(erratum, { ...NO_PLACE, url: file.path }));
    return isFailed ? FOUND : 0;
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

interface SiteToCheck {
  /** With pictures that nobody has opened. */
  readonly pages: readonly PageToCheck[];
  readonly files: readonly FileToCheck[];
  /** The pages with all that is known of their pictures: every one of the site is read for it. */
  open(): Promise<readonly PageToCheck[]>;
}

function* check(pages: readonly PageToCheck[], rules: readonly Rule[]): Generator<Erratum> {
  for (const page of pages) yield* checkPage(page, new Map(), rules);
}

/** What the rules find where none of them asks for what is in a picture; `null` where one does. */
function withoutOpening(pages: readonly PageToCheck[], rules: readonly Rule[]): readonly Erratum[] | null {
  try {
    return [...check(pages, rules)];
  } catch (error) {
    if (error instanceof AsksForBytes) return null;
    throw error;
  }
}

async function readSite(connection: ReadableConnection, readsTexts: boolean): Promise<SiteToCheck> {
  const read = await readPages(connection);
  const today = dayOfMs(Date.now());
  const titles = new Map(read.map(({ path, title }) => [path, title]));
  const places = placesByFile(read);
  await lookFor(connection, [...places.keys()]);
  const { files } = await connection.list();
  const shown = { connection, files, places };
  const pagesWith = (pictures: ReadonlyMap<string, PictureFacts>): readonly PageToCheck[] =>
    read.map((page) => ({ ...page, pictures, people: [], titles, today }));
  const open = async () => {
    const rules = { today, thisYear: partsOf(today).year, lives: [], firstMonth: SCHOOL_YEAR_MONTH };
    const languages = readableLanguages(read.flatMap(({ language }) => language?.split('-')[0] ?? []));
    const reader = new TextReaders(languages);
    const pictures = await knownPictures(shown, { rules, reader, readsAll: readsTexts }).finally(async () =>
      reader.close(),
    );
    showProgress('');
    return pagesWith(pictures);
  };
  return {
    open,
    pages: pagesWith(listedPictures(shown, unopenedPicture)),
    files: files.flatMap(({ path, sizeBytes }) =>
      isPictureAddress({ kind: 'site', path })
        ? [{ path, sizeBytes, uses: places.get(path)?.length ?? 0 }]
        : [],
    ),
  };
}
