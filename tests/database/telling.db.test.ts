/** What is told of pictures on the pages themselves: statements for search engines, and the page of picture credits. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { facade, river } from '@demo/site/scenes';
import { rightsSummary } from '@/app/_data/rights/rights';
import { changes } from '@/server/db/schema/editions';
import { sites } from '@/server/db/schema/sites';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { dropChange } from '@/server/work/editions/gather-swap';
import { gatherTelling } from '@/server/work/rights/gather-telling';
import { importRecords } from '@/server/work/rights/keep-records';
import { connected } from '../fixtures/connected';
import { runJobs, runJobsThatMayFail } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase, VIEWER } from '../fixtures/test-database';
import { snapshot, writeFiles } from '../fixtures/write-site';
import { drawnScene } from '../fixtures/drawn-scene';

const held = useDatabase();
let siteId: number;
let folder: string;

const RECORDS = [
  { record: 'picture', files: ['img/*'], licence: 'own-work', holder: 'The school' },
  { record: 'picture', files: ['img/hall.jpg'], title: 'The hall', creator: ['Ann Lee'], licence: 'CC-BY-SA-4.0', source: 'https://pictures.example/7' },
]; // oxfmt-ignore
const page = (title: string, body: string, foot = '<footer>\r\n<p>The school</p>\r\n</footer>') =>
  `<!doctype html>\r\n<html lang="en">\r\n<head>\r\n<meta charset="utf-8">\r\n<title>${title} | School</title>\r\n</head>\r\n<body>\r\n<nav><a href="/index.html">Home</a></nav>\r\n<main>\r\n${body}\r\n</main>\r\n${foot}\r\n</body>\r\n</html>\r\n`;

beforeAll(async () => {
  folder = join(held.folder, 'site');
  const jpeg = (svg: string) => drawnScene(svg, 600, 400);
  await writeFiles(folder, {
    'img/hall.jpg': await jpeg(facade(3, 'red')),
    'img/river.jpg': await jpeg(river(4)),
    'img/placeholder.png': await sharp({ create: { width: 300, height: 200, channels: 3, background: '#ccc' } }).png().toBuffer(), // oxfmt-ignore
    'index.html': page('Home', '<h1>Home</h1><p><img src="img/hall.jpg" alt="Red doors"></p>'),
    'house/index.html': page('House', '<h1>House</h1><img src="../img/hall.jpg" alt="Red doors">', ''),
    'water.html': page(
      'Water',
      '<h1>Water</h1><img src="img/river.jpg" alt="The river"><img src="img/placeholder.png" alt="">',
    ),
  });
  siteId = await connected(held.db, 'Telling', folder);
  await held.db.orm.update(sites).set({ liveUrl: 'https://www.school.example' }).where(eq(sites.id, siteId));
  const bytes = new TextEncoder().encode(RECORDS.map((row) => JSON.stringify(row)).join('\n'));
  await importRecords(held.db, MAINTAINER, siteId, { name: 'r.jsonl', bytes, isInstead: true });
  await runJobs(held.db);
});

const written = (path: string) => readFile(join(folder, path), 'utf8');
const draft = async () => {
  const { rows } = await held.db.pool.query<{ id: number }>(
    "select id from editions where site_id = $1 and state = 'draft'",
    [siteId],
  );
  return rows[0]?.id ?? 0;
};
const published = async () => {
  const id = await draft();
  await publishEdition(held.db, MAINTAINER, id);
  await runJobs(held.db);
  const { rows } = await held.db.pool.query<{ proven: boolean }>(
    'select proven from publications where edition_id = $1 order by id desc limit 1',
    [id],
  );
  expect(rows).toEqual([{ proven: true }]);
  return id;
};
const taken = async (id: number) => {
  await withdrawEdition(held.db, MAINTAINER, id);
  await runJobs(held.db);
};

/** Gathers it, sees why it is refused, and takes it out again. */
const refusedAs = async (code: string, tells: 'statements' | 'credits') => {
  await gatherTelling(held.db, MAINTAINER, siteId, tells);
  await runJobsThatMayFail(held.db);
  const [change] = await held.db.orm
    .select()
    .from(changes)
    .where(eq(changes.editionId, await draft()));
  expect(change).toMatchObject({ state: 'failed', problem: { code } });
  await dropChange(held.db, MAINTAINER, change?.id ?? 0);
};

describe('the page of picture credits', () => {
  it('answers what was missing: made after a page of the site, linked from those that show the picture, and gone to the byte', async () => {
    const before = await snapshot(folder);
    const water = await written('water.html');
    expect((await rightsSummary(siteId)).codes.no).toEqual({ 'credit-missing': 1 });
    await gatherTelling(held.db, MAINTAINER, siteId, 'credits');
    await runJobs(held.db);
    const id = await published();
    const made = await written('picture-credits.html');
    expect(made).toContain('<title>Picture credits | School</title>');
    expect(made).toContain('<nav><a href="/index.html">Home</a></nav>\r\n<main>\r\n<h1>Picture credits</h1>');
    expect(made).toContain(
      'hall.jpg: “<a href="https://pictures.example/7">The hall</a>” by Ann Lee, <a href="https://creativecommons.org/licenses/by-sa/4.0/">CC BY-SA 4.0</a>',
    );
    expect(await written('index.html')).toContain(
      '</p>\r\n<a href="picture-credits.html">Picture credits</a>\r\n</footer>',
    );
    expect(await written('house/index.html')).toContain(
      '<a href="../picture-credits.html">Picture credits</a>\r\n</body>',
    );
    expect(await written('water.html')).toBe(water);
    expect((await rightsSummary(siteId)).codes.no).toEqual({});
    await taken(id);
    expect(await snapshot(folder)).toEqual(before);
    expect((await rightsSummary(siteId)).codes.no).toEqual({ 'credit-missing': 1 });
  });

  it('is kept: what comes in later is added to its list, and a second time there is nothing to do', async () => {
    await gatherTelling(held.db, MAINTAINER, siteId, 'credits');
    await runJobs(held.db);
    await published();
    await refusedAs('CREDITS_WRITTEN', 'credits');
    const more = { record: 'picture', files: ['img/river.jpg'], title: 'The river', creator: ['Tom Hay'], licence: 'CC-BY-4.0' }; // oxfmt-ignore
    const bytes = new TextEncoder().encode([...RECORDS, more].map((row) => JSON.stringify(row)).join('\n'));
    await importRecords(held.db, MAINTAINER, siteId, { name: 'r.jsonl', bytes, isInstead: true });
    await runJobs(held.db);
    expect((await rightsSummary(siteId)).codes.no).toEqual({ 'credit-missing': 1 });
    await gatherTelling(held.db, MAINTAINER, siteId, 'credits');
    await runJobs(held.db);
    await published();
    expect(await written('picture-credits.html')).toMatch(
      /<li>hall\.jpg: .*<\/li>\r\n<li>river\.jpg: “The river” by Tom Hay, /u,
    );
    expect((await rightsSummary(siteId)).codes.no).toEqual({});
  });
});

describe('a page of picture credits that can’t be made, or kept', () => {
  const refusedOn = async (name: string, files: Readonly<Record<string, string>>) => {
    const root = join(held.folder, name);
    const hall = await readFile(join(folder, 'img/hall.jpg'));
    await writeFiles(root, { 'img/hall.jpg': hall, ...files });
    const other = await connected(held.db, name, root);
    const bytes = new TextEncoder().encode(JSON.stringify(RECORDS[1]));
    await importRecords(held.db, MAINTAINER, other, { name: 'r.jsonl', bytes, isInstead: true });
    await runJobs(held.db);
    await gatherTelling(held.db, MAINTAINER, other, 'credits');
    await runJobsThatMayFail(held.db);
    const { rows } = await held.db.pool.query<{ code: string | null }>(
      `select c.problem ->> 'code' as code from changes c join editions e on e.id = c.edition_id where e.site_id = $1`,
      [other],
    );
    return rows.map(({ code }) => code);
  };

  it.each([
    ['CREDITS_LIST', { 'index.html': page('Home', '<img src="img/hall.jpg" alt="Doors">'), 'picture-credits.html': page('Picture credits', '<h1>Ours</h1>') }],
    ['CREDITS_MODEL', { 'index.html': '<title>Home</title><p><img src="img/hall.jpg" alt="Doors"></p>' }],
    ['CREDITS_NONE', { 'index.html': page('Home', '<figure><img src="img/hall.jpg" alt="Doors"><figcaption>The hall by Ann Lee, CC BY-SA 4.0</figcaption></figure>') }],
  ])('says why: %s', async (code, files) => {
    expect(await refusedOn(code, files)).toEqual([code]);
  }); // oxfmt-ignore
});

describe('statements for search engines', () => {
  const graphOf = async (path: string) => {
    const [, json = '{}'] = /id="picture-rights-data">(.*)<\/script>/u.exec(await written(path)) ?? [];
    return (JSON.parse(json) as { '@graph'?: { contentUrl: string; license?: string }[] })['@graph'] ?? [];
  };

  it('stand in the heads of the pages, with the sitemap, and go to the byte', async () => {
    const before = await snapshot(folder);
    await gatherTelling(held.db, MAINTAINER, siteId, 'statements');
    await runJobs(held.db);
    const id = await published();
    expect(await graphOf('house/index.html')).toMatchObject([
      {
        contentUrl: 'https://www.school.example/img/hall.jpg',
        license: 'https://creativecommons.org/licenses/by-sa/4.0/',
      },
    ]);
    // The leftover beside it is nothing to be found.
    expect(await graphOf('water.html')).toMatchObject([
      { contentUrl: 'https://www.school.example/img/river.jpg' },
    ]);
    expect(await graphOf('water.html')).toHaveLength(1);
    expect(await written('image-sitemap.xml')).not.toContain('placeholder');
    expect(await written('image-sitemap.xml')).toContain(
      '<image:loc>https://www.school.example/img/river.jpg</image:loc>',
    );
    // A second time there is nothing to write; the places in the statements change nothing of the answers.
    await refusedAs('STATEMENTS_WRITTEN', 'statements');
    expect((await rightsSummary(siteId)).codes.no).toEqual({});
    await taken(id);
    expect(await snapshot(folder)).toEqual(before);
  });

  it('are not for viewers to gather', async () => {
    await expect(gatherTelling(held.db, VIEWER, siteId, 'statements')).rejects.toThrow();
    await expect(gatherTelling(held.db, VIEWER, siteId, 'credits')).rejects.toThrow();
  });

  it('need to know at which address readers find the site', async () => {
    await held.db.orm.update(sites).set({ liveUrl: null }).where(eq(sites.id, siteId));
    await refusedAs('SITE_ADDRESS_UNKNOWN', 'statements');
  });
});
