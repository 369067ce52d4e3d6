import { execFileSync } from 'node:child_process';
import {
  chmod,
  chown,
  link,
  mkdir,
  mkdtemp,
  readdir,
  readFile,
  rm,
  stat,
  symlink,
  truncate,
  writeFile,
} from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ZipFile } from 'yazl';
import { siteOfFiles } from '@/core/address/resolve-address';
import { openFolder } from '@/server/connections/folder/open-folder';
import { readSite } from '@/server/connections/read-site';
import { isZipFile, openZip, unpackZip } from '@/server/connections/zip';
import type { ReadableConnection } from '@/server/connections/connection';
import { problemOf } from '@/server/problem-error';
import { snapshot, writeFiles } from '../fixtures/write-site';

let folder: string;
const FILES = {
  'index.html': '<img src="img/a.jpg"><img src="img/caf%C3%A9.png">',
  'sub/page.HTM': '<a href=../img/a.jpg>x</a>',
  'img/a.jpg': 'not read here',
  'img/café.png': 'nor this',
  '.git/config.html': '<img src=never.jpg>',
};

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-connections-'));
  await writeFiles(join(folder, 'site'), FILES);
});
afterAll(() => rm(folder, { recursive: true, force: true }));

async function zipOf(files: Readonly<Record<string, string>>): Promise<Buffer> {
  const zip = new ZipFile();
  for (const [path, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), path);
  zip.end();
  return buffer(zip.outputStream);
}

/** A file with these bytes in the tests' folder. */
async function file(name: string, bytes: Uint8Array): Promise<string> {
  const place = join(folder, name);
  await writeFile(place, bytes);
  return place;
}

async function codeOf(deed: Promise<unknown>): Promise<string> {
  return deed.then(
    () => 'nothing refused',
    (error: unknown) => problemOf(error).code,
  );
}

async function rowsOf(connection: ReadableConnection): Promise<unknown[]> {
  let lines = '';
  for await (const read of readSite(connection, siteOfFiles(), 'rows')) {
    lines += read.kind === 'pages' ? read.pages.map(({ json }) => json).join('') : read.json;
  }
  return lines
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as unknown);
}

describe('a folder', () => {
  it('is listed in order, without what tools keep in it', async () => {
    const connection = await openFolder(join(folder, 'site'));
    const { files } = await connection.list();
    expect(files.map(({ path }) => path)).toEqual([
      'img/a.jpg',
      'img/café.png',
      'index.html',
      'sub/page.HTM',
    ]);
    expect(await rowsOf(connection)).toHaveLength(3);
  });

  it('follows links inside it and says which it left out', async () => {
    const site = join(folder, 'linked');
    await writeFiles(site, { 'real/x.html': '<p>', 'y.html': '<p>' });
    await symlink('real/x.html', join(site, 'inside.html'));
    await symlink('/etc/hosts', join(site, 'outside.html'));
    await symlink('nowhere', join(site, 'dangling.html'));
    await symlink('..', join(site, 'real', 'round'));
    const connection = await openFolder(site);
    const { files, skipped } = await connection.list();
    expect(files.map(({ path }) => path)).toEqual(['inside.html', 'real/x.html', 'y.html']);
    expect(skipped.map(({ path }) => path).sort()).toEqual(['dangling.html', 'outside.html', 'real/round']);
    expect(await codeOf(connection.read('outside.html'))).toBe('FILE_MISSING');
    expect(await codeOf(connection.write('outside.html', new Uint8Array()))).toBe('PATH_OUTSIDE');
  });

  it('knows what stands under two addresses, whichever of them comes first', async () => {
    const site = join(folder, 'twice');
    await writeFiles(site, { 'real/x.html': '<p>', 'real/deep/y.html': '<p>' });
    await symlink('real', join(site, 'alias'));
    await symlink('real', join(site, 'zz'));
    await symlink('../alias/deep', join(site, 'real', 'near'));
    const connection = await openFolder(site);
    const { files, links } = await connection.list();
    const itself = new Map(files.map(({ path, sameAs }) => [path, sameAs ?? path]));
    expect(itself.get('real/x.html')).toBe('real/x.html');
    expect(itself.get('alias/x.html')).toBe('real/x.html');
    expect(itself.get('zz/near/y.html')).toBe('real/deep/y.html');
    expect(links).toContainEqual({ path: 'alias', leadsTo: 'real' });
    expect(await connection.sourceOf?.('zz/deep/y.html')).toBe('real/deep/y.html');
    await connection.write('alias/x.html', Buffer.from('new'));
    expect(await readFile(join(site, 'real/x.html'), 'utf8')).toBe('new');
  });

  it('does not go round in links for ever', async () => {
    const site = join(folder, 'round');
    const names = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i'];
    for (const name of names) await writeFiles(site, { [`${name}/x.html`]: '<p>' });
    for (const from of names)
      for (const to of names) if (from !== to) await symlink(`../${to}`, join(site, from, `to-${to}`));
    const { files, skipped } = await (await openFolder(site)).list();
    expect(files.length).toBeLessThan(21_000);
    expect(skipped.some(({ reason }) => reason.includes('no more is listed'))).toBe(true);
  });

  it('opens regular files only, and knows names that are no text by their bytes', async () => {
    const site = join(folder, 'odd');
    await writeFiles(site, { 'x.html': '<img src="caf%E9.png">' });
    await writeFile(Buffer.from(`${site}/caf\xe9.png`, 'latin1'), 'picture');
    execFileSync('mkfifo', [join(site, 'pipe.html')]);
    const connection = await openFolder(site);
    const { files, skipped } = await connection.list();
    expect(files.map(({ path }) => path)).toEqual(['caf%E9.png', 'x.html']);
    expect(skipped).toEqual([{ path: 'pipe.html', reason: 'neither a file nor a folder' }]);
    expect(Buffer.from(await connection.read('caf%E9.png')).toString()).toBe('picture');
    expect(await codeOf(connection.read('pipe.html'))).toBe('NOT_A_FILE');
    expect(await codeOf(connection.read('x.html\0'))).toBe('FILE_MISSING');
    expect(await rowsOf(connection)).toMatchObject([{ url: 'caf%E9.png' }]);
  });

  it('keeps mode, owner and group of what it writes, and says what it can’t keep', async () => {
    const site = join(folder, 'rights');
    await writeFiles(site, { 'x.html': 'old', 'twin.html': 'twin' });
    const page = join(site, 'x.html');
    await chmod(page, 0o664);
    const isRoot = process.geteuid?.() === 0;
    if (isRoot) await chown(page, 33, 34);
    const connection = await openFolder(site);
    expect(await connection.losesByWriting?.('x.html')).toEqual([]);
    await connection.write('x.html', Buffer.from('new'));
    const { mode, uid, gid } = await stat(page);
    expect((mode & 0o777).toString(8)).toBe('664');
    if (isRoot) expect([uid, gid]).toEqual([33, 34]);
    await link(join(site, 'twin.html'), join(site, 'other.html'));
    expect(await connection.losesByWriting?.('twin.html')).toEqual([expect.stringMatching(/hard-linked/)]);
  });

  it('makes no folder behind a link that leads out, and takes away what was left unfinished', async () => {
    const site = join(folder, 'tidied');
    const outside = join(folder, 'outside');
    await mkdir(outside);
    await writeFiles(site, { 'x.html': '<p>', 'sub/y.html.ibidem-new': 'half of wh' });
    await symlink(outside, join(site, 'out'));
    await symlink(join(folder, 'not yet'), join(site, 'dangling'));
    const connection = await openFolder(site);
    for (const path of ['out/new/a.png', 'dangling/a.png', 'dangling'])
      expect(await codeOf(connection.write(path, new Uint8Array()))).toBe('PATH_OUTSIDE');
    expect(await readdir(outside)).toEqual([]);
    expect(await connection.tidy?.()).toEqual(['sub/y.html.ibidem-new']);
    expect(await readdir(join(site, 'sub'))).toEqual([]);
  });

  it('tells a refusal of the system as what it is', async () => {
    const site = join(folder, 'refused');
    await writeFiles(site, { 'x.html': '<p>', 'folder/y.html': '<p>' });
    const connection = await openFolder(site);
    const refused = await connection
      .write('folder', new Uint8Array())
      .catch((error: unknown) => problemOf(error));
    expect(refused).toMatchObject({
      code: expect.stringMatching(/^SYSTEM_E/),
      what: 'folder was not written.',
    });
    expect(await codeOf(connection.write(`${'n'.repeat(300)}.html`, new Uint8Array()))).toBe(
      'SYSTEM_ENAMETOOLONG',
    );
  });

  it('names pages and sheets that are too large to be read, and reads the others', async () => {
    const site = join(folder, 'large');
    await writeFiles(site, { 'a.html': '', 'b.html': '<img src=a.png>', 's.css': '' });
    for (const name of ['a.html', 's.css']) await truncate(join(site, name), 60e6);
    const said: string[] = [];
    const reading = readSite(await openFolder(site), siteOfFiles(), 'rows', ({ path, reason }) => {
      said.push(`${path}: ${reason}`);
    });
    const pages = [];
    for await (const one of reading) if (one.kind === 'pages') pages.push(...one.pages);
    expect(pages.map(({ path }) => path)).toEqual(['b.html']);
    expect(said.sort()).toEqual([
      'a.html: It is larger than 50 MB, and was not read.',
      's.css: It is larger than 50 MB, and was not read.',
    ]);
  });

  it('is written whole files at a time, and never outside itself', async () => {
    const site = join(folder, 'written');
    await mkdir(site);
    const connection = await openFolder(site);
    await connection.write('new/deep/a.html', Buffer.from('one'));
    await connection.write('new/deep/a.html', Buffer.from('two'));
    expect(await snapshot(site)).toEqual({ 'new/deep/a.html': 'two' });
    expect(await readdir(join(site, 'new/deep'))).toEqual(['a.html']);
    await writeFile(join(site, 'new/deep/a.html.ibidem-new'), 'half of wh');
    expect((await connection.list()).files.map(({ path }) => path)).toEqual(['new/deep/a.html']);
    await connection.write('new/deep/a.html', Buffer.from('two'));
    expect(await readdir(join(site, 'new/deep'))).toEqual(['a.html']);
    await connection.remove('new/deep/a.html');
    await connection.remove('new/deep/a.html');
    expect(await snapshot(site)).toEqual({});
    for (const path of ['../out.html', '..', '', 'x/../../out.html']) {
      expect(await codeOf(connection.write(path, new Uint8Array()))).toBe('PATH_OUTSIDE');
    }
    expect(await codeOf(openFolder(join(folder, 'no such folder')))).toBe('FOLDER_MISSING');
  });
});

describe('a ZIP', () => {
  it('of which two files are broken is read but for these, where somebody is told', async () => {
    const words = Array.from({ length: 400 }, (_, n) => `<p>${(n * 7919) % 1000}`).join('');
    const bytes = await zipOf({
      'bad.css': `/* ${words} */ p { background: url(bad.jpg) }`,
      'bad.html': `${words}<img src=bad.jpg>`,
      'good.html': '<link rel=stylesheet href=bad.css><p><img src=good.jpg>',
    });
    for (const name of ['bad.css', 'bad.html'])
      bytes.fill(0xff, bytes.indexOf(name) + 20, bytes.indexOf(name) + 40);
    const connection = await openZip(await file('two-broken.zip', bytes));
    const unread: string[] = [];
    const read = [];
    const tell = ({ path }: { path: string }) => void unread.push(path);
    for await (const one of readSite(connection, siteOfFiles(), 'rows', tell))
      if (one.kind === 'pages') read.push(...one.pages.map(({ path }) => path));
    expect([read, unread]).toEqual([['good.html'], ['bad.css', 'bad.html']]);
    // Who tells nobody leaves nothing out.
    await expect(rowsOf(connection)).rejects.toThrow();
    const dying = { ...connection, read: () => Promise.reject(new Error('no memory')) };
    await expect(readSite(dying, siteOfFiles(), 'rows', tell).next()).rejects.toThrow('no memory');
    await connection.close();
  });

  it('reads as the folder it was made of', async () => {
    const { '.git/config.html': _left, ...packed } = FILES;
    const zip = await openZip(await file('site.zip', await zipOf(packed)));
    const same = await openFolder(join(folder, 'site'));
    const order = (rows: unknown[]) => rows.map((row) => JSON.stringify(row)).sort();
    expect(order(await rowsOf(zip))).toEqual(order(await rowsOf(same)));
    expect(await codeOf(zip.read('none.html'))).toBe('FILE_MISSING');
    await zip.close();
    expect(await isZipFile(join(folder, 'site.zip'))).toBe(true);
    expect(await isZipFile(join(folder, 'none.zip'))).toBe(false);
  });

  it('is unpacked with progress', async () => {
    const target = join(folder, 'unpacked');
    const seen: string[] = [];
    await unpackZip(
      await file('two.zip', await zipOf({ 'a.html': 'A', 'b/c.html': 'C' })),
      target,
      (done, total) => seen.push(`${done}/${total}`),
    );
    expect(await snapshot(target)).toEqual({ 'a.html': 'A', 'b/c.html': 'C' });
    expect(seen).toEqual(['1/2', '2/2']);
  });

  it.each([
    ['that is cut short', 'ZIP_BROKEN', (zip: Buffer) => zip.subarray(0, zip.length - 30)],
    ['that is no ZIP', 'ZIP_BROKEN', () => Buffer.from('hello')],
    ['that is empty', 'ZIP_BROKEN', () => Buffer.alloc(0)],
    ['whose entry leads out of it', 'ZIP_PATH', (zip: Buffer) => renamed(zip, '../evil.html')],
    ['whose entry is absolute', 'ZIP_PATH', (zip: Buffer) => renamed(zip, '/a/evil.html')],
  ])('%s is refused, and nothing is unpacked', async (_name, code, spoil) => {
    const good = await zipOf({ 'aa/evil.html': 'x'.repeat(100) });
    const place = await file('bad.zip', spoil(good));
    const target = join(folder, 'never');
    await mkdir(target, { recursive: true });
    expect(await codeOf(unpackZip(place, target))).toBe(code);
    expect(await readdir(target)).toEqual([]);
    expect(await codeOf(readFile(join(folder, 'evil.html')))).toBe('UNEXPECTED');
  });

  it('that unpacks to a thousand times its size is refused', async () => {
    const place = await file('bomb.zip', await zipOf({ 'a.html': '0'.repeat(30_000_000) }));
    expect(await codeOf(openZip(place))).toBe('ZIP_TOO_LARGE');
    const many = Object.fromEntries(
      Array.from({ length: 24 }, (_, n) => [`${n}.html`, '0'.repeat(9_000_000)]),
    );
    expect(await codeOf(openZip(await file('bombs.zip', await zipOf(many))))).toBe('ZIP_TOO_LARGE');
  });

  it('that can’t be unpacked names no folder of Ibidem’s', async () => {
    const place = await file('school.zip', await zipOf({ 'a.html': 'A' }));
    const target = join(folder, 'taken');
    await writeFile(target, 'a file where the folder would be');
    const problem = problemOf(await unpackZip(place, target).catch((error: unknown) => error));
    expect(problem.code).toMatch(/^SYSTEM_/);
    expect(JSON.stringify(problem)).not.toContain(folder);
  });
});

/** The ZIP of one entry `aa/evil.html` under another name of the same length. */
function renamed(zip: Buffer, name: string): Buffer {
  return Buffer.from(zip.toString('latin1').replaceAll('aa/evil.html', name), 'latin1');
}
