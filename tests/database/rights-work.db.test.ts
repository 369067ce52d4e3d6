/** From a missing credit to a page that carries it, and what the screen of rights asks the database. */
import { readFile, rename } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { facade, river, stage } from '@demo/site/scenes';
import { coversOfSite } from '@/app/_data/rights/covers';
import { listProposals } from '@/app/_data/errata/proposals';
import {
  answersOfFiles,
  creditFormsOf,
  endingsOf,
  listRights,
  recordOfFile,
  rightsInFile,
  rightsSummary,
} from '@/app/_data/rights/rights';
import { dayOf } from '@/core/dating/day';
import { sites } from '@/server/db/schema/sites';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { readMetadata } from '@/server/imaging/read-metadata';
import { problemOf } from '@/server/problem-error';
import { dropChange } from '@/server/work/editions/gather-swap';
import { gatherRights } from '@/server/work/rights/gather-rights';
import { answerRights } from '@/server/work/rights/answer-rights';
import { keepCreditForm } from '@/server/work/rights/keep-credit-form';
import { importRecords, recordPicture } from '@/server/work/rights/keep-records';
import { sitemapOf, statementsOf } from '@/server/work/rights/statements';
import { gatherWords } from '@/server/work/words/gather-words';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase, VIEWER } from '../fixtures/test-database';
import { snapshot, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId: number;
let folder: string;

const picture = (svg: string) => sharp(Buffer.from(svg)).resize(900, 600).jpeg();
const RECORDS = [
  { record: 'picture', files: ['img/*'], licence: 'own-work', holder: 'The school' },
  { record: 'picture', files: ['img/hall.jpg'], title: 'The hall', creator: ['Ann Lee'], licence: 'CC-BY-SA-4.0' },
  { record: 'picture', files: ['img/river.jpg'], licence: 'own-work', until: '2099-12-31' },
  { record: 'shows', files: ['img/choir.jpg'], people: ['p1'] },
]; // oxfmt-ignore

beforeAll(async () => {
  folder = join(held.folder, 'site');
  const hall = await picture(facade(3, 'red'))
    .withExif({ IFD0: { Artist: 'Ann Lee', Copyright: '© 2024 Brightline. All rights reserved.' } })
    .toBuffer();
  await writeFiles(folder, {
    'img/hall.jpg': hall,
    'img/hall-small.jpg': await sharp(hall).resize(300).jpeg().toBuffer(),
    'img/choir.jpg': await picture(stage(11)).toBuffer(),
    'img/river.jpg': await picture(river(4)).toBuffer(),
    'index.html': '<html lang="en"><title>Home</title><body>\r\n<figure><img src="img/hall.jpg" alt="Red doors"><figcaption>Our house.</figcaption></figure>\r\n<p>Words</p><img src="img/choir.jpg" alt="The choir"><img src="img/river.jpg" alt="The river"></body>',
    'house/index.html': '<html lang="en"><title>House</title><body><p>Before</p>\n<p><img src="../img/hall-small.jpg" alt="Red doors"></p>\n<p>After</p><img src="../img/choir.jpg" alt="The choir"></body>',
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Credits', folder);
  const bytes = new TextEncoder().encode(RECORDS.map((row) => JSON.stringify(row)).join('\n'));
  await importRecords(held.db, MAINTAINER, siteId, { name: 'r.jsonl', bytes, isInstead: true });
  await runJobs(held.db);
});

const NO_WORDS = { alt: null, caption: null, block: null };

const site = async () => {
  const [found] = await held.db.orm.select().from(sites).where(eq(sites.id, siteId));
  if (!found) throw new Error('the site is gone');
  return found;
};

describe('the screen of rights', () => {
  it('counts pictures by the worst answer of their places, and their reasons', async () => {
    const { pictures, codes, records, isAnswering, problem } = await rightsSummary(siteId);
    expect(pictures).toEqual({ no: 1, unknown: 1, yes: 1 });
    expect(codes).toEqual({ no: { 'credit-missing': 1 }, unknown: { 'people-unasked': 1 }, yes: {} });
    expect(records).toEqual({ picture: 3, shows: 1 });
    expect([isAnswering, problem]).toEqual([false, null]);
  });

  it('lists a picture once, whatever files of it stand where', async () => {
    const [hall, ...others] = await listRights(siteId, { verdict: 'no', code: null, sheet: 1 });
    expect(others).toEqual([]);
    expect(hall).toMatchObject({
      ...{ path: 'img/hall.jpg', may: 'no', because: ['credit-missing'], places: 2, worst: 2, page_count: 2 },
      wanted: '“The hall” by Ann Lee, CC BY-SA 4.0',
    });
    expect(await listRights(siteId, { verdict: 'no', code: 'licence-ended', sheet: 1 })).toEqual([]);
    expect(await listRights(siteId, { verdict: 'no', code: null, sheet: 2 })).toEqual([]);
  });

  it('says what each licence and each holder covers, and how that stands', async () => {
    const { licences, holders } = await coversOfSite(siteId);
    const told = (covers: typeof licences) =>
      covers.map(({ name, places, answers, pictures }) => [name, pictures.map(({ path }) => path).toSorted(), places, answers]); // oxfmt-ignore
    expect(told(licences)).toEqual([
      ['Own work', ['img/choir.jpg', 'img/river.jpg'], 3, { no: 0, unknown: 1, yes: 1 }],
      ['CC BY-SA 4.0', ['img/hall.jpg'], 2, { no: 1, unknown: 0, yes: 0 }],
    ]);
    expect(licences[1]?.words[0]).toContain('under the same licence');
    expect(told(holders)).toEqual([
      ['The school', ['img/choir.jpg', 'img/hall.jpg', 'img/river.jpg'], 5, { no: 1, unknown: 1, yes: 1 }],
    ]);
  });

  it('says what ends next', async () => {
    const [ending, ...others] = await endingsOf(siteId);
    expect(others).toEqual([]);
    expect(ending).toMatchObject({ until: dayOf(2100, 1, 1), path: 'img/river.jpg', pictures: 1, places: 1 });
  });

  it('puts like answers of a picture together, with their pages', async () => {
    const answers = await answersOfFiles(siteId, ['img/choir.jpg']);
    expect(answers).toMatchObject([
      { may: 'unknown', because: ['people-unasked'], places: 2, pages: ['house/index.html', 'index.html'] },
    ]);
  });

  it('reads what a file says of itself', async () => {
    const { rows } = await held.db.pool.query<{ sha256: string }>(
      "select sha256 from files where site_id = $1 and path = 'img/hall.jpg'",
      [siteId],
    );
    expect(await rightsInFile(rows[0]?.sha256 ?? null)).toMatchObject({
      creator: 'Ann Lee',
      holder: 'Brightline',
    });
    expect(await rightsInFile(null)).toBeNull();
  });

  it('gives what was recorded on the screen, and nothing of what came from a file', async () => {
    expect(await recordOfFile(siteId, 'img/choir.jpg')).toBeNull();
    const said = { creator: ['Tom Hay'], holder: '', licence: 'own-work', source: '', until: '', people: '' } as const; // oxfmt-ignore
    await recordPicture(held.db, MAINTAINER, siteId, { file: 'img/choir.jpg', ...said });
    expect(await recordOfFile(siteId, 'img/choir.jpg')).toMatchObject({
      body: { record: 'picture', files: ['img/choir.jpg'], creator: ['Tom Hay'], licence: 'own-work' },
      said_by: MAINTAINER.name,
    });
  });
});

describe('a missing credit', () => {
  const proposals = async () => {
    const all = await listProposals(await site(), {
      ...{ filter: 'all', rule: 'rights/credit-missing', section: null, owner: null },
    });
    return all.map(({ ids, field, before, after, page }) => ({ ids, field, before, after, page: page.path }));
  };

  it('is proposed behind the caption that is there, or as a text below the picture', async () => {
    const found = await proposals();
    expect(found.map(({ page, field, before, after }) => ({ page, field, before, after }))).toEqual(
      expect.arrayContaining([
        {
          ...{ page: 'index.html', field: 'caption', before: 'Our house.' },
          after: 'Our house. “The hall” by Ann Lee, CC BY-SA 4.0',
        },
        {
          ...{ page: 'house/index.html', field: 'block', before: null },
          after: '“The hall” by Ann Lee, CC BY-SA 4.0',
        },
      ]),
    );
  });

  it('is found once the edition is published, and missing again once it is withdrawn, to the byte', async () => {
    const before = await snapshot(folder);
    const places = (await proposals()).map(({ ids, field, after }) => ({ ...NO_WORDS, ids, [field]: after }));
    const { edition } = await gatherWords(held.db, MAINTAINER, siteId, places);
    await runJobs(held.db);
    const { rows } = await held.db.pool.query<{ id: number }>(
      'select id from editions where site_id = $1 and number = $2',
      [siteId, edition],
    );
    const id = rows[0]?.id ?? 0;
    await publishEdition(held.db, MAINTAINER, id);
    await runJobs(held.db);
    expect((await rightsSummary(siteId)).pictures.no).toBe(0);
    const [answer] = await answersOfFiles(siteId, ['img/hall.jpg', 'img/hall-small.jpg']);
    expect(answer).toMatchObject({ may: 'yes', credit: { found: true } });
    expect(await proposals()).toEqual([]);
    await withdrawEdition(held.db, MAINTAINER, id);
    await runJobs(held.db);
    expect(await snapshot(folder)).toEqual(before);
    expect((await rightsSummary(siteId)).pictures.no).toBe(1);
  });
});

it('a site that can’t be read keeps its answers, and says why they are not today’s', async () => {
  const before = await listRights(siteId, { verdict: 'no', code: null, sheet: 1 });
  await rename(folder, `${folder}-away`);
  try {
    await answerRights(held.db, siteId, Date.now());
    const { problem, answeredAt } = await rightsSummary(siteId);
    expect(problem?.what).toBeTruthy();
    expect(answeredAt).toBeInstanceOf(Date);
    expect(await listRights(siteId, { verdict: 'no', code: null, sheet: 1 })).toEqual(before);
  } finally {
    await rename(`${folder}-away`, folder);
  }
  await answerRights(held.db, siteId, Date.now());
  expect((await rightsSummary(siteId)).problem).toBeNull();
});

describe('what is recorded', () => {
  const hall = async () => {
    const { rows } = await held.db.pool.query<{ id: number }>(
      "select id from files where site_id = $1 and path = 'img/hall.jpg'",
      [siteId],
    );
    return rows[0]?.id ?? 0;
  };
  const draftChange = async () => {
    const { rows } = await held.db.pool.query<{
      id: number;
      change_id: number;
      state: string;
      code: string | null;
    }>(
      `select e.id, c.id as change_id, c.state, c.problem ->> 'code' as code from editions e join changes c on c.edition_id = e.id
       where e.site_id = $1 and e.state = 'draft'`,
      [siteId],
    );
    return rows[0];
  };

  it('is written into all files of the picture, every pixel as it was, and taken back to the byte', async () => {
    const before = await snapshot(folder);
    const pixelsOf = (path: string) => sharp(join(folder, path)).raw().toBuffer();
    const pixels = await Promise.all(['img/hall.jpg', 'img/hall-small.jpg'].map(pixelsOf));
    await gatherRights(held.db, MAINTAINER, siteId, await hall());
    await runJobs(held.db);
    const draft = await draftChange();
    expect(draft).toMatchObject({ state: 'ready', code: null });
    await publishEdition(held.db, MAINTAINER, draft?.id ?? 0);
    await runJobs(held.db);
    for (const [i, path] of ['img/hall.jpg', 'img/hall-small.jpg'].entries()) {
      expect((await pixelsOf(path)).equals(pixels[i] ?? Buffer.alloc(0))).toBe(true);
      expect(await readMetadata(await readFile(join(folder, path)))).toMatchObject({
        ...{ title: 'The hall', creator: 'Ann Lee', usageTerms: 'CC BY-SA 4.0', copyright: '© The school' },
        licenceUrl: 'https://creativecommons.org/licenses/by-sa/4.0/',
      });
    }
    const proven = 'select proven from publications where edition_id = $1 order by id desc limit 1';
    expect((await held.db.pool.query(proven, [draft?.id])).rows).toEqual([{ proven: true }]);
    // Written once more, there is nothing to write.
    await gatherRights(held.db, MAINTAINER, siteId, await hall());
    await runJobs(held.db);
    const again = await draftChange();
    expect(again).toMatchObject({ state: 'failed', code: 'RIGHTS_WRITTEN' });
    await dropChange(held.db, MAINTAINER, again?.change_id ?? 0);
    await withdrawEdition(held.db, MAINTAINER, draft?.id ?? 0);
    await runJobs(held.db);
    expect(await snapshot(folder)).toEqual(before);
  });

  it('is not written by those who may only look, nor into what is not there', async () => {
    const refused = (deed: Promise<unknown>) => deed.then(() => null, (error: unknown) => problemOf(error).code); // oxfmt-ignore
    expect(await refused(gatherRights(held.db, VIEWER, siteId, await hall()))).toBe('NOT_ALLOWED');
    expect(await refused(gatherRights(held.db, MAINTAINER, siteId, 999_999))).toBe('RIGHTS_FILE_MISSING');
  });
});

describe('the form of credits', () => {
  const wanted = async () => {
    await runJobs(held.db);
    const { rows } = await held.db.pool.query<{ page: string; wanted: string }>(
      "select page_path as page, credit ->> 'wanted' as wanted from rights_answers where site_id = $1 and file_path like 'img/hall%' order by 1",
      [siteId],
    );
    return rows.map(({ page, wanted: words }) => `${page}: ${words}`);
  };
  const keep = (form: string, pattern = '') =>
    keepCreditForm(held.db, MAINTAINER, siteId, { form, pattern, always: false });

  it('is kept for the site and for some pages, and what is proposed follows', async () => {
    await keep('short');
    await keep('Foto: {creator}[ / {licence}]', 'house/**');
    expect(await wanted()).toEqual([
      'house/index.html: Foto: Ann Lee / CC BY-SA 4.0',
      'index.html: Photo: Ann Lee / CC BY-SA 4.0',
    ]);
    expect(await creditFormsOf(siteId)).toEqual([
      { form: 'short', pattern: '', always: false },
      { form: 'Foto: {creator}[ / {licence}]', pattern: 'house/**', always: false },
    ]);
    await keep('', 'house/**');
    await keep('plain');
    expect(new Set((await wanted()).map((line) => line.split(': ')[1]))).toEqual(
      new Set(['“The hall” by Ann Lee, CC BY-SA 4.0']),
    );
  });

  it('is refused where it names nobody, and from those who do not keep records', async () => {
    const refused = (deed: Promise<unknown>) => deed.then(() => null, (error: unknown) => problemOf(error).code); // oxfmt-ignore
    expect(await refused(keep('Foto: {author}'))).toBe('CREDIT_FORM_INPUT');
    expect(await refused(keepCreditForm(held.db, VIEWER, siteId, { form: 'short', pattern: '', always: false }))).toBe('NOT_ALLOWED'); // oxfmt-ignore
  });
});

describe('what is given out for search engines', () => {
  it('names whose it is of what may stand, and each page with its pictures', async () => {
    const at = { id: siteId, liveUrl: 'https://credits.example/' };
    const { '@graph': objects } = JSON.parse(await statementsOf(held.db, MAINTAINER, at)) as { '@graph': Record<string, unknown>[] }; // oxfmt-ignore
    const of = (path: string) =>
      objects.find(({ contentUrl }) => contentUrl === `https://credits.example/${path}`);
    expect(of('img/river.jpg')).toEqual({
      '@type': 'ImageObject',
      contentUrl: 'https://credits.example/img/river.jpg',
      creditText: 'The school',
      copyrightNotice: '© The school',
    });
    // Its credit is missing: it may not stand so.
    expect(of('img/hall.jpg')).toBeUndefined();
    const sitemap = (await sitemapOf(held.db, MAINTAINER, at, 1)) ?? '';
    expect(sitemap).toContain('<loc>https://credits.example/index.html</loc>');
    expect(sitemap).toContain('<image:loc>https://credits.example/img/river.jpg</image:loc>');
    expect(sitemap).not.toContain('hall');
    expect(await sitemapOf(held.db, MAINTAINER, at, 2)).toBeNull();
  });

  it('is refused where nobody knows the address of the site, and to a viewer', async () => {
    const codeOf = (deed: Promise<unknown>) => deed.then(() => 'done', (error: unknown) => problemOf(error).code); // oxfmt-ignore
    const nowhere = { id: siteId, liveUrl: null };
    expect(await codeOf(statementsOf(held.db, MAINTAINER, nowhere))).toBe('SITE_ADDRESS_UNKNOWN');
    expect(await codeOf(sitemapOf(held.db, MAINTAINER, nowhere, 1))).toBe('SITE_ADDRESS_UNKNOWN');
    expect(await codeOf(statementsOf(held.db, VIEWER, nowhere))).toBe('NOT_ALLOWED');
    expect(await codeOf(sitemapOf(held.db, VIEWER, nowhere, 1))).toBe('NOT_ALLOWED');
  });
});
