import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { proofToken, readProofToken } from './proof-token';

beforeAll(() => {
  vi.stubEnv('DATABASE_URL', 'postgres://localhost/none');
  vi.stubEnv('IBIDEM_SECRET', 's'.repeat(40));
});
afterAll(() => vi.unstubAllEnvs());

const now = Date.UTC(2026, 10, 25);

it('opens what it was made for, until it ends, and nothing when a letter of it is changed', () => {
  const token = proofToken({ siteId: 7, state: 'draft' }, now);
  expect(readProofToken(token, now)).toEqual({ siteId: 7, state: 'draft' });
  expect(readProofToken(token, now + 14 * 3_600_000)).toBeNull();
  expect(readProofToken(token.replace('7-draft', '8-draft'), now)).toBeNull();
  expect(readProofToken(token.replace('draft', 'live'), now)).toBeNull();
  expect(readProofToken('', now)).toBeNull();
});
