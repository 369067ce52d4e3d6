/** Pictures come in over a bad line, and all of them, once each. */
import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import { CHOSEN, lines, useArriving } from './arriving';
import { look } from './look';
import { signInAs } from './sign-in';

const SCHOOL = '/s/ferndrake-community-music-school';
const kept = useArriving();
/** A file of some megabytes that compresses no further. */
const grain = (seed: number, side: number) =>
  sharp({ create: { width: side, height: side, channels: 3, background: { r: seed * 9, g: 90, b: 120 }, noise: { type: 'gaussian', mean: 128, sigma: 50 } } }).jpeg({ quality: 92 }).toBuffer(); // prettier-ignore

test('twenty files arrive though the line is cut three times and the window closed once: all of them, once each', async ({
  page,
}) => {
  page.setDefaultTimeout(30_000);
  const files: string[] = [];
  let bytes = 0;
  for (let n = 0; n < 20; n++) {
    const grainy = await grain(n, n < 3 ? 2600 : 1100);
    bytes += grainy.length;
    files.push(await kept(`grain ${String(n).padStart(2, '0')}.jpg`, grainy));
  }
  expect(bytes).toBeGreaterThan(30e6);
  await signInAs(page, 'Maud Kestle');
  await page.goto(`${SCHOOL}/intake`);
  await expect(page.getByText('Nothing has arrived yet')).toBeVisible();
  let pieces = 0;
  await page.route('**/intake/upload/*', async (route) => {
    if (route.request().method() !== 'PATCH') return route.continue();
    pieces++;
    if ([2, 5, 9].includes(pieces)) return route.abort('connectionreset');
    // From here on nothing arrives any more, until the window is closed.
    return pieces > 12 ? undefined : route.continue();
  });
  await page.getByLabel(CHOSEN).setInputFiles(files);
  await expect(page.getByRole('status').filter({ hasText: /of 20 files arrived/ })).toBeVisible();
  await expect.poll(() => pieces, { timeout: 60_000 }).toBeGreaterThan(12);
  const { context } = { context: page.context() };
  await page.close();

  const again = await context.newPage();
  again.setDefaultTimeout(30_000);
  await again.goto(`${SCHOOL}/intake`);
  await expect(again.getByText(/did not arrive whole/)).toBeVisible();
  await look(again, 'intake-half');
  await again.getByLabel(CHOSEN).setInputFiles(files);
  await expect(lines(again)).toHaveCount(20);
  const told = await lines(again).allInnerTexts();
  expect(new Set(told.map((text) => /grain \d\d\.jpg/.exec(text)?.[0])).size).toBe(20);
  await expect(again.getByText(/did not arrive whole/)).toHaveCount(0);
  await expect(again.getByText('is being looked at …')).toHaveCount(0);
  await again.getByRole('button', { name: 'Put the note aside' }).click();
  await expect(again.getByText('Nothing has arrived yet')).toBeVisible();
});
