import { execFile, execFileSync } from 'node:child_process';
import { mkdir, mkdtemp, rm, symlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { flatPicture, writeFiles } from '../fixtures/write-site';

/** From so many pages on, threads read them, whose code is put together when it is first asked for. */
const PAGES = 420;
let folder: string;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-anywhere-'));
  const pages = Array.from({ length: PAGES }, (_, n) => [
    `p${n}.html`,
    '<!doctype html><meta charset=utf-8><title>P</title><img src="img/a.png" alt="A hall">',
  ]);
  await writeFiles(join(folder, 'site'), {
    ...(Object.fromEntries(pages) as Record<string, string>),
    'img/a.png': await flatPicture(60, 40, 'png'),
  });
  await writeFile(join(folder, 'new.jpg'), await flatPicture(640, 480));
  await mkdir(join(folder, 'links'));
  await symlink(resolve('bin/ibidem'), join(folder, 'links/ibidem'));
  await symlink(join(folder, 'links/ibidem'), join(folder, 'ibidem'));
});

afterAll(() => rm(folder, { recursive: true, force: true }));

function run(
  command: string,
  args: readonly string[],
): Promise<{ code: number; lines: number; err: string }> {
  return new Promise((done) => {
    execFile(command, args, { cwd: folder, maxBuffer: 1 << 26 }, (error, out, err) => {
      done({ code: error ? Number(error.code) : 0, lines: out.split('\n').length - 1, err });
    });
  });
}

const COMMANDS = [
  ['read', ['read', 'site'], PAGES],
  ['check', ['check', 'site', '--rule', 'alt/absent', '--read-texts'], 0],
  ['swap', ['swap', 'site', '--from', 'img/a.png', '--to', 'new.jpg', '--dry-run'], PAGES],
  ['families', ['families', 'site'], 1],
  ['dates', ['dates', 'site'], 1],
] as const;

describe('bin/ibidem', () => {
  it.each(COMMANDS)('%s works from another folder, through links', async (_name, args, lines) => {
    expect(await run(join(folder, 'ibidem'), args)).toEqual({ code: 0, lines, err: '' });
  });

  it.skipIf(!mayMount())('works on one that was read-only from the beginning', async () => {
    const script =
      'mount --bind "$0" "$0" && mount -t tmpfs -o ro none "$0/var" && mount -o remount,ro,bind "$0" && ! touch "$0/var/x" 2>&- && exec "$0/bin/ibidem" "$@"';
    expect(await run('unshare', ['-m', 'sh', '-c', script, resolve('.'), 'read', 'site'])).toEqual({
      code: 0,
      lines: PAGES,
      err: '',
    });
  });

  it.skipIf(!mayMount()).each(COMMANDS)(
    '%s works on a read-only installation',
    async (_name, args, lines) => {
      const root = resolve('.');
      const script =
        'mount --bind "$0" "$0" && mount -o remount,ro,bind "$0" && ! touch "$0/x" 2>&- && exec "$0/bin/ibidem" "$@"';
      expect(await run('unshare', ['-m', 'sh', '-c', script, root, ...args])).toEqual({
        code: 0,
        lines,
        err: '',
      });
    },
  );
});

/** Only root may give a command its own view of the disk. */
function mayMount(): boolean {
  try {
    execFileSync('unshare', ['-m', 'true'], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
}
