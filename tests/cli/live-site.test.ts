/** The command line on a site that is given by its address. */
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { standIn, type StandInServer } from '../fixtures/stand-in-server';
import { rowsOf } from '../fixtures/run-ibidem';
import { runHere } from '../fixtures/run-program';
import { flatPicture } from '../fixtures/write-site';

let server: StandInServer;
let folder: string;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-live-'));
  await writeFile(join(folder, 'new.jpg'), await flatPicture(300, 200));
  server = await standIn({
    '/': '<title>Home</title><link rel=stylesheet href=/s.css><img src="/img/old.jpg?v=3" alt="x"><a href="a.html">a</a><a href="/gone.html">g</a>',
    '/a.html': '<img src="img/old.jpg" alt="y"><a href="b.html">b</a>',
    '/b.html': '<img src="img/lost.jpg" alt="A lost one"><img src="img/shy.jpg" alt="A shy one">',
    '/s.css': 'body{background:url(img/old.jpg)} i{background:url(img/none.png)}',
    '/img/old.jpg': { body: await flatPicture(60, 40) },
    '/img/shy.jpg': { status: 403 },
  });
});
afterAll(async () => {
  await server.close();
  await rm(folder, { recursive: true, force: true });
});

describe('ibidem read of an address', () => {
  it('prints the rows of every page, and says what it could not read', async () => {
    const { code, out, err } = await runHere('read', `${server.origin}/`, '--allow-private');
    expect(code).toBe(0);
    const found = rowsOf(out).map(({ page, source, url, dormant }) => `${page} ${source} ${url} ${dormant}`);
    expect(found.sort()).toEqual([
      'a.html a.html img/old.jpg false',
      'b.html b.html img/lost.jpg false',
      'b.html b.html img/shy.jpg false',
      'index.html index.html img/old.jpg false',
      'index.html s.css img/old.jpg false',
      's.css s.css img/none.png true',
    ]);
    expect(err).toContain('/gone.html: The server has nothing there (404).');
  });

  it('reads no more pages than asked for', async () => {
    const { out, err } = await runHere('read', `${server.origin}/`, '--allow-private', '--max-pages', '1');
    expect(new Set(rowsOf(out).map(({ page }) => page))).toEqual(new Set(['index.html', 's.css']));
    expect(err).toContain('ended after 1 pages');
  });

  it.each([
    ['a private address that nobody allowed', [], /inside the house/],
    ['no number of pages', ['--allow-private', '--max-pages', '0'], /whole number above 0/],
  ])('refuses %s', async (_name, options, said) => {
    const { code, out, err } = await runHere('read', `${server.origin}/`, ...options);
    expect([code, out]).toEqual([2, '']);
    expect(err).toMatch(said);
  });
});

describe('ibidem check of an address', () => {
  it('looks for the pictures that pages name, and calls missing what the server does not have, not what it fails to give', async () => {
    const { out, err } = await runHere('check', `${server.origin}/`, '--allow-private');
    const missing = rowsOf(out).filter(({ rule }) => rule === 'file/missing');
    expect(missing.map(({ url }) => url)).toEqual(['img/lost.jpg']);
    expect(err).toContain(
      'img/shy.jpg is passed over: img/shy.jpg could not be read. The server does not show it',
    );
  });
});

describe('ibidem swap of an address', () => {
  it('writes the whole site with the picture swapped, pages and sheets alike', async () => {
    const out = join(folder, 'out');
    const { code, err } = await runHere(
      'swap',
      `${server.origin}/`,
      '--allow-private',
      '--from',
      'img/old.jpg',
      '--to',
      join(folder, 'new.jpg'),
      '--out',
      out,
    );
    expect([code, err]).toEqual([
      0,
      'ibidem: img/shy.jpg is left out: The server does not show it to everybody (403).\n',
    ]);
    expect(await readFile(join(out, 'index.html'), 'utf8')).toMatch(
      /<img src="\/img\/new-60x40\.jpg" alt="x">/,
    );
    expect(await readFile(join(out, 's.css'), 'utf8')).toMatch(
      /^body\{background:url\(img\/new[\w-]*\.jpg\)\} i\{background:url\(img\/none\.png\)\}$/,
    );
    expect((await readFile(join(out, 'img/old.jpg'))).length).toBeGreaterThan(100);
  });
});
