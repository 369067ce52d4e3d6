/** Jobs of one site and kind run one after the other, also where one is asked for while another of them runs. */
import { join } from 'node:path';
import { run, Logger, type Runner } from 'graphile-worker';
import { afterEach, expect, it } from 'vitest';
import { addJob, type JobName } from '@/server/jobs/queue';
import { connectSite } from '@/server/work/sites/connect-site';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { startWorkerProcess, stopSoftly } from '../fixtures/worker-process';
import { writeFiles } from '../fixtures/write-site';

const held = useDatabase();
const runners: Runner[] = [];

afterEach(async () => {
  await Promise.all(runners.splice(0).map((runner) => runner.stop()));
});

/** Takes up jobs as workers do, three at a time, each for a while; tells when which began and ended. */
async function workers(name: JobName, order: string[]): Promise<void> {
  const task = async (payload: unknown) => {
    const { siteId } = payload as { siteId: number };
    order.push(`${siteId} in`);
    await new Promise((resolve) => setTimeout(resolve, 1000));
    order.push(`${siteId} out`);
  };
  runners.push(
    await run({
      ...{ pgPool: held.db.pool, taskList: { [name]: task }, concurrency: 3, pollInterval: 100 },
      ...{ noHandleSignals: true, logger: new Logger(() => () => undefined) },
    }),
  );
}

const until = async (isSo: () => boolean) => {
  const start = Date.now();
  while (!isSo() && Date.now() - start < 120_000) await new Promise((resolve) => setTimeout(resolve, 20));
};

it.each<JobName & ('know-pictures' | 'read-texts' | 'answer-rights')>([
  'know-pictures',
  'read-texts',
  'answer-rights',
])('%s: one that is asked for while another runs waits for it', async (name) => {
  const order: string[] = [];
  await workers(name, order);
  await addJob(held.db.pool, name, { siteId: 1 }, `${name}-1`);
  await until(() => order.length === 1);
  await addJob(held.db.pool, name, { siteId: 1 }, `${name}-1`);
  await addJob(held.db.pool, name, { siteId: 1 }, `${name}-1`);
  await until(() => order.length === 4);
  // Two were asked for while the first ran: they are one, and it has seen what they were asked for.
  expect(order).toEqual(['1 in', '1 out', '1 in', '1 out']);
});

it('those of other sites do not wait', async () => {
  const order: string[] = [];
  await workers('answer-rights', order);
  await addJob(held.db.pool, 'answer-rights', { siteId: 1 }, 'rights-1');
  await addJob(held.db.pool, 'answer-rights', { siteId: 2 }, 'rights-2');
  await until(() => order.length === 4);
  expect(order.slice(0, 2).sort()).toEqual(['1 in', '2 in']);
});

it('a worker for what is awaited leaves the rest to the one behind it', async () => {
  const path = join(held.folder, 'two-workers');
  await writeFiles(path, { 'index.html': '<title>One page</title><img src="a.png" alt="">' });
  const from = { kind: 'folder', path } as const;
  const site = await connectSite(held.db, MAINTAINER, {
    name: 'Two workers',
    liveUrl: null,
    hosts: [],
    from,
  });
  const waiting = async () =>
    (await held.db.pool.query<{ name: string }>('select task_identifier as name from graphile_worker.jobs where locked_at is null')).rows.map(({ name }) => name); // oxfmt-ignore
  const idle = async () => (await held.db.pool.query('select 1 from graphile_worker.jobs where locked_at is not null')).rowCount === 0; // oxfmt-ignore
  // By their names: a count alone is there already before a worker that has just begun takes up its first.
  const settled = async (...left: JobName[]) => {
    for (const start = Date.now(); Date.now() - start < 120_000;) {
      if ((await idle()) && (await waiting()).join() === left.join()) return;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  };
  const awaited = await startWorkerProcess({ IBIDEM_JOBS: 'awaited' });
  await settled('know-pictures');
  expect(await waiting()).toEqual(['know-pictures']);
  const { rows } = await held.db.pool.query('select state from surveys s join sites on sites.id = s.site_id where slug = $1', [site]); // oxfmt-ignore
  expect(rows).toEqual([{ state: 'done' }]);
  const background = await startWorkerProcess({ IBIDEM_JOBS: 'background' });
  await settled();
  expect(await waiting()).toEqual([]);
  await Promise.all([stopSoftly(awaited), stopSoftly(background)]);
});
