import { join } from 'node:path';
import { expect, it } from 'vitest';
import { runRandomFaults } from '../../fixtures/random-faults';
import { useDatabase } from '../../fixtures/test-database';

const held = useDatabase();

it('after thirty faults, chosen by a seed, nothing is half, stuck, lost, or called proven that is not there', async () => {
  const { broken, counts } = await runRandomFaults(held.db, {
    ...{ count: 30, seed: 27 },
    folder: join(held.folder, 'site'),
  });
  expect(broken).toEqual([]);
  expect(counts.size).toBeGreaterThanOrEqual(6);
}, 300_000);
