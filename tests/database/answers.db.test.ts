/** The demo site, of which all is known: how often what Ibidem says of its pictures is right, and how much it finds. */
import { beforeAll, describe, expect, it } from 'vitest';
import { siteFolder } from '@demo/prepare';
import { RIGHTS } from '@demo/rights';
import { ENDS_SOON, RECORDED_AMONG, RIGHTS_ERRATA, UNRECORDED } from '@demo/rights-answers';
import { ANSWERS } from '@demo/site/answers';
import { allErrata, CHANGED } from '@demo/site/errata-answers';
import { LEFTOVERS, PAST_THEIR_TIME, trueDays, trueFamilies } from '@demo/site/picture-answers';
import { dayOf } from '@/core/dating/day';
import { ALL_RULES } from '@/core/errata/all-rules';
import { checkSite } from '@/server/work/errata/check-site';
import { judgePictures } from '@/server/work/pictures/judge-pictures';
import { saveSubject, showSubject } from '@/server/work/pictures/name-subjects';
import { answerRights } from '@/server/work/rights/answer-rights';
import { importRecords } from '@/server/work/rights/keep-records';
import { useKnownDemo } from '../fixtures/known-demo';
import { ibidem, rowsOf } from '../fixtures/run-ibidem';
import { MAINTAINER } from '../fixtures/test-database';

const held = useKnownDemo();
/** The key was written for this day. */
const TODAY = Date.UTC(2026, 10, 25);
const WANTED = 0.95;
/** A school year: an interval that is longer than that is not counted as found. */
const LONGEST_DAYS = 366;

interface Told {
  readonly paths: readonly string[];
  readonly pages: number;
  readonly taken_from: number | null;
  readonly taken_until: number | null;
  readonly because: readonly { origin: string }[];
  readonly kind_reason: string;
  readonly overdue: number;
  readonly is_placeholder: boolean;
  readonly clues: readonly { text: string; weight: number }[];
}

let told: Told[];
let folder: string;
let rightsKey: ReadonlySet<string>;
let errata: {
  page: string;
  line: number | null;
  column: number | null;
  place: string | null;
  raw: string | null;
  rule: string;
  degree: string;
  evidence: string;
}[];

beforeAll(async () => {
  folder = siteFolder(held.home);
  const { rows: sites } = await held.db.pool.query<{ id: number }>('select id from sites');
  const siteId = sites[0]?.id ?? 0;
  await judgePictures(held.db, siteId, TODAY);
  const { rows } = await held.db.pool.query<Told>(
    `select p.*, (select array_agg(f.path order by f.path) from files f where f.picture_id = p.id and f.gone_in is null) as paths
     from pictures p where p.site_id = $1 and exists (select 1 from files f where f.picture_id = p.id and f.gone_in is null)`,
    [siteId],
  );
  told = rows;
  await nameWhatChanged(siteId);
  await judgePictures(held.db, siteId, TODAY);
  await checkSite(held.db, siteId, TODAY);
  const written = new TextEncoder().encode(RIGHTS.map((record) => JSON.stringify(record)).join('\n'));
  await importRecords(held.db, MAINTAINER, siteId, { name: 'rights.jsonl', bytes: written, isInstead: true });
  await answerRights(held.db, siteId, TODAY);
  rightsKey = await rightsOf(siteId);
  const { rows: found } = await held.db.pool.query<(typeof errata)[number]>(
    'select e.page_path as page, e.placement_id as place, x.raw, x.line, x."column", e.rule, e.degree, e.evidence from errata e left join placements x on x.id = e.placement_id where e.site_id = $1 order by 1, 3',
    [siteId],
  );
  errata = found;
});

/** The key of rights: what is named, what lies in folders of which nothing is recorded, and what ends soon wherever it stands. */
async function rightsOf(siteId: number): Promise<Set<string>> {
  const { rows } = await held.db.pool.query<{ page: string; raw: string; file: string }>(
    `select page_path as page, raw, regexp_replace(coalesce(file_path, url), '^https://www.ferndrake.example/', '') as file from placements
     where site_id = $1 and until_survey is null and not dormant and not (kind = any('{srcset,source,preload,area,drawn,audio}'))`,
    [siteId],
  );
  const broad = rows.flatMap(({ page, raw, file }) => [
    ...(UNRECORDED.some((folder) => file.startsWith(`${folder}/`)) && file !== RECORDED_AMONG
      ? [`rights/source-unknown ${page} ${raw}`]
      : []),
    ...(file === ENDS_SOON ? [`rights/ends-soon ${page} ${raw}`] : []),
  ]);
  const named = Object.entries(RIGHTS_ERRATA).flatMap(([rule, pages]) =>
    pages.flatMap(([page, ...raws]) => raws.map((raw) => `${rule} ${page} ${raw}`)),
  );
  return new Set([...broad, ...named]);
}

/** Names what the maintainer knows to have changed, as she would. */
async function nameWhatChanged(siteId: number): Promise<void> {
  for (const { name, how, on, kind, picture } of CHANGED) {
    const subject = { id: null, name, kind, changedOn: on, changedHow: how };
    const subjectId = await saveSubject(held.db, MAINTAINER, siteId, subject);
    const { rows } = await held.db.pool.query<{ id: number }>(
      'select picture_id as id from files where site_id = $1 and path = $2',
      [siteId, picture],
    );
    const ids = rows.map(({ id }) => id);
    await showSubject(held.db, MAINTAINER, siteId, { ids, subjectId, isShown: true });
  }
}

/** Precision and recall of what was told, by the first file that the key knows each picture by. */
function measure(name: string, found: readonly Told[], key: readonly string[]) {
  const isKnown = ({ paths }: Told) => paths.some((path) => key.includes(path));
  const wrong = found.filter((one) => !isKnown(one)).map(({ paths }) => paths[0]);
  const missed = key.filter((path) => !found.some(({ paths }) => paths.includes(path)));
  const right = found.length - wrong.length;
  const precision = right / found.length;
  const recall = (key.length - missed.length) / key.length;
  console.log(`${name}: precision ${precision.toFixed(3)}, recall ${recall.toFixed(3)}`, { wrong, missed });
  return { precision, recall };
}

const dayOfText = (text: string) => {
  const [year, month, date] = text.split('-').map(Number);
  return dayOf(year ?? 0, month ?? 0, date ?? 0) as number;
};

/** Rules on what a later survey finds: the first one of a site has nothing for them. */
const NEEDS_TWO_SURVEYS = new Set<string>(['caption/of-old-picture']);

/** Every two of some files, as one text each. */
const pairsOf = (paths: readonly string[]) =>
  paths.flatMap((a, n) => paths.slice(n + 1).map((b) => (a < b ? `${a} ${b}` : `${b} ${a}`)));

describe('what is told of the pictures of the demo site', () => {
  it('puts files together that show one scene, and no others', () => {
    const truth = new Set(trueFamilies().flatMap(pairsOf));
    const found = new Set(told.flatMap(({ paths }) => pairsOf(paths)));
    const wrong = [...found].filter((pair) => !truth.has(pair));
    const missed = [...truth].filter((pair) => !found.has(pair));
    const precision = 1 - wrong.length / found.size;
    const recall = 1 - missed.length / truth.size;
    console.log(`families: precision ${precision.toFixed(3)}, recall ${recall.toFixed(3)}`, {
      wrong,
      missed,
    });
    expect(truth.size).toBeGreaterThan(50);
    expect(precision).toBeGreaterThanOrEqual(0.998);
    expect(recall).toBeGreaterThanOrEqual(WANTED);
  });

  it('names the leftovers of the template, each with what speaks for it', () => {
    const found = told.filter((one) => one.is_placeholder && one.pages > 0);
    const { precision, recall } = measure('leftovers', found, LEFTOVERS);
    expect(precision).toBeGreaterThanOrEqual(WANTED);
    expect(recall).toBeGreaterThanOrEqual(WANTED);
    for (const { clues } of found) expect(clues.some(({ weight }) => weight > 0)).toBe(true);
  });

  it('gives the days on which pictures were taken, each with its evidence', () => {
    const days = trueDays();
    const given = told.filter(
      (one) =>
        one.taken_from !== null &&
        one.taken_until !== null &&
        one.taken_until - one.taken_from <= LONGEST_DAYS,
    );
    for (const { because } of given) expect(because.length).toBeGreaterThan(0);
    const isRight = (one: Told, { path, from, until }: (typeof days)[number]) =>
      one.paths.includes(path) &&
      (one.taken_from ?? 0) <= dayOfText(until) &&
      (one.taken_until ?? 0) >= dayOfText(from);
    const known = given.filter(({ paths }) => days.some(({ path }) => paths.includes(path)));
    const wrong = known.filter((one) => !days.some((day) => isRight(one, day)));
    const missed = days.filter((day) => !given.some((one) => isRight(one, day)));
    console.log(
      `days: precision ${(1 - wrong.length / known.length).toFixed(3)}, recall ${(1 - missed.length / days.length).toFixed(3)}`,
      { wrong: wrong.map(({ paths }) => paths[0]), missed: missed.map(({ path }) => path) },
    );
    expect(known.length).toBeGreaterThan(150);
    expect(1 - wrong.length / known.length).toBeGreaterThanOrEqual(WANTED);
    expect(1 - missed.length / days.length).toBeGreaterThanOrEqual(WANTED);
  });

  it('names the pictures that are past their time, each with its kind and its days', () => {
    const found = told.filter((one) => one.overdue > 1 && one.pages > 0 && !one.is_placeholder);
    const { precision, recall } = measure('past their time', found, Object.keys(PAST_THEIR_TIME));
    expect(precision).toBeGreaterThanOrEqual(WANTED);
    expect(recall).toBeGreaterThanOrEqual(WANTED);
    for (const { because, kind_reason: reason } of found) {
      expect(because.length).toBeGreaterThan(0);
      expect(reason).not.toBe('');
    }
  });

  it.each(ANSWERS)('finds $rule at $page', ({ page, raw, rule }) => {
    expect(errata.filter((one) => one.page === page && one.raw === raw).map((one) => one.rule)).toContain(
      rule,
    );
  });

  it('finds of every rule what there is, and nothing else', async () => {
    const key = new Set([...allErrata(), ...rightsKey]);
    const found = new Set(errata.map(({ rule, page, raw }) => [rule, page, raw].filter(Boolean).join(' ')));
    const ofRule = (all: ReadonlySet<string>, id: string) =>
      [...all].filter((one) => one.startsWith(`${id} `));
    const rows = ALL_RULES.map(({ id }) => {
      const [wanted, given] = [ofRule(key, id), ofRule(found, id)];
      const right = given.filter((one) => key.has(one)).length;
      const wrong = given.filter((one) => !key.has(one));
      const missed = wanted.filter((one) => !found.has(one));
      return {
        id,
        wanted: wanted.length,
        precision: given.length === 0 ? 1 : right / given.length,
        recall: wanted.length === 0 ? 1 : right / wanted.length,
        wrong,
        missed,
      };
    });
    console.log(rows.filter(({ wrong, missed }) => wrong.length + missed.length > 0));
    for (const { id, wanted, precision, recall, wrong, missed } of rows) {
      if (!NEEDS_TWO_SURVEYS.has(id)) expect(wanted, `${id} has something to find`).toBeGreaterThan(0);
      expect(precision, `precision of ${id}; wrong: ${wrong.join(', ')}`).toBeGreaterThanOrEqual(WANTED);
      expect(recall, `recall of ${id}; missed: ${missed.join(', ')}`).toBeGreaterThanOrEqual(WANTED);
    }
    const lines = rows.map(({ id, wanted, precision, recall }) =>
      wanted === 0
        ? `| ${id} | 0 | – | – |`
        : `| ${id} | ${wanted} | ${precision.toFixed(3)} | ${recall.toFixed(3)} |`,
    );
    const table = `# Measured\n\nOn the demo, whose errata are all known. A test writes and checks this table.\n\nAll of the key lay open when the rules were written: it shows that nothing is lost, and not how good they are on a site that nobody here has seen.\n\n| rule | errata | precision | recall |\n| --- | --- | --- | --- |\n${lines.join('\n')}\n`;
    await expect(table).toMatchFileSnapshot('../../docs/rules/measured.md');
  });

  it('tells the same on the command line, but for what people said and recorded, the day, and words in pictures', async () => {
    const isLeftOut = (rule: string) =>
      rule.startsWith('fresh/') || rule.startsWith('rights/') || rule === 'alt/picture-of-text';
    const { out } = await ibidem('check', folder);
    const rows = rowsOf(out) as {
      rule: string;
      page: string | null;
      url: string;
      line: number;
      column: number;
    }[];
    const printed = rows
      .filter(({ rule }) => !isLeftOut(rule))
      .map(({ rule, page, url, line, column }) => `${rule} ${page ?? url} ${line}:${column}`);
    const kept = errata
      .filter(({ rule }) => !isLeftOut(rule))
      .map(({ rule, page, line, column }) => `${rule} ${page} ${line}:${column}`);
    expect(kept.length).toBeGreaterThan(150);
    expect(printed.sort()).toEqual(kept.sort());
  });

  it('gives every erratum its evidence, and none twice', () => {
    for (const { evidence } of errata) expect(evidence).not.toBe('');
    const keys = errata.map(({ page, place, rule }) => `${page} ${place} ${rule}`);
    expect(new Set(keys).size).toBe(keys.length);
  });
});
