import { mkdir, mkdtemp, rm, symlink } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { problemOf } from '../../problem-error';
import { refuseForbidden } from './allowed-folder';

let base: string;
beforeAll(async () => {
  base = await mkdtemp(join(tmpdir(), 'ibidem-roots-'));
  await mkdir(join(base, 'www/school'), { recursive: true });
  await mkdir(join(base, 'var/store'), { recursive: true });
  await mkdir(join(base, 'var/demo-site'), { recursive: true });
  await symlink('/etc', join(base, 'www/link'));
});
afterAll(() => rm(base, { recursive: true }));

const codeFor = (folder: string, roots: readonly string[]) =>
  refuseForbidden(folder, { roots, own: [join(base, 'var')] }).then(
    () => 'allowed',
    (error: unknown) => problemOf(error).code,
  );

describe('which folders may be connected', () => {
  it.each([
    ['a folder below a root', 'www/school', ['www'], 'allowed'],
    ['a root itself', 'www', ['www'], 'allowed'],
    ['a folder that is not there, told as missing later', 'www/none', ['www'], 'allowed'],
    ['a folder beside the roots', 'other', ['www'], 'FOLDER_NOT_ALLOWED'],
    ['a name that only begins like a root', 'www-old', ['www'], 'FOLDER_NOT_ALLOWED'],
    ['no root at all', 'www/school', [], 'FOLDER_NOT_ALLOWED'],
    ['a way out by dots', 'www/../other', ['www'], 'FOLDER_NOT_ALLOWED'],
    ['a link that leads to the system', 'www/link', ['www'], 'FOLDER_NOT_ALLOWED'],
    ['Ibidem’s own folder', 'var/store', [''], 'FOLDER_NOT_ALLOWED'],
    ['what holds Ibidem’s own folder, below a root', '', ['..'], 'FOLDER_NOT_ALLOWED'],
    ['the demo’s site in it, which a root names', 'var/demo-site', ['var/demo-site'], 'allowed'],
  ])('%s', async (_name, folder, roots, expected) => {
    expect(await codeFor(join(base, folder), roots.map((root) => join(base, root)))).toBe(expected); // oxfmt-ignore
  });

  it.each(['/etc', '/proc/self', '/usr/lib', '/'])('%s is the system’s, even below /', async (folder) => {
    expect(await codeFor(folder, folder === '/' ? ['/srv'] : ['/'])).toBe('FOLDER_NOT_ALLOWED');
  });

  it('a root within the system lets what it names be connected', async () => {
    expect(await codeFor('/usr/lib', ['/usr/lib'])).toBe('allowed');
  });
});
