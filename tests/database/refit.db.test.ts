/** Pictures that do not fit their places, put in again: lighter, in the place's shape, or by their large file. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { stage } from '@demo/site/scenes';
import { pageWeights } from '@/app/_data/editions/page-weights';
import { problemOf } from '@/server/problem-error';
import { gatherRefit } from '@/server/work/editions/gather-refit';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { connected } from '../fixtures/connected';
import { dyingAt } from '../fixtures/held-back';
import { likeness } from '../fixtures/likeness';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, OWNER, useDatabase, VIEWER } from '../fixtures/test-database';
import { snapshot, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let root = '';
let siteId = 0;

beforeAll(async () => {
  root = join(held.folder, 'lighter');
  const grain = await sharp({ create: { width: 3000, height: 2000, channels: 3, background: '#808080', noise: { type: 'gaussian', mean: 128, sigma: 10 } } }).png().toBuffer(); // oxfmt-ignore
  const camera = await sharp(Buffer.from(stage(11))).resize(3000, 2000).composite([{ input: grain, blend: 'overlay' }]).jpeg({ quality: 92 }).toBuffer(); // oxfmt-ignore
  await writeFiles(root, {
    'index.html': '<h1>Home</h1><img src="img/DSC_0417.jpg" alt="The stage" width="300" height="200"><a href="img/DSC_0417.jpg">large</a>',
    'news.html': '<h1>News</h1><img src="img/DSC_0417.jpg" alt="The stage" width="450" height="300">',
    'shapes.html': '<h1>Shapes</h1><img src="img/choir.jpg" alt="The choir" width="600" height="200"><img src="img/hall-200.jpg" alt="The hall" width="640" height="480">',
    'few.html': '<h1>Few</h1><img src="img/lone.jpg" alt="A bell" width="600" height="400">',
    'img/choir.jpg': await pictured(5, 1500, 1000),
    'img/hall-200.jpg': await pictured(7, 200, 150),
    'img/hall.jpg': await pictured(7, 1600, 1200),
    'img/lone.jpg': await pictured(9, 210, 140),
    'img/DSC_0417.jpg': camera,
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Lighter', root);
  await runJobs(held.db);
});

const pictured = (seed: number, width: number, height: number) => sharp(Buffer.from(stage(seed))).resize(width, height, { fit: 'fill' }).jpeg({ quality: 90 }).toBuffer(); // oxfmt-ignore
const errataOf = async (rule: string) => (await query<{ id: number }>(`select id::int as id from errata where site_id = $1 and rule = '${rule}' order by id`)).map(({ id }) => id); // oxfmt-ignore

const query = async <R extends object>(text: string) => (await held.db.pool.query<R>(text, [siteId])).rows;

/** Prepares and publishes the draft, and gives its number and the site after it. */
async function published() {
  await runJobs(held.db);
  const [draft] = await query<{ id: number }>(
    "select id from editions where site_id = $1 and state = 'draft'",
  );
  const edition = draft?.id ?? 0;
  await publishEdition(held.db, MAINTAINER, edition);
  await runJobs(held.db);
  return { edition, after: await snapshot(root) };
}

describe('a page that is too heavy', () => {
  it('is refused a lighter picture for viewers, where nothing is heavy, and is gathered all or not at all', async () => {
    const code = (deed: Promise<unknown>) => deed.then(() => 'none', (error: unknown) => problemOf(error).code); // oxfmt-ignore
    expect(await code(gatherRefit(held.db, VIEWER, siteId, { page: 'index.html' }))).not.toBe('none');
    expect(await code(gatherRefit(held.db, OWNER, siteId, { page: 'other.html' }))).toBe('NOTHING_TO_FIT');
    await expect(
      gatherRefit(dyingAt(held.db, 'add_job'), OWNER, siteId, { page: 'index.html' }),
    ).rejects.toThrow();
    expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
    expect(await query('select 1 from intake where site_id = $1')).toEqual([]);
  });

  it('loses most of its bytes and looks the same; where one clicks for more, the large one stays', async () => {
    const before = await snapshot(root);
    await gatherRefit(held.db, OWNER, siteId, { page: 'index.html' });
    await runJobs(held.db);
    const [draft] = await query<{ id: number }>(
      "select id from editions where site_id = $1 and state = 'draft'",
    );
    const told = await pageWeights(siteId, draft?.id ?? 0);
    const { edition, after } = await published();
    expect(after['index.html']).toBe(before['index.html']?.replace('src="img/DSC_0417.jpg"', 'src="img/dsc-0417-600x400.jpg"')); // oxfmt-ignore
    expect(after['news.html']).toBe(before['news.html']?.replace('src="img/DSC_0417.jpg"', 'src="img/dsc-0417-900x600.jpg"')); // oxfmt-ignore
    // Nothing but the two sizes is new: the picture itself is there already.
    expect(Object.keys(after).filter((path) => !(path in before)).toSorted()).toEqual(['img/dsc-0417-600x400.jpg', 'img/dsc-0417-900x600.jpg']); // oxfmt-ignore
    // What the draft had promised of its pages is what they weigh then.
    expect(told.rows.map(({ path }) => path).toSorted()).toEqual(['index.html', 'news.html']);
    for (const { path, before: was, after: becomes } of told.rows) {
      const [{ bytes = 0 } = {}] = await query<{ bytes: number }>(
        `select picture_bytes::int as bytes from pages where site_id = $1 and path = '${path}'`,
      );
      expect([path, bytes]).toEqual([path, becomes]);
      expect(becomes / was).toBeLessThan(0.4);
    }
    const [large, light] = [await readFile(join(root, 'img/DSC_0417.jpg')), await readFile(join(root, 'img/dsc-0417-900x600.jpg'))]; // oxfmt-ignore
    expect(light.length / large.length).toBeLessThan(0.4);
    expect(await likeness(large, light, { width: 448, height: 296 })).toBeGreaterThan(0.95);
    expect(await query("select 1 from errata where site_id = $1 and rule = 'file/too-heavy'")).toEqual([]);
    await withdrawEdition(held.db, MAINTAINER, edition);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
  });
});

describe('a picture that does not fit its place', () => {
  it('is cut to the shape of the place, and one with too few pixels gives way to its large file', async () => {
    const before = await snapshot(root);
    const ids = [...(await errataOf('file/stretched')), ...(await errataOf('file/too-small'))];
    expect(ids).toHaveLength(3);
    await gatherRefit(held.db, OWNER, siteId, { ids });
    const { after } = await published();
    expect(after['shapes.html']).toBe(before['shapes.html']?.replace('img/choir.jpg', 'img/choir-1200x400.jpg').replace('img/hall-200.jpg', 'img/hall-1280x960.jpg')); // oxfmt-ignore
    // Of this one there is no large file: it is left as it is.
    expect(after['few.html']).toBe(before['few.html']);
    expect(await errataOf('file/stretched')).toEqual([]);
    expect(await errataOf('file/too-small')).toHaveLength(1);
  });

  it('is refused where the site has no larger file of it', async () => {
    const deed = gatherRefit(held.db, OWNER, siteId, { ids: await errataOf('file/too-small') });
    expect(await deed.then(() => 'none', (error: unknown) => problemOf(error).code)).toBe('NO_LARGER'); // oxfmt-ignore
  });
});
