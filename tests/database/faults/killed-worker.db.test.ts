import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { expect, it } from 'vitest';
import { editions } from '@/server/db/schema/editions';
import { gatherSwap } from '@/server/work/editions/gather-swap';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { receiveIntake } from '@/server/work/intake/receive-intake';
import { connected } from '../../fixtures/connected';
import { runJobs } from '../../fixtures/run-jobs';
import { MAINTAINER, useDatabase } from '../../fixtures/test-database';
import { killHard, startWorkerProcess, stopSoftly } from '../../fixtures/worker-process';
import { flatPicture, snapshot, writeFiles } from '../../fixtures/write-site';

const held = useDatabase();
const PAGES = 200;
const text = (n: number) =>
  `<title>${n}</title>\r\n<p>Page ${n}</p><img src="old.png" alt="number ${n}">${'<p>Words.</p>'.repeat(200)}`;

async function waitFor<T>(ask: () => Promise<T | null | undefined | false>): Promise<T> {
  for (let tries = 0; tries < 3000; tries++) {
    const answer = await ask();
    if (answer) return answer;
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  throw new Error('waited for nothing');
}

async function stepsDone(): Promise<number> {
  const { rows } = await held.db.pool.query<{ done: number }>(
    "select count(*)::int as done from steps where state = 'done' and action = 'write source' and publication_id = (select max(id) from publications)",
  );
  return rows[0]?.done ?? 0;
}

async function stateOf(id: number): Promise<string | undefined> {
  const [edition] = await held.db.orm.select().from(editions).where(eq(editions.id, id));
  return edition?.state;
}

it('a worker killed in the middle of 200 pages is followed by one that finishes, and no page is ever half written', async () => {
  const folder = join(held.folder, 'site');
  const files: Record<string, string | Uint8Array> = { 'old.png': await flatPicture(60, 40, 'png') };
  for (let n = 0; n < PAGES; n++) files[`p${n}.html`] = text(n);
  await writeFiles(folder, files);
  const before = await snapshot(folder);
  const siteId = await connected(held.db, 'Large', folder);
  const intakeId = await receiveIntake(held.db, MAINTAINER, {
    siteId,
    fileName: 'new.jpg',
    bytes: await flatPicture(300, 200),
  });
  const { rows } = await held.db.pool.query<{ id: string }>('select id from placements where site_id = $1', [
    siteId,
  ]);
  expect(rows).toHaveLength(PAGES);
  await gatherSwap(held.db, MAINTAINER, {
    siteId, fromPath: 'old.png', intakeId, placementIds: rows.map(({ id }) => Number(id)), alt: null, caption: null, focal: { x: 0.5, y: 0.5 },
  }); // oxfmt-ignore
  await runJobs(held.db);
  const [edition] = await held.db.orm.select().from(editions);
  const id = edition?.id ?? 0;

  for (const [ask, during, after] of [
    [publishEdition, 'publishing', 'published'],
    [withdrawEdition, 'withdrawing', 'withdrawn'],
  ] as const) {
    const first = await startWorkerProcess();
    await ask(held.db, MAINTAINER, id);
    await waitFor(async () => (await stepsDone()) >= 20);
    await killHard(first);
    const done = await stepsDone();
    expect(done, 'killed in the middle').toBeLessThan(PAGES);
    expect(await stateOf(id)).toBe(during);
    let changed = 0;
    for (let n = 0; n < PAGES; n++) {
      const now = await readFile(join(folder, `p${n}.html`), 'utf8');
      const swapped = text(n).replace('old.png', 'new-60x40.jpg');
      expect([text(n), swapped]).toContain(now);
      if (now === swapped) changed++;
    }
    expect(changed).toBeGreaterThan(0);
    expect(changed).toBeLessThan(PAGES);

    const second = await startWorkerProcess();
    await waitFor(async () => (await stateOf(id)) === after);
    await stopSoftly(second);
    expect(await stepsDone()).toBe(PAGES);
    await runJobs(held.db);
  }
  expect(await snapshot(folder)).toEqual(before);
});
