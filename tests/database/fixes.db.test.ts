/** Texts that the rules propose, put into an edition by one press for all places of a piece of work. */
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, expect, it } from 'vitest';
import { listErrata } from '@/app/_data/errata/errata';
import { letStand } from '@/server/work/errata/let-stand';
import { gatherFixes } from '@/server/work/errata/gather-fixes';
import { problemOf } from '@/server/problem-error';
import { connected } from '../fixtures/connected';
import { dyingAt } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { OWNER, useDatabase, VIEWER } from '../fixtures/test-database';
import { writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId = 0;

beforeAll(async () => {
  const root = join(held.folder, 'fixes');
  const page = (n: number) => `<h1>Page ${n}</h1><img src="img/choir.jpg" alt="Picture of the choir in the hall" width="300" height="200">`; // oxfmt-ignore
  await writeFiles(root, {
    'index.html': `${page(0)}<a href="a.html">a</a><a href="b.html">b</a>`,
    'a.html': page(1),
    'b.html': page(2),
    'img/choir.jpg': await sharp({ create: { width: 600, height: 400, channels: 3, background: '#8a5' } })
      .jpeg()
      .toBuffer(),
  });
  siteId = await connected(held.db, 'Fixes', root);
  await runJobs(held.db);
});

const pictureOf = async () => {
  const asked = { filter: 'all', rule: 'alt/picture-of', section: null, owner: null, sheet: 1 } as const;
  return (await listErrata(siteId, asked)).rows;
};
const code = (deed: Promise<unknown>) => deed.then(() => 'none', (error: unknown) => problemOf(error).code); // oxfmt-ignore
const changes = async () =>
  (
    await held.db.pool.query<{ words: unknown }>(
      'select c.place_words as words from changes c join editions e on e.id = c.edition_id where e.site_id = $1',
      [siteId],
    )
  ).rows;

it('are told of a group: how many places have one, and what part of the readers meets them', async () => {
  const [group] = await pictureOf();
  expect(group).toMatchObject({ places: 3, pages: 3, fixes: 3 });
  const { rows } = await held.db.pool.query<{ reach: number }>(
    'select sum(reach) as reach from pages where site_id = $1',
    [siteId],
  );
  expect(group?.reach).toBeCloseTo(rows[0]?.reach ?? -1);
});

it('go in all together or not at all, and not for viewers', async () => {
  const [group] = await pictureOf();
  const ids = group?.ids ?? [];
  expect(await code(gatherFixes(held.db, VIEWER, siteId, ids))).not.toBe('none');
  await expect(gatherFixes(dyingAt(held.db, 'add_job'), OWNER, siteId, ids)).rejects.toThrow();
  expect(await changes()).toEqual([]);
  const { edition, placementIds } = await gatherFixes(held.db, OWNER, siteId, ids);
  expect([edition, placementIds.length]).toEqual([1, 3]);
  const [change] = await changes();
  const texts = Object.values(change?.words ?? {}) as { alt: string }[];
  expect(new Set(texts.map(({ alt }) => alt))).toEqual(new Set(['The choir in the hall']));
});

it('are not put in where they are let stand', async () => {
  const [group] = await pictureOf();
  const ids = group?.ids ?? [];
  await letStand(held.db, OWNER, siteId, { ids, reason: 'it says what it is', until: '' });
  expect(await code(gatherFixes(held.db, OWNER, siteId, ids))).toBe('NO_TEXTS');
});
