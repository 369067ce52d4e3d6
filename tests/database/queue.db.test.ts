/** Jobs of one site and kind run one after the other, also where one is asked for while another of them runs. */
import { run, Logger, type Runner } from 'graphile-worker';
import { afterEach, expect, it } from 'vitest';
import { addJob, type JobName } from '@/server/jobs/queue';
import { useDatabase } from '../fixtures/test-database';

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
    await new Promise((resolve) => setTimeout(resolve, 400));
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
  while (!isSo() && Date.now() - start < 10_000) await new Promise((resolve) => setTimeout(resolve, 20));
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
