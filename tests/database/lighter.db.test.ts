/** Pictures far larger than their places, put in again in the sizes that the places need. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { stage } from '@demo/site/scenes';
import { problemOf } from '@/server/problem-error';
import { gatherLighter } from '@/server/work/editions/gather-lighter';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { connected } from '../fixtures/connected';
import { dyingAt } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, OWNER, useDatabase, VIEWER } from '../fixtures/test-database';
import { snapshot, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let root = '';
let siteId = 0;

beforeAll(async () => {
  root = join(held.folder, 'lighter');
  const grain = await sharp({ create: { width: 3000, height: 2000, channels: 3, background: '#808080', noise: { type: 'gaussian', mean: 128, sigma: 10 } } }).png().toBuffer(); // prettier-ignore
  const camera = await sharp(Buffer.from(stage(11))).resize(3000, 2000).composite([{ input: grain, blend: 'overlay' }]).jpeg({ quality: 92 }).toBuffer(); // prettier-ignore
  await writeFiles(root, {
    'index.html': '<h1>Home</h1><img src="img/DSC_0417.jpg" alt="The stage" width="300" height="200"><a href="img/DSC_0417.jpg">large</a>',
    'news.html': '<h1>News</h1><img src="img/DSC_0417.jpg" alt="The stage" width="450" height="300">',
    'img/DSC_0417.jpg': camera,
  }); // prettier-ignore
  siteId = await connected(held.db, 'Lighter', root);
  await runJobs(held.db);
});

const query = async <R extends object>(text: string) => (await held.db.pool.query<R>(text, [siteId])).rows;

describe('a page that is too heavy', () => {
  it('is refused a lighter picture for viewers, where nothing is heavy, and is gathered all or not at all', async () => {
    const code = (deed: Promise<unknown>) => deed.then(() => 'none', (error: unknown) => problemOf(error).code); // prettier-ignore
    expect(await code(gatherLighter(held.db, VIEWER, siteId, 'index.html'))).not.toBe('none');
    expect(await code(gatherLighter(held.db, OWNER, siteId, 'other.html'))).toBe('NOTHING_HEAVY');
    await expect(gatherLighter(dyingAt(held.db, 'add_job'), OWNER, siteId, 'index.html')).rejects.toThrow();
    expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
    expect(await query('select 1 from intake where site_id = $1')).toEqual([]);
  });

  it('loses most of its bytes and looks the same; where one clicks for more, the large one stays', async () => {
    const before = await snapshot(root);
    await gatherLighter(held.db, OWNER, siteId, 'index.html');
    await runJobs(held.db);
    const [edition] = await query<{ id: number }>(
      "select id from editions where site_id = $1 and state = 'draft'",
    );
    await publishEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    const after = await snapshot(root);
    expect(after['index.html']).toBe(before['index.html']?.replace('src="img/DSC_0417.jpg"', 'src="img/dsc-0417-600x400.jpg"')); // prettier-ignore
    expect(after['news.html']).toBe(before['news.html']?.replace('src="img/DSC_0417.jpg"', 'src="img/dsc-0417-900x600.jpg"')); // prettier-ignore
    // Nothing but the two sizes is new: the picture itself is there already.
    expect(Object.keys(after).filter((path) => !(path in before)).toSorted()).toEqual(['img/dsc-0417-600x400.jpg', 'img/dsc-0417-900x600.jpg']); // prettier-ignore
    const [large, light] = [await readFile(join(root, 'img/DSC_0417.jpg')), await readFile(join(root, 'img/dsc-0417-900x600.jpg'))]; // prettier-ignore
    expect(light.length / large.length).toBeLessThan(0.4);
    expect(await likeness(large, light)).toBeGreaterThan(0.95);
    expect(await query("select 1 from errata where site_id = $1 and rule = 'file/too-heavy'")).toEqual([]);
    await withdrawEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
  });
});

/** Mean structural similarity of brightness in squares of 8 pixels (Wang et al. 2004), both at 450 pixels: as a page shows them. */
async function likeness(one: Buffer, other: Buffer): Promise<number> {
  const [width, height, side] = [448, 296, 8];
  const [a, b] = await Promise.all([one, other].map((bytes) => sharp(bytes).resize(width, height, { fit: 'fill' }).greyscale().raw().toBuffer())); // prettier-ignore
  let sum = 0;
  let squares = 0;
  for (let top = 0; top < height; top += side)
    for (let left = 0; left < width; left += side) {
      let [ma, mb, aa, bb, ab] = [0, 0, 0, 0, 0];
      for (let y = top; y < top + side; y++)
        for (let x = left; x < left + side; x++) {
          const [p, q] = [a?.[y * width + x] ?? 0, b?.[y * width + x] ?? 0];
          ma += p;
          mb += q;
          aa += p * p;
          bb += q * q;
          ab += p * q;
        }
      const n = side * side;
      [ma, mb] = [ma / n, mb / n];
      const [va, vb, cov] = [aa / n - ma * ma, bb / n - mb * mb, ab / n - ma * mb];
      const [c1, c2] = [6.5, 58.5];
      sum += ((2 * ma * mb + c1) * (2 * cov + c2)) / ((ma * ma + mb * mb + c1) * (va + vb + c2));
      squares++;
    }
  return sum / squares;
}
