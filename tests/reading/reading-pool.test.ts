/** The same pages, read in this process and in threads, and dressed by sheets whose encoding depends on the page. */
import { describe, expect, it } from 'vitest';
import { siteOfFiles } from '@/core/address/resolve-address';
import { openReadingPool } from '@/server/reading/reading-pool';
import { shared, sourceShelf, type SharedSource } from '@/server/reading/source-shelf';
import type { PageBytes, ReadAs } from '@/server/reading/read-batch';

const site = siteOfFiles();
const latin1 = (text: string) => Uint8Array.from(Buffer.from(text, 'latin1'));

const sheet = (path: string, text: string, httpCharset: string | null = null): SharedSource => ({
  path,
  bytes: shared(latin1(text)),
  role: 'sheet',
  httpCharset,
});

const sources: readonly SharedSource[] = [
  sheet('s.css', 'body{background:url(caf\xe9.png)} .nobody{background:url(none.png)}'),
  {
    path: 'm.webmanifest',
    bytes: shared(latin1('{"icons":[{"src":"i.png"}]}')),
    role: 'manifest',
    httpCharset: null,
  },
];

async function* pages(count: number): AsyncGenerator<PageBytes> {
  for (let n = 0; n < count; n++) {
    const text = `<meta charset=windows-1252><link rel=stylesheet href=/s.css><link rel=manifest href=/m.webmanifest><title>${n}</title><img src="p${n}.jpg" alt="caf\xe9 ${n}">`;
    yield { path: `p${n}.html`, bytes: latin1(text) };
  }
}

async function readAll(expected: number, as: ReadAs) {
  const pool = await openReadingPool(site, sources, expected, 2);
  const found = [];
  for await (const batch of pool.read(pages(90), as)) found.push(...batch);
  await pool.close();
  return found;
}

describe('openReadingPool', () => {
  it.each<ReadAs>(['rows', 'records'])(
    'gives the same %s in the same order with threads and without',
    async (as) => {
      const alone = await readAll(90, as);
      const many = await readAll(100_000, as);
      expect(many).toEqual(alone);
      expect(alone.map(({ title }) => title)).toEqual(Array.from({ length: 90 }, (_, n) => String(n)));
      expect(alone[7]).toMatchObject({ path: 'p7.html', encoding: 'windows-1252', placements: 3 });
      expect(alone[7]?.json).toContain('"alt":"café 7"');
      expect(alone[7]?.dressing).toEqual(['s.css', 'm.webmanifest']);
    },
  );

  it('tells the first failure, and ends', async () => {
    const pool = await openReadingPool(site, sources, 100_000, 2);
    const broken = async function* (): AsyncGenerator<PageBytes> {
      yield { path: 'a.html', bytes: latin1('<p>') };
      throw new Error('the disk is gone');
    };
    const reading = async () => {
      for await (const batch of pool.read(broken(), 'rows')) expect(batch).toHaveLength(1);
    };
    await expect(reading()).rejects.toThrow('the disk is gone');
    await pool.close();
  });
});

describe('sourceShelf', () => {
  const value = (shelf: ReturnType<typeof sourceShelf>, path: string, environment?: string) =>
    shelf.sheetOf(path, environment)?.reading.references[0]?.value;

  it.each([
    [
      'the page’s encoding, where the sheet declares none',
      'p{background:url(\xe9.png)}',
      null,
      'windows-1252',
      'é.png',
    ],
    ['windows-1252 without one', 'p{background:url(\xe9.png)}', null, undefined, 'é.png'],
    ['UTF-8 if the page is in it', 'p{background:url(\xe9.png)}', null, 'utf-8', '\ufffd.png'],
    ['UTF-8 if it is written so', 'p{background:url(\xc3\xa9.png)}', null, 'windows-1252', 'é.png'],
    [
      'its own declaration before the page’s',
      '@charset "windows-1252";p{background:url(\xe9.png)}',
      null,
      'utf-8',
      'é.png',
    ],
    [
      'what the server says before everything',
      'p{background:url(\xe9.png)}',
      'iso-8859-2',
      'windows-1252',
      'é.png',
    ],
  ])('takes %s', (_name, text, httpCharset, environment, expected) => {
    expect(value(sourceShelf([sheet('s.css', text, httpCharset)], site), 's.css', environment)).toBe(
      expected,
    );
  });

  it('reads a sheet once for all pages, and tells a manifest from a sheet', () => {
    const shelf = sourceShelf(sources, site);
    expect(shelf.sheetOf('s.css', 'windows-1252')).toBe(shelf.sheetOf('s.css', 'windows-1252'));
    expect(shelf.manifestOf('m.webmanifest')?.pictures.map(({ value: src }) => src)).toEqual(['i.png']);
    expect([shelf.sheetOf('m.webmanifest'), shelf.manifestOf('s.css'), shelf.sheetOf('none.css')]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    expect(shelf.sheets().map(({ path }) => path)).toEqual(['s.css']);
  });
});
