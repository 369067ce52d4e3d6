import fc from 'fast-check';
import { headPlacesOf, oddName, placesOf } from '../fixtures/odd-names';
import { swapped } from '../fixtures/swapped-page';
import { expect, test } from './test';

/** Kinds that a browser does not fetch by itself. */
const NOT_FETCHED = /^(?:link|lazy|noscript|meta|icon|JSON-LD)/u;
const ORIGIN = 'http://names.example';

test('a browser asks for the new picture wherever it was put in, whatever the names', async ({ page }) => {
  const pictures = new Map<string, string>();
  let asked: string[] = [];
  await page.route('**', (route) => {
    const url = route.request().url();
    const html = pictures.get(url);
    if (html !== undefined) return route.fulfill({ contentType: 'text/html; charset=utf-8', body: html });
    asked.push(decodeURIComponent(new URL(url).pathname.slice(1)));
    return route.fulfill({ contentType: 'image/svg+xml', body: '<svg xmlns="http://www.w3.org/2000/svg"/>' });
  });
  const names = fc.sample(fc.tuple(oddName, oddName), { numRuns: 6, seed: 20 });
  for (const [n, [folder, file]] of names.entries()) {
    const old = `${folder}/${file}.png`;
    const places = [...placesOf(old), ...headPlacesOf(old)].filter(([kind]) => !NOT_FETCHED.test(kind));
    for (const [kind, markup] of places) {
      const before = `<!doctype html><meta charset="utf-8"><p class="a">1</p><p class="b">2</p>${markup}`;
      const { text, paths } = swapped(before, old);
      const url = `${ORIGIN}/${n}-${encodeURIComponent(kind)}`;
      for (const [html, wanted] of [
        [before, old],
        [text, paths[0]],
      ] as const) {
        pictures.set(url, html);
        asked = [];
        await page.goto(url, { waitUntil: 'load' });
        await expect.poll(() => asked, { message: `${kind}: ${html}`, timeout: 180_000 }).toContain(wanted);
      }
      expect(asked, kind).not.toContain(old);
    }
  }
});
