import { describe, expect, it } from 'vitest';
import { announceWorker, freeOrphans } from '@/server/jobs/free-orphans';
import { addJob } from '@/server/jobs/queue';
import { startWorker } from '@/server/jobs/start-worker';
import { withSiteLock } from '@/server/work/sites/site-lock';
import { useDatabase } from '../fixtures/test-database';

const held = useDatabase();

/** Makes a job look as if a worker had taken it. */
async function takenBy(worker: string): Promise<void> {
  await addJob(held.db.pool, 'know-pictures', { siteId: 1 }, `job of ${worker}`);
  await held.db.pool.query(
    `update graphile_worker._private_jobs set locked_by = $1, locked_at = now(), attempts = 1 where key = $2`,
    [worker, `job of ${worker}`],
  );
}

async function takers(): Promise<(string | null)[]> {
  const { rows } = await held.db.pool.query<{ locked_by: string | null }>(
    'select locked_by from graphile_worker.jobs order by key',
  );
  return rows.map(({ locked_by: worker }) => worker);
}

describe('jobs left behind', () => {
  it('are freed when their worker is gone, and only then', async () => {
    const living = await held.db.pool.connect();
    await announceWorker(living, 'a-living');
    await takenBy('a-living');
    await takenBy('b-dead');
    await takenBy('c-own');
    expect(await freeOrphans(held.db, ['c-own'])).toBe(1);
    expect(await takers()).toEqual(['a-living', null, 'c-own']);
    living.release(true);
    const start = Date.now();
    let freed = 0;
    while (freed === 0 && Date.now() - start < 60_000) freed = await freeOrphans(held.db, ['c-own']);
    expect(await takers()).toEqual([null, null, 'c-own']);
  });
});

describe('the lock of a site', () => {
  it('lets one in at a time, and is given back when work fails', async () => {
    const order: string[] = [];
    const work = (name: string, site: number) =>
      withSiteLock(held.db, site, async () => {
        order.push(`${name} in`);
        await new Promise((resolve) => setTimeout(resolve, 80));
        order.push(`${name} out`);
      });
    await Promise.all([work('one', 1), work('two', 1)]);
    expect(order[1]).toBe(order[0]?.replace('in', 'out'));
    expect(order).toHaveLength(4);
    await expect(withSiteLock(held.db, 2, async () => Promise.reject(new Error('broken')))).rejects.toThrow(
      'broken',
    );
    await work('three', 2);
    expect(order.slice(-2)).toEqual(['three in', 'three out']);
  });
});

describe('a running worker', () => {
  it('keeps the jobs that it works on, however long they take, and other workers see that it lives', async () => {
    const { pool } = held.db;
    const { rows } = await pool.query<{ id: number }>(
      `insert into sites (slug, name, connection) values ('slow', 'Slow', '{"kind":"folder","folder":"/nowhere"}') returning id`,
    );
    const siteId = rows[0]?.id ?? 0;
    const { rows: asked } = await pool.query<{ id: number }>(
      `insert into surveys (site_id, number, reason) values ($1, 1, 'asked') returning id`,
      [siteId],
    );
    await pool.query('delete from graphile_worker._private_jobs');
    const lines: string[] = [];
    const worker = await startWorker(held.db, (line) => lines.push(line));
    await withSiteLock(held.db, siteId, async () => {
      const surveyId = asked[0]?.id ?? 0;
      await addJob(pool, 'survey-site', { surveyId }, `survey-${siteId}-${surveyId}`);
      let taken: (string | null)[] = [];
      const until = Date.now() + 60_000;
      while (taken[0] === undefined || taken[0] === null) {
        if (Date.now() > until) throw new Error('nobody took the job');
        taken = await takers();
        await new Promise((resolve) => setTimeout(resolve, 50));
      }
      expect(await freeOrphans(held.db, [])).toBe(0);
      expect(await takers()).toEqual(taken);
    });
    await worker.stop();
    expect(lines.filter((line) => line.includes('took over'))).toEqual([]);
  });
});
