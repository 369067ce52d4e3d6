/** Pages that would end their reader: each is read as far as it goes, and the pages beside it whole. */
import { describe, expect, it } from 'vitest';
import { siteOfFiles } from '@/core/address/resolve-address';
import { readBatch } from '@/server/reading/read-batch';
import { shared, sourceShelf, type SharedSource } from '@/server/reading/source-shelf';

const site = siteOfFiles();
const GOOD = '<!doctype html><img src="good.png" alt="">';

function placementsOf(pages: Readonly<Record<string, string>>, sheets: readonly SharedSource[] = []) {
  const bytes = Object.entries(pages).map(([path, text]) => ({ path, bytes: Buffer.from(text) }));
  const found = readBatch(bytes, 'rows', { site, shelf: sourceShelf(sheets, site) });
  return Object.fromEntries(found.map(({ path, placements, problem }) => [path, problem ?? placements]));
}

describe('a page is read', () => {
  it.each([
    [
      'with 200,000 entries of structured data',
      `<script type="application/ld+json">[${'{"image":"a.png"},'.repeat(200_000)}{"image":"b.png"}]</script>`,
      200_001,
    ],
    [
      'with 20,000 nested conditions',
      `<style>${'@media all{'.repeat(20_000)}p{background:url(a.png)}</style><p>`,
      0,
    ],
    ['with 50,000 nested rules', `<style>${'p{'.repeat(50_000)}background:url(a.png)</style><p>`, 0],
    [
      'with a sheet after one that is too deep',
      `<style>${'p{'.repeat(9000)}${'}'.repeat(9000)} b{background:url(a.png)}</style><b>`,
      1,
    ],
    ['nested 100,000 deep', `${'<div>'.repeat(100_000)}<img src=a.png>`, 1],
    [
      'with 100,000 attributes',
      `<img src=a.png ${Array.from({ length: 100_000 }, (_, n) => `a${n}=1`).join(' ')}>`,
      1,
    ],
    ['with an address of 5 MB', `<img src="${'a'.repeat(5_000_000)}.png">`, 1],
  ])('%s', (_name, page, expected) => {
    expect(placementsOf({ 'bad.html': page, 'good.html': GOOD })).toEqual({
      'bad.html': expected,
      'good.html': 1,
    });
  });

  it('whatever it is dressed by: 20,000 rules over 3,000 paragraphs end', () => {
    const rules = Array.from(
      { length: 20_000 },
      (_, n) => `p:nth-child(${n + 1}):not(.x${n}){background:url(${n}.png)}`,
    );
    const sheet = {
      path: 's.css',
      bytes: shared(Buffer.from(rules.join(''))),
      role: 'sheet',
      httpCharset: null,
    } as const;
    const page = `<link rel=stylesheet href=s.css>${'<p>x</p>'.repeat(3000)}<img src=a.png>`;
    const found = placementsOf({ 'bad.html': page, 'good.html': GOOD }, [sheet]);
    expect(found['good.html']).toBe(1);
    expect(found['bad.html']).toBeGreaterThan(0);
  });
});
