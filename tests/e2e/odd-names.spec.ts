import fc from 'fast-check';
import { headPlacesOf, oddName, placesOf } from '../fixtures/odd-names';
import { swapped } from '../fixtures/swapped-page';
import { expect, test } from './test';

/** Kinds that a browser does not fetch by itself. */
const NOT_FETCHED = /^(?:link|lazy|noscript|meta|icon|JSON-LD)/u;
/** Kinds of which a page has one: the next rule for the same element would do away with the one before. */
const ONE_A_PAGE = /^style element/u;
const ORIGIN = 'http://names.example';

test('a browser asks for the new picture wherever it was put in, whatever the names', async ({ page }) => {
  const pages = new Map<string, string>();
  let asked: string[] = [];
  await page.route('**', (route) => {
    const url = route.request().url();
    const html = pages.get(url);
    if (html !== undefined) return route.fulfill({ contentType: 'text/html; charset=utf-8', body: html });
    asked.push(decodeURIComponent(new URL(url).pathname.slice(1)));
    return route.fulfill({ contentType: 'image/svg+xml', body: '<svg xmlns="http://www.w3.org/2000/svg"/>' });
  });
  /** Opens a page of its own address, and waits until it has asked for all of these. */
  const opened = async (name: string, html: string, wanted: readonly string[]) => {
    const url = `${ORIGIN}/${encodeURIComponent(name)}`;
    pages.set(url, html);
    asked = [];
    await page.goto(url, { waitUntil: 'load' });
    await expect
      .poll(() => asked, { message: `${name}: ${html}`, timeout: 180_000 })
      .toEqual(expect.arrayContaining([...wanted]));
  };

  const names = fc
    .sample(fc.tuple(oddName, oddName), { numRuns: 8, seed: 20 })
    .map(([folder, file]) => `${folder}/${file}.png`);
  const placesByName = names.map((old) => new Map([...placesOf(old), ...headPlacesOf(old)]));
  const kinds = [...(placesByName[0]?.keys() ?? [])].filter((kind) => !NOT_FETCHED.test(kind));
  expect(kinds.length).toBeGreaterThan(15);
  for (const kind of kinds) {
    const together = ONE_A_PAGE.test(kind) ? names.map((_, n) => [n]) : [names.map((_, n) => n)];
    for (const some of together) {
      const olds = some.map((n) => names[n] ?? '');
      const markup = some.map((n) => placesByName[n]?.get(kind) ?? '').join('\n');
      const before = `<!doctype html><meta charset="utf-8"><p class="a">1</p><p class="b">2</p>${markup}`;
      await opened(`${kind} ${some.join()} before`, before, olds);
      let text = before;
      const put: string[] = [];
      for (const old of olds) {
        const now = swapped(text, old);
        text = now.text;
        put.push(...now.paths);
      }
      expect(put.length, kind).toBe(olds.length);
      await opened(`${kind} ${some.join()} after`, text, put);
      expect(
        asked.filter((path) => olds.includes(path)),
        kind,
      ).toEqual([]);
    }
  }
});
