import type { Locator, Page } from '@playwright/test';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { expectAccessible, look } from './look';
import { SCHOOL, signInAs } from './sign-in';
import { expect, test } from './test';

const SITE = join(process.env['IBIDEM_VAR'] ?? 'var', 'demo-site');
const HOST_PORT = Number(process.env['IBIDEM_DEMO_HOST_PORT']);
const HOST = `http://127.0.0.1:${HOST_PORT}`;
const FESTIVAL = `http://127.0.0.1:${HOST_PORT + 1}/`;

/** Presses with the mouse on something in a proof, which is drawn smaller than it is laid out. */
async function pressInProof(page: Page, target: Locator): Promise<void> {
  const frame = await page.locator('iframe').boundingBox();
  const inside = await target.evaluate((element) => {
    const { left, top, width, height } = element.getBoundingClientRect();
    return { x: left + width / 2, y: top + height / 2, of: window.innerWidth };
  });
  if (!frame) throw new Error('there is no proof');
  const scale = frame.width / inside.of;
  await page.mouse.click(frame.x + inside.x * scale, frame.y + inside.y * scale);
}

const index = (page: Page) => page.getByRole('navigation', { name: 'Index' });

test('a page is seen as readers see it, with its places numbered and the notes beside it', async ({
  page,
}) => {
  await signInAs(page, 'Maud Kestle');
  await page.goto(`${SCHOOL}/pages?q=rules`);
  await page.getByRole('link', { name: /Rules of the library/ }).click();
  const frame = page.frameLocator('iframe');
  await expect(frame.getByText('Bring it back dry')).toBeVisible();
  const margin = page.getByRole('complementary', { name: 'Margin' });
  // Before the page is checked the margin says what can be seen, after it what the rules say.
  const missing = /name differs from the file’s in capitals|the file is missing/;
  await expect(margin.getByText(missing)).toBeVisible();
  // The proof finds its size while the page settles; a press that hit beside the mark is made again.
  await expect(async () => {
    await pressInProof(page, frame.getByRole('button', { name: 'place 3' }));
    await expect(margin.getByText(/img\/flute\.jpg/).first()).toBeVisible({ timeout: 10_000 });
  }).toPass();
  await look(page, 'proof-missing');

  // The page has no origin and runs nothing of its own; links in it lead nowhere.
  await pressInProof(page, frame.getByRole('link', { name: 'Choirs' }));
  await expect(frame.getByText('Bring it back dry')).toBeVisible();
  const origin = await page
    .locator('iframe')
    .evaluate((element) => (element as HTMLIFrameElement).contentDocument);
  expect(origin).toBeNull();

  await page.getByRole('link', { name: 'Phone' }).click();
  await expect(frame.getByText('Bring it back dry')).toBeVisible();
  await expect(margin.getByRole('button', { name: missing })).toBeVisible();
  await look(page, 'proof-phone');
  await expectAccessible(page);

  // Areas have no box of their own: their numbers stand on the picture that uses their map.
  await page.goto(`${SCHOOL}/pages?q=plan`);
  await page.getByRole('link', { name: /Where things are/ }).click();
  await expect(margin.getByText('no alt text')).toHaveCount(2);
  for (const n of [4, 5, 6]) await expect(frame.getByRole('button', { name: `place ${n}` })).toBeVisible();
  await look(page, 'proof-areas');

  // The search in the head answers with pictures and pages together, from the keyboard.
  await page.keyboard.press('/');
  await page.keyboard.type('rehearsal');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /“rehearsal” in \d+ pictures? and on \d+ pages?/ })).toBeVisible(); // oxfmt-ignore
  await expect(page.getByRole('region', { name: 'Pictures' }).getByText(/alt text and caption:/).first()).toBeVisible(); // oxfmt-ignore
  await look(page, 'find');
  await expectAccessible(page);
});

test('sections get owners, and reach is counted from the server’s log', async ({ page }) => {
  await signInAs(page, 'Maud Kestle');
  await page.goto(`${SCHOOL}/sections`);
  const made = page.getByRole('form', { name: 'New section' });
  await made.getByLabel('Folder or pattern').fill('/news/');
  await made.getByLabel('Name of').fill('Old news');
  await made.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'no slash at its ends' })).toBeVisible();
  await expect(made.getByLabel('Name of')).toHaveValue('Old news');
  await made.getByLabel('Folder or pattern').fill('news/2014*');
  await made.getByLabel('Owner of').selectOption({ label: 'Dorrin Oake' });
  await made.getByRole('button', { name: 'Add' }).click();
  await expect(index(page).getByRole('link', { name: /Old news/ })).toContainText('2');

  const line = (path: string, n: number) =>
    `10.0.0.1 - - [${String((n % 28) + 1).padStart(2, '0')}/Oct/2026:10:00:00 +0000] "GET ${path} HTTP/1.1" 200 5120 "-" "Mozilla/5.0"\n`;
  const log = Array.from({ length: 280 }, (_, n) => line(n % 4 === 0 ? '/' : '/lessons/harp.html', n)).join(
    '',
  );
  await page
    .getByLabel('Access log or table')
    .setInputFiles({ name: 'access.log', mimeType: 'text/plain', buffer: Buffer.from(log) });
  await page.getByRole('button', { name: 'Take over' }).click();
  await expect(page.getByText('280 views of 2 pages taken over.')).toBeVisible();
  await look(page, 'sections');
  await expectAccessible(page);
  await page.goto(`${SCHOOL}/pages?order=reach`);
  const rows = page.getByRole('main').getByRole('listitem');
  await expect(rows.first()).toContainText('Harp');
  await expect(rows.first()).toContainText('a month');
  await page.goto(`${SCHOOL}/sections`);
  await page.getByRole('button', { name: 'Forget these views' }).click();
  await expect(page.getByText(/Estimated: a visit begins at the home page/)).toBeVisible();
});

test('a file that nothing uses goes with an edition and comes back with it; what changed elsewhere is told', async ({
  page,
  request,
}) => {
  await signInAs(page, 'Maud Kestle');
  await page.goto(`${SCHOOL}/files?list=unused`);
  await look(page, 'files');
  await expectAccessible(page);
  await page.getByLabel(/IMG_3371\.jpg/).check();
  await page.getByRole('button', { name: /Take 1 file off/ }).click();
  await page
    .getByRole('status')
    .getByRole('link', { name: /edition \d+/ })
    .click();
  await expect(page.getByText(/not named in 126 pages, 3 style sheets/)).toBeVisible();
  await expectAccessible(page);
  const file = `${HOST}/img/old/IMG_3371.jpg`;
  expect((await request.get(file)).status()).toBe(200);
  await page.getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByRole('alertdialog')).toContainText('takes 1 file off the site');
  await page.getByRole('button', { name: 'Publish now' }).click();
  await expect(page.getByText('proven by the next survey')).toBeVisible();
  expect((await request.get(file)).status()).toBe(404);
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await page.getByRole('button', { name: 'Withdraw now' }).click();
  await expect(page.getByText('Withdrawn: the site is as it was before.')).toBeVisible();
  await expect(page.getByText('proven by the next survey')).toBeVisible();
  expect((await request.get(file)).status()).toBe(200);

  // Somebody works on the site by other means.
  const place = join(SITE, 'lessons/harp.html');
  const before = await readFile(place, 'utf8');
  const after = before
    .replace('alt="Harp in the practice room"', 'alt="A harp under its blanket"')
    .replace(
      '</main>',
      '<p><img src="img/harp-term1.jpg" alt="Once more" width="300" height="200"></p></main>',
    );
  await writeFile(place, after);
  await index(page)
    .getByRole('link', { name: /^Surveys/ })
    .click();
  await page.getByRole('button', { name: 'Survey now' }).click();
  await expect(page.getByText('1 place new, 1 place changed.')).toBeVisible();
  await page.getByRole('main').getByRole('listitem').first().getByRole('link').click();
  await expect(page.getByText('“A harp under its blanket”')).toBeVisible();
  await page.waitForTimeout(800);
  await look(page, 'difference');
  await expectAccessible(page);
  await writeFile(place, before);
});

test('a site that can only be crawled is read by its address, and what has no end is said', async ({
  page,
}) => {
  await signInAs(page, 'Maud Kestle');
  await page.goto('/s/ferndrake-river-festival/surveys');
  await expect(page.getByText(/addresses were left out/)).toBeVisible();
  await page.getByRole('link', { name: 'Survey 1', exact: true }).click();
  await expect(page.getByText(/a calendar beyond the years that matter/)).toBeVisible();
  await expect(page.getByText(/robots\.txt asks not to read them/)).toBeVisible();
  await expect(page.getByText(/nothing there \(404\)/)).toBeVisible();
  await look(page, 'left-out');
  await index(page)
    .getByRole('link', { name: /^Pages/ })
    .click();
  await page.getByRole('link', { name: /Friends/ }).click();
  await expect(page.frameLocator('iframe').getByText('Only the sitemap leads here.')).toBeVisible();

  await page.goto('/sites/new');
  await page.getByLabel('Name of the site').fill('Festival again');
  await page.getByLabel('or the address it is read from').fill(FESTIVAL);
  await page.getByRole('button', { name: 'Connect and survey' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'inside the house' })).toBeVisible();
  await expect(page.getByLabel('or the address it is read from')).toHaveValue(FESTIVAL);
  await page.getByLabel(/stands on this machine/).check();
  await page.getByRole('button', { name: 'Connect and survey' }).click();
  await expect(page.getByText('The first reading of the site.')).toBeVisible();
});
