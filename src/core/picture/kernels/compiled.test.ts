import { expect, it } from 'vitest';
import { compiledKernels } from '../../../../bin/compile-kernels';
import { COMPILED } from './compiled';

it('has the kernels of the source: `npm run kernels` writes them', async () => {
  const lines = (await compiledKernels()).match(/'.+'/g) ?? [];
  expect(lines.map((line) => line.slice(1, -1)).join('')).toBe(COMPILED);
});
