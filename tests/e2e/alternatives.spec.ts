/**
 * What is said of text alternatives beside what an accessibility engine says in a browser: the unit tests hold the rules
 * to the same answers.
 */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import {
  HIDDEN,
  MISSING,
  NAMED_BUTTONS,
  NAMED_LINKS,
  NAMELESS_BUTTONS,
  NAMELESS_LINKS,
  THERE,
} from '../../src/core/errata/text-alternatives.cases';
import { PICTURE_RULES } from '../fixtures/picture-rules';
import { expect, test } from './test';

const PAGE = 'http://pages.invalid/x.html';
const ONE_PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

/** Of some pieces of markup those in which the engine finds fault by one of the rules; all lie on one page. */
async function faulty(page: Page, pieces: readonly string[], rules: string[]): Promise<string[]> {
  // Of two maps of one name the first would serve for both.
  const sections = pieces.map(
    (piece, n) => `<section data-piece="${n}">${piece.replace(/"(#?)m"/gu, `"$1m${n}"`)}</section>`,
  );
  const body = `<!doctype html><html lang="en"><title>Page</title><main><h1 id="h1">Head</h1>${sections.join('')}</main>`;
  await page.route('http://pages.invalid/**', (route) =>
    route.request().url() === PAGE
      ? route.fulfill({ contentType: 'text/html', body })
      : route.fulfill({ contentType: 'image/png', body: ONE_PIXEL }),
  );
  await page.goto(PAGE);
  const { violations, incomplete } = await new AxeBuilder({ page }).withRules(rules).analyze();
  expect(incomplete.map(({ id }) => id)).toEqual([]);
  const elements = violations.flatMap(({ nodes }) => nodes.map(({ target }) => String(target[0])));
  const numbers = await page.evaluate(
    (selectors) =>
      selectors.map((one) => Number(document.querySelector(one)?.closest('section')?.dataset['piece'])),
    elements,
  );
  return pieces.filter((_, n) => numbers.includes(n));
}

test('pictures without a text alternative are those that the engine finds', async ({ page }) => {
  expect(await faulty(page, [...MISSING, ...THERE, ...HIDDEN], PICTURE_RULES)).toEqual(MISSING);
});

test('links without a name are those that the engine finds', async ({ page }) => {
  expect(await faulty(page, [...NAMELESS_LINKS, ...NAMED_LINKS], ['link-name'])).toEqual(NAMELESS_LINKS);
});

test('buttons without a name are those that the engine finds', async ({ page }) => {
  // The engine asks for the name of what is a button by its role alone under another rule.
  const rules = ['button-name', 'aria-command-name'];
  expect(await faulty(page, [...NAMELESS_BUTTONS, ...NAMED_BUTTONS], rules)).toEqual(NAMELESS_BUTTONS);
});
