import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { cp, mkdtemp, readFile, rm, symlink, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ibidem, rowsOf } from '../fixtures/run-ibidem';
import { runHere } from '../fixtures/run-program';
import { flatPicture, snapshot, writeFiles } from '../fixtures/write-site';

let folder: string;
let site: string;
let picture: string;

const latin1 = (text: string) => Buffer.from(text, 'latin1');

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-cli-'));
  site = join(folder, 'site');
  picture = join(folder, 'New Picture é.jpg');
  await writeFiles(site, {
    'index.html':
      '<!doctype html><meta charset=utf-8>\n<link rel=stylesheet href=css/s.css>\n<p class=k>é 🎻 <img alt="A &amp; b" src="img/old.png"></p>\n',
    'news/old.html': latin1(
      '<META HTTP-EQUIV=Content-Type CONTENT="text/html; charset=windows-1252">\r\n<P>\x93caf\xe9\x94 <IMG SRC=../img/old.png WIDTH=30>\r\n<IMG SRC="../img/Old.png">\r\n',
    ),
    'news/broken.html': latin1('<meta charset=utf-8>\xff\xfe caf\xe9 <a href="/img/old.png">x</a>'),
    'css/s.css':
      '@charset "utf-8";\n.k { background: url("../img/old.png?v=1") }\n.none { background: url(../img/none.png) }\n',
    'img/old.png': await flatPicture(60, 40, 'png'),
  });
  await writeFile(picture, await flatPicture(640, 480));
});

afterAll(() => rm(folder, { recursive: true, force: true }));

describe('bin/ibidem', () => {
  it.each([
    ['all is well', ['read'], 0],
    ['something was found that it was to fail on', ['check', '--rule', 'alt/absent', '--fail-on', 'must'], 1],
    ['what is asked for can’t be used', ['check', '--rule', 'alt/none'], 2],
    ['there is no such option', ['read', '--every'], 2],
  ])('writes the same and ends the same as what is tested here, where %s', async (_name, given, code) => {
    const [command = '', ...options] = given;
    const args = [command, site, ...options];
    const ran = await ibidem(...args);
    expect(ran.code).toBe(code);
    expect(ran).toEqual(await runHere(...args));
  });

  it('is no failure where its reader has seen enough', async () => {
    const child = spawn('bin/ibidem', ['read', site], { stdio: ['ignore', 'pipe', 'pipe'] });
    child.stdout.destroy();
    const told: string[] = [];
    child.stderr.on('data', (text: Buffer) => told.push(text.toString()));
    expect(await once(child, 'close')).toEqual([0, null]);
    expect(told).toEqual([]);
  });
});

describe('ibidem read', () => {
  it('prints a row a placement with all its columns', async () => {
    const { code, out, err } = await runHere('read', site);
    expect([code, err]).toEqual([0, '']);
    const rows = rowsOf(out);
    expect(Object.keys(rows[0] ?? {})).toEqual([
      'page',
      'source',
      'kind',
      'raw',
      'url',
      'line',
      'column',
      'start',
      'end',
      'alt',
      'name',
      'caption',
      'link',
      'decorative',
      'dormant',
    ]);
    expect(rows.map(({ page, source, kind, url, dormant }) => [page, source, kind, url, dormant])).toEqual([
      ['index.html', 'index.html', 'img', 'img/old.png', false],
      ['index.html', 'css/s.css', 'css', 'img/old.png', false],
      ['news/broken.html', 'news/broken.html', 'link', 'img/old.png', false],
      ['news/old.html', 'news/old.html', 'img', 'img/old.png', false],
      ['news/old.html', 'news/old.html', 'img', 'img/Old.png', false],
      ['css/s.css', 'css/s.css', 'css', 'img/none.png', true],
    ]);
    expect(rows[0]).toMatchObject({ alt: 'A & b', name: 'A & b', line: 3, raw: 'img/old.png' });
    const text = await readFile(join(site, 'index.html'), 'utf8');
    expect(text.slice(Number(rows[0]?.['start']), Number(rows[0]?.['end']))).toBe('img/old.png');
  });

  it.each([
    ['a folder that is not there', () => join(folder, 'none'), /There is no folder/],
    ['a file that is no ZIP', () => picture, /is not a site/],
    ['a folder without pages', () => join(site, 'img'), /No page was found/],
    ['an address inside the house', () => 'http://127.0.0.1:1/', /was not asked/],
  ])('refuses %s with what, why and what to do', async (_name, place, message) => {
    const { code, out, err } = await runHere('read', place());
    expect([code, out]).toEqual([2, '']);
    expect(err).toMatch(message);
    expect(err.split('. ').length).toBeGreaterThanOrEqual(3);
  });
});

describe('a site with links of the disk', () => {
  it('is said to have them; a source under two addresses is changed once, and both show the new picture', async () => {
    const linked = join(folder, 'linked');
    await writeFiles(linked, {
      'a/x.html': '<img src="old.png" width=30><img src="what%3F%23.png">',
      'a/old.png': await flatPicture(60, 40, 'png'),
      'a/what?#.png': await flatPicture(60, 40, 'png'),
      'index.html': '<img src="b/old.png" width=30>',
    });
    await symlink('a', join(linked, 'b'));
    await symlink('/etc', join(linked, 'out'));
    const read = await runHere('read', linked);
    expect(read.err).toBe(
      'ibidem: out: a link that leads nowhere or out of the site\nibidem: b: the same as a, through a link\n',
    );
    expect(rowsOf(read.out).map(({ page, url }) => `${String(page)} ${String(url)}`)).toEqual([
      'a/x.html a/old.png',
      'a/x.html a/what?#.png',
      'b/x.html b/old.png',
      'b/x.html b/what?#.png',
      'index.html b/old.png',
    ]);
    const out = join(folder, 'linked-out');
    const swap = await runHere('swap', linked, '--from', 'b/old.png', '--to', picture, '--out', out);
    expect(rowsOf(swap.out).map(({ source }) => source)).toEqual(['a/x.html', 'index.html']);
    const shown = rowsOf((await runHere('read', out)).out).map(({ url }) => url);
    expect(shown.filter((url) => url === 'b/new-picture-e-60x40.jpg')).toHaveLength(2);
    expect(shown).not.toContain('b/old.png');
    const other = await runHere('swap', linked, '--from', 'a/what?#.png', '--to', picture, '--dry-run');
    expect(rowsOf(other.out)).toMatchObject([{ was: 'what%3F%23.png', becomes: 'new-picture-e-60x40.jpg' }]);
  });
});

describe('ibidem swap and apply', () => {
  it('change only the named characters, and the inverse gives the same bytes', async () => {
    const before = await snapshot(site);
    const out = join(folder, 'out');
    const swap = await runHere('swap', site, '--from', 'img/old.png', '--to', picture, '--out', out);
    expect([swap.code, swap.err]).toEqual([0, '']);
    const rows = rowsOf(swap.out);
    expect(Object.keys(rows[0] ?? {})).toEqual([
      'page',
      'source',
      'start',
      'end',
      'was',
      'becomes',
      'expects',
    ]);
    const after = await snapshot(out);
    expect(await snapshot(site)).toEqual(before);
    expect(after['index.html']).toBe(
      before['index.html']?.replace('img/old.png', 'img/new-picture-e-60x40.jpg'),
    );
    expect(after['news/old.html']).toBe(
      before['news/old.html']?.replace('../img/old.png', '../img/new-picture-e-60x40.jpg'),
    );
    expect(after['news/broken.html']).toBe(
      before['news/broken.html']?.replace('/img/old.png', '/img/new-picture-e.jpg'),
    );
    expect(after['css/s.css']).toBe(
      before['css/s.css']?.replace('../img/old.png?v=1', '../img/new-picture-e-60x40.jpg'),
    );
    expect(after['img/old.png']).toBe(before['img/old.png']);

    const edits = join(folder, 'edits.jsonl');
    await writeFile(edits, swap.out);
    const applied = join(folder, 'applied');
    expect(await runHere('apply', site, edits, '--out', applied)).toMatchObject({ code: 0, err: '' });
    const pages = Object.entries(await snapshot(applied)).filter(([path]) => !path.startsWith('img/'));
    expect(pages).toEqual(Object.entries(after).filter(([path]) => !path.startsWith('img/')));

    const { createHash } = await import('node:crypto');
    const shifts = new Map<string, number>();
    const inverse = rows.map((row) => {
      const source = String(row['source']);
      const start = Number(row['start']) + (shifts.get(source) ?? 0);
      const [was, becomes] = [String(row['becomes']), String(row['was'])];
      shifts.set(source, (shifts.get(source) ?? 0) + was.length - becomes.length);
      const expects = createHash('sha256')
        .update(latin1(after[source] ?? ''))
        .digest('hex');
      return JSON.stringify({ ...row, start, end: start + was.length, was, becomes, expects });
    });
    await writeFile(edits, inverse.join('\n'));
    const back = join(folder, 'back');
    expect(await runHere('apply', applied, edits, '--out', back)).toMatchObject({ code: 0, err: '' });
    expect(await snapshot(back)).toEqual(before);
  });

  it('prints a diff or the edits without writing', async () => {
    const diff = await runHere('swap', site, '--from', 'img/old.png', '--to', picture, '--diff');
    expect(diff.out).toContain('-<P>“café” <IMG');
    expect(diff.out.match(/^\+\+\+ /gm)).toHaveLength(4);
    const dry = await runHere('swap', site, '--from', 'img/old.png', '--to', picture, '--dry-run');
    expect(rowsOf(dry.out)).toHaveLength(4);
  });

  it('name a page that is too large to be read, where the old picture may go on standing', async () => {
    const large = await mkdtemp(join(folder, 'large-'));
    await cp(site, large, { recursive: true });
    await writeFile(join(large, 'dump.html'), '');
    await truncate(join(large, 'dump.html'), 60e6);
    const { code, out, err } = await runHere(
      ...['swap', large, '--from', 'img/old.png', '--to', picture, '--dry-run'],
    );
    expect([code, rowsOf(out).length, err]).toEqual([
      0,
      4,
      'ibidem: dump.html: It is larger than 50 MB, and was not read.\n',
    ]);
  });

  it.each([
    ['UTF-8', Buffer.from('/* Über – ß */ .a { background: url(img/grün.png) }\n')],
    ['windows-1252', latin1('/* \xdcber \x96 \xdf */ .a { background: url(img/gr\xfcn.png) }\n')],
  ])('change a sheet in %s that declares nothing once, though pages in two encodings link it', async (_name, sheet) => {
    const mixed = await mkdtemp(join(folder, 'mixed-'));
    const link = '<link rel=stylesheet href=s.css><p class=a>';
    await writeFiles(mixed, {
      's.css': sheet,
      'img/grün.png': await flatPicture(60, 40, 'png'),
      'new.html': `<meta charset=utf-8>${link}ü`,
      'old.html': latin1(`<meta charset=windows-1252>${link}\xfc`),
    });
    const { code, out, err } = await runHere('swap', mixed, '--from', 'img/grün.png', '--to', picture, '--dry-run');
    expect([code, err]).toEqual([0, '']);
    expect(rowsOf(out).map(({ source, was }) => [source, was])).toEqual([['s.css', 'img/grün.png']]);
  }); // oxfmt-ignore

  it.each([
    ['a picture that nothing shows', ['--from', 'img/nothing.png', '--diff'], /No placement shows/],
    ['no place to write to', ['--from', 'img/old.png'], /no --out folder/],
    ['a place inside the site', ['--from', 'img/old.png', '--out', 'SITE/new'], /inside the site/],
    ['a folder that is not empty', ['--from', 'img/old.png', '--out', 'FULL'], /holds 1 entries already/],
  ])('refuse %s', async (_name, args, message) => {
    await writeFiles(join(folder, 'full'), { 'x.txt': 'x' });
    const given = args.map((arg) => arg.replace('SITE', site).replace('FULL', join(folder, 'full')));
    const { code, err } = await runHere('swap', site, '--to', picture, ...given);
    expect(code).toBe(2);
    expect(err).toMatch(message);
  });

  it('say that the picture to come can’t be put in before a site is read for it', async () => {
    const nowhere = join(folder, 'nowhere');
    for (const [to, message] of [
      [join(site, 'index.html'), /index\.html” is not a picture/],
      [join(folder, 'none.png'), /none\.png can’t be read/],
    ] as const) {
      const { code, err } = await runHere('swap', nowhere, '--from', 'a.png', '--to', to, '--dry-run');
      expect(code).toBe(2);
      expect(err).toMatch(message);
    }
  });

  it.each([
    ['what is not JSON', 'hello', /Line 1 .* is not JSON/],
    ['what is no edit', '{"page":"x"}', /is not an edit/],
    ['edits of another version', '', /is not the file these edits were made for/],
  ])('refuse %s', async (_name, line, message) => {
    const edits = join(folder, 'bad.jsonl');
    const stale = JSON.stringify({
      page: 'index.html',
      source: 'index.html',
      start: 0,
      end: 0,
      was: '',
      becomes: 'x',
      expects: '0'.repeat(64),
    });
    await writeFile(edits, line || stale);
    const { code, err } = await runHere('apply', site, edits, '--out', join(folder, 'never'));
    expect(code).toBe(2);
    expect(err).toMatch(message);
  });

  it('refuse edits whose characters are not there, and write nothing', async () => {
    const copy = join(folder, 'copy');
    await cp(site, copy, { recursive: true });
    const { out } = await runHere('swap', site, '--from', 'img/old.png', '--to', picture, '--dry-run');
    const edits = join(folder, 'wrong.jsonl');
    await writeFile(edits, out.replace('"was":"img/old.png"', '"was":"img/xxx.png"'));
    const { code, err } = await runHere('apply', copy, edits, '--out', join(folder, 'nothing'));
    expect(code).toBe(2);
    expect(err).toContain('The change was made for');
  });
});
