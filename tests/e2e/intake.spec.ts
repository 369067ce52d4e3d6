/** Pictures come in over a bad line, and all of them, once each. */
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { stage } from '@demo/site/scenes';
import { CHOSEN, lines, useArriving } from './arriving';
import { expectAccessible, look } from './look';
import { memoryOfServer } from './server-memory';
import { signInAs } from './sign-in';
import { expect, test } from './test';

const SCHOOL = '/s/ferndrake-community-music-school';
const kept = useArriving();
/** A file of some megabytes that compresses no further. */
const grain = (seed: number, side: number) =>
  sharp({ create: { width: side, height: side, channels: 3, background: { r: (seed * 9) % 256, g: 90, b: 120 }, noise: { type: 'gaussian', mean: 128, sigma: 50 } } }).jpeg({ quality: 92 }).toBuffer(); // oxfmt-ignore

// In full: 200 files of 5 MB.
const [MANY, LARGE] = process.env['IBIDEM_UPLOADS'] === 'full' ? [200, 200] : [20, 3];
/** What the server's memory may grow by meanwhile, in bytes. */
const MOST_MEMORY = 300 * 1024 ** 2;

const mb = (bytes: number) => Math.round(bytes / 1024 ** 2);
/** The files of all lines: those that are far down are not laid out. */
async function namesOnNote(page: Page): Promise<string[]> {
  const answer = await page.request.get(`${SCHOOL}/intake/lines`);
  const { lines: all } = (await answer.json()) as { lines: { fileName: string }[] };
  return all.map(({ fileName }) => fileName);
}

test('many files arrive though the line is cut three times and the window closed once: all of them, once each', async ({
  page,
}) => {
  test.setTimeout(MANY * 45_000);
  const files: string[] = [];
  let bytes = 0;
  for (let n = 0; n < MANY; n++) {
    const grainy = await grain(n, n < LARGE ? 2600 : 1100);
    bytes += grainy.length;
    files.push(await kept(`grain ${String(n).padStart(3, '0')}.jpg`, grainy));
  }
  expect(bytes).toBeGreaterThan(30e6);
  await signInAs(page, 'Maud Kestle');
  await page.goto(`${SCHOOL}/intake`);
  await expect(page.getByText('Nothing has arrived yet')).toBeVisible();
  let pieces = 0;
  await page.route('**/intake/upload/*', async (route) => {
    if (route.request().method() !== 'PATCH') return route.continue();
    pieces++;
    // After twelve nothing arrives any more.
    return [2, 5, 9].includes(pieces) || pieces > 12 ? route.abort('connectionreset') : route.continue();
  });
  const before = await memoryOfServer();
  await page.getByLabel(CHOSEN).setInputFiles(files);
  await expect(page.getByRole('status').filter({ hasText: `of ${MANY} files arrived` })).toBeVisible();
  await expect.poll(() => pieces, { timeout: 180_000 }).toBeGreaterThan(12);
  const context = page.context();
  // While a window closes nothing stands in the way of its requests any more: one that is tried again just then would arrive.
  await context.setOffline(true);
  await page.close();
  await context.setOffline(false);

  const again = await context.newPage();
  await again.goto(`${SCHOOL}/intake`);
  await expect(again.getByText(/did not arrive whole/)).toBeVisible();
  await look(again, 'intake-half');
  await again.getByLabel(CHOSEN).setInputFiles(files);
  let most = 0;
  let names: string[] = [];
  await expect(async () => {
    most = Math.max(most, await memoryOfServer());
    names = await namesOnNote(again);
    expect(names.length).toBe(MANY);
  }).toPass({ intervals: [500] });
  console.log(`${mb(most - before)} MB more of the server's memory, while ${mb(bytes)} MB arrived`);
  expect(most - before).toBeLessThan(MOST_MEMORY);
  expect(new Set(names).size).toBe(MANY);
  await expect(lines(again).first()).toHaveAttribute('aria-setsize', String(MANY));
  await expect(again.getByText(/did not arrive whole/)).toHaveCount(0);
  await expect(again.getByText('is being looked at …')).toHaveCount(0);
  await again.getByRole('button', { name: 'Put the note aside' }).click();
  await expect(again.getByText('Nothing has arrived yet')).toBeVisible();
});

test('a picture is turned, straightened, cropped and lit as the screen shows it, and its steps are changed later', async ({
  page,
}) => {
  const bytes = await sharp(Buffer.from(stage(47))).resize(1800, 1200).jpeg({ quality: 95 }).toBuffer(); // oxfmt-ignore
  await signInAs(page, 'Maud Kestle');
  await page.goto(`${SCHOOL}/intake`);
  await page.getByLabel(CHOSEN).setInputFiles(await kept('summer concert.jpg', bytes));
  await expect(lines(page)).toHaveCount(1);
  await page.getByRole('link', { name: 'Crop and correct' }).click();
  const steps = page.getByRole('list', { name: 'Steps' });
  await expect(page.getByText(/1,800 × 1,200 pixels, \d+ kB: the original/)).toBeVisible();

  await page.getByLabel('Degrees', { exact: true }).fill('2.5');
  await page.getByLabel('Shape').selectOption('16 : 9');
  await page.getByLabel('Brightness', { exact: true }).fill('25');
  await page.getByLabel('Warmth', { exact: true }).fill('-20');
  await expect(steps.getByText('2.5° to the right')).toBeVisible();
  await expect(steps.getByText('brightness +25, warmth −20')).toBeVisible();
  // The warmth is taken back, and done again; the brightness stays.
  await page.keyboard.press('Control+z');
  await expect(steps.getByText('brightness +25', { exact: true })).toBeVisible();
  await expect(page.getByLabel('Warmth', { exact: true })).toHaveValue('0');
  await page.keyboard.press('Control+y');
  await expect(steps.getByText('brightness +25, warmth −20')).toBeVisible();
  // Turned by keys, and back.
  await page.getByRole('button', { name: 'Show the original' }).focus();
  await page.keyboard.press(']');
  await expect(steps.getByText('a quarter to the right')).toBeVisible();
  await page.keyboard.press('[');
  await expect(steps.getByText('a quarter to the right')).toBeHidden();
  // What is cut out moves by its handle's keys.
  const width = Number(await page.getByLabel('Width', { exact: true }).inputValue());
  await page.getByRole('group', { name: /^What is cut out/ }).or(page.getByLabel(/^What is cut out/)).first().focus(); // oxfmt-ignore
  const top = Number(await page.getByLabel('Top', { exact: true }).inputValue());
  await page.keyboard.press('ArrowUp');
  await expect.poll(async () => Number(await page.getByLabel('Top', { exact: true }).inputValue())).toBeLessThan(top); // oxfmt-ignore
  await expect(page.getByLabel('Width', { exact: true })).toHaveValue(String(width));
  await page.getByLabel('Made smaller by').selectOption('by width');
  await page.getByLabel('Pixels').fill('1200');
  await expect(page.getByText(/1,200 × 675 pixels, about \d+ kB, JPEG/)).toBeVisible();
  await look(page, 'correct');
  await expectAccessible(page);
  const drawn = await page.locator('#result').evaluate((node) => {
    const canvas = node as HTMLCanvasElement;
    const { data } = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height) ?? { data: [] };
    return { width: canvas.width, height: canvas.height, data: [...data] };
  });
  // However the proof is left, what was not kept is there again, as one deed that can be taken back.
  await page
    .getByRole('navigation', { name: 'Index' })
    .getByRole('link', { name: /^Pictures/ })
    .click();
  await page.waitForURL(/\/pictures$/u);
  await page.goBack();
  await expect(page.getByText('The steps that you had not kept are here again')).toBeVisible();
  await page.goBack();
  await page.goForward();
  await expect(steps.getByText('brightness +25, warmth −20')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(steps.getByText('brightness +25, warmth −20')).toBeHidden();
  await page.keyboard.press('Control+y');
  await expect(page.getByText(/1,200 × 675 pixels, about \d+ kB, JPEG/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep it so' }).click();
  const line = lines(page).first();
  await expect(line.getByText(/, corrected/)).toBeVisible();
  const src = (await line.getByRole('img').or(line.locator('img')).first().getAttribute('src')) ?? '';
  const made = await (await page.request.get(`${src.split('?')[0]}?whole`)).body();
  const { data } = await sharp(made).resize(drawn.width, drawn.height, { fit: 'fill' }).removeAlpha().raw().toBuffer({ resolveWithObject: true }); // oxfmt-ignore
  const apart = data.map((level, n) => Math.abs(level - (drawn.data[Math.floor(n / 3) * 4 + (n % 3)] ?? 0)));
  const sum = apart.reduce((all, one) => all + one, 0);
  expect(sum / apart.length).toBeLessThan(2);

  // Opened again, the steps are there, kept and not left over; struck out, what came is there again.
  await line.getByRole('link', { name: 'Crop and correct' }).click();
  await expect(steps.getByText('2.5° to the right')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  for (const step of ['Straighten', 'Crop', 'Light', 'Size'])
    await page.getByRole('button', { name: `Strike out “${step}”` }).click();
  await expect(page.getByText(/1,800 × 1,200 pixels, \d+ kB: the original/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(line.getByText(/1,800 × 1,200/)).toBeVisible();
  await page.getByRole('button', { name: 'Put the note aside' }).click();
  await expect(page.getByText('Nothing has arrived yet')).toBeVisible();
});

test('a note of a thousand lines is laid out where it is in view, and keeps what is being typed', async ({
  page,
}) => {
  const line = (n: number) => ({
    ...{ id: n, sha256: '0'.repeat(64), fileName: `p${n}.jpg`, entry: '', title: `Photograph ${n}` },
    ...{
      alt: '',
      caption: '',
      credit: '',
      folder: '',
      tags: [],
      widthPx: 4000,
      heightPx: 3000,
      sizeBytes: 4e6,
    },
    ...{ takenYear: 2026, source: null, findings: [], isChecked: false, isStruck: false, isRevised: false },
    format: 'jpeg',
  });
  const view = { number: 1, uploads: [], lines: Array.from({ length: 1000 }, (_, n) => line(n + 1)) };
  await page.route('**/intake/lines', (route) => route.fulfill({ json: view }));
  await signInAs(page, 'Maud Kestle');
  await page.goto(`${SCHOOL}/intake`);
  const titled = (n: number) => page.getByRole('button', { name: `Photograph ${n}`, exact: true });
  await expect(titled(1)).toBeVisible({ timeout: 180_000 });
  expect(await lines(page).count()).toBeLessThan(60);
  await titled(2).click();
  await page.getByLabel('Alt text, read aloud in its place').fill('Half a sentence');
  await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
  await expect(titled(1000)).toBeVisible();
  expect(await lines(page).count()).toBeLessThan(60);
  await expect(page.locator('[data-line="1000"]')).toHaveAttribute('aria-posinset', '1000');
  await page.evaluate(() => window.scrollTo(0, 0));
  await expect(page.getByLabel('Alt text, read aloud in its place')).toHaveValue('Half a sentence');
  await page.getByLabel('Alt text, read aloud in its place').press('Escape');
  await expect(titled(2)).toBeFocused();
  for (const n of [3, 4, 5]) {
    await page.keyboard.press('ArrowDown');
    await expect(titled(n)).toBeFocused();
  }
});

test('a larger picture goes from the drop into the places of its small copy in no more than eight actions', async ({
  page,
}) => {
  const small = join(process.env['IBIDEM_VAR'] ?? 'var', 'demo-site', 'courses/img/autumn.jpg');
  const large = await kept('autumn.jpg', await sharp(small).resize(1920).jpeg({ quality: 92 }).toBuffer());
  await signInAs(page, 'Maud Kestle');
  // It is told at once that a picture is here already, once those that are here are known.
  await expect(page.getByText(/The pictures are being/)).toHaveCount(0, { timeout: 600_000 });
  await page.goto(`${SCHOOL}/intake`);
  let actions = 0;
  const act = async (deed: Promise<unknown>) => {
    actions++;
    await deed;
  };
  await act(page.getByLabel(CHOSEN).setInputFiles(large));
  const line = lines(page).first();
  await expect(line.getByText(/yours is 2\.0 times larger/)).toBeVisible();
  await act(line.locator('button[aria-expanded]').click());
  await act(page.getByLabel('Alt text, read aloud in its place').fill('Ten stools around the stove'));
  // A slow line: who goes on before the words are written finds them there all the same.
  await page.route('**/intake', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 3000));
    await route.continue();
  });
  await act(page.getByLabel('Alt text, read aloud in its place').press('Control+Enter'));
  await expect(page.getByText('1 picture, 1 checked off')).toBeVisible();
  await act(line.getByRole('link', { name: 'Put it in its place' }).click());
  // Before and after stand beside each other, and the words have come along.
  await expect(page.getByText(/keeps \d+ % of the picture|the whole picture/).first()).toBeVisible();
  await expect(page.getByLabel(/^Alt text/).first()).toHaveValue('Ten stools around the stove');
  await page.unroute('**/intake');
  await look(page, 'larger-copy');
  await act(page.getByRole('button', { name: /^Put into/ }).click());
  await expect(page.getByText(/Draft: nothing of this is live/)).toBeVisible();
  await expect(page.getByText('Ten stools around the stove').first()).toBeVisible();
  expect(actions).toBeLessThanOrEqual(8);
  await page.getByRole('button', { name: 'Take out' }).click();
  await page.goto(`${SCHOOL}/intake`);
  await page.getByRole('button', { name: 'Put the note aside' }).click();
});
