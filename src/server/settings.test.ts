import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const GOOD = { DATABASE_URL: 'postgres://a:b@127.0.0.1:1/c', IBIDEM_SECRET: 'x'.repeat(32) };

/** The settings as a new process would read them. */
async function settingsWith(environment: Readonly<Record<string, string | undefined>>) {
  vi.resetModules();
  for (const name of [
    'DATABASE_URL',
    'IBIDEM_SECRET',
    'IBIDEM_VAR',
    'IBIDEM_URL',
    'IBIDEM_DEMO',
    'IBIDEM_SITE_ROOTS',
  ])
    vi.stubEnv(name, environment[name]);
  const { settings } = await import('./settings');
  return settings();
}

beforeEach(() => vi.unstubAllEnvs());
afterEach(() => vi.unstubAllEnvs());

describe('settings', () => {
  it('have defaults for all but the database and the secret', async () => {
    const read = await settingsWith(GOOD);
    expect(read).toMatchObject({
      appUrl: 'http://127.0.0.1:4180',
      isDemo: false,
      databaseUrl: GOOD.DATABASE_URL,
    });
    expect(read.storeFolder).toMatch(/\/var\/store$/);
    expect(read.siteRoots).toEqual([expect.stringMatching(/\/var\/demo-site$/)]);
  });

  it('name the folders below which sites may be connected, as in PATH', async () => {
    const read = await settingsWith({ ...GOOD, IBIDEM_SITE_ROOTS: '/srv/www:/home/web' });
    expect(read.siteRoots.slice(0, 2)).toEqual(['/srv/www', '/home/web']);
  });

  it.each([
    ['no database', { ...GOOD, DATABASE_URL: undefined }, 'DATABASE_URL'],
    ['another kind of database', { ...GOOD, DATABASE_URL: 'mysql://x' }, 'DATABASE_URL'],
    ['a short secret', { ...GOOD, IBIDEM_SECRET: 'short' }, 'IBIDEM_SECRET'],
    ['an address that is none', { ...GOOD, IBIDEM_URL: 'ftp://x' }, 'IBIDEM_URL'],
    ['a demo that is neither on nor off', { ...GOOD, IBIDEM_DEMO: 'yes' }, 'IBIDEM_DEMO'],
  ])('refuse %s by name', async (_name, environment, name) => {
    const error: unknown = await settingsWith(environment).catch((refused: unknown) => refused);
    const { problemOf } = await import('./problem-error');
    const problem = problemOf(error);
    expect(problem.what).toBe('Ibidem can’t start.');
    expect(problem.why).toContain(name);
  });
});
