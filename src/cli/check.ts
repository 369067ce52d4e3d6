import { isPictureAddress } from '@/core/address/resolve-address';
import { dayOfMs, partsOf, SCHOOL_YEAR_MONTH } from '@/core/dating/day';
import { ALL_RULES, FILE_RULES, RULES, ruleText } from '@/core/errata/all-rules';
import { checkFile, checkPage, type Erratum, type FileErratum } from '@/core/errata/check-page';
import type { PageToCheck } from '@/core/errata/page-to-check';
import type { Degree, FileToCheck, RuleText } from '@/core/errata/rule';
import type { ReadableConnection } from '@/server/connections/connection';
import { readableLanguages, TextReader } from '@/server/imaging/read-text';
import { ProblemError } from '@/server/problem-error';
import { knownPictures } from './known-pictures';
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

interface SiteToCheck {
  readonly pages: readonly PageToCheck[];
  readonly files: readonly FileToCheck[];
}

async function readSite(connection: ReadableConnection, readsTexts: boolean): Promise<SiteToCheck> {
  const pages = await readPages(connection);
  const today = dayOfMs(Date.now());
  const rules = { today, thisYear: partsOf(today).year, lives: [], firstMonth: SCHOOL_YEAR_MONTH };
  const reader = new TextReader(
    readableLanguages(pages.flatMap(({ language }) => language?.split('-')[0] ?? [])),
  );
  const titles = new Map(pages.map(({ path, title }) => [path, title]));
  const places = placesByFile(pages);
  await lookFor(connection, [...places.keys()]);
  const pictures = await knownPictures(connection, places, { rules, reader, readsAll: readsTexts }).finally(
    async () => reader.close(),
  );
  showProgress('');
  const { files } = await connection.list();
  return {
    pages: pages.map((page) => ({ ...page, pictures, people: [], titles, today })),
    files: files.flatMap(({ path, sizeBytes }) =>
      isPictureAddress({ kind: 'site', path })
        ? [{ path, sizeBytes, uses: places.get(path)?.length ?? 0 }]
        : [],
    ),
  };
}
