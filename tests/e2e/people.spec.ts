import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { expectAccessible, look } from './look';
import { SCHOOL, signInAs } from './sign-in';
import { expect, test } from './test';

const SITE = join(process.env['IBIDEM_VAR'] ?? 'var', 'demo-site');
const HOST = `http://127.0.0.1:${process.env['IBIDEM_DEMO_HOST_PORT']}`;
const LESSON = ['img/cello-lesson.jpg', 'img/cello-lesson_thumb.jpg'];

async function snapshot(): Promise<Map<string, string>> {
  const files = await readdir(SITE, { recursive: true, withFileTypes: true });
  const paths = files.filter((file) => file.isFile()).map((file) => join(file.parentPath, file.name));
  return new Map(
    await Promise.all(paths.map(async (path) => [path, (await readFile(path)).toString('base64')] as const)),
  );
}

test('a release taken back: one step to the edition, and no byte of the picture is served any more', async ({
  page,
  request,
}) => {
  test.setTimeout(600_000);
  const before = await snapshot();
  await signInAs(page, 'Maud Kestle');
  // Until the worker knows which files are one picture, the square cut out of it is a picture of its own.
  await expect(async () => {
    await page.goto(`${SCHOOL}/rights?may=no`);
    const lesson = page.getByRole('listitem').filter({ hasText: 'img/cello-lesson.jpg' });
    await expect(lesson.getByText('Its licence allows no changes')).toBeVisible({ timeout: 10_000 });
    await lesson.getByRole('link').first().click({ timeout: 10_000 });
    await expect(page.getByRole('heading', { name: 'May it stand here' })).toBeVisible({ timeout: 10_000 });
  }).toPass({ timeout: 240_000 });
  const record = page.url();
  await page.getByText('Mark who is on it').click();
  await page.getByAltText('The picture, to mark people on').click({ position: { x: 180, y: 90 } });
  await page.getByLabel('Who is mark 1').fill('guest 1');
  await look(page, 'people-marked');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Kept; the answers follow')).toBeVisible();

  await page.goto(`${SCHOOL}/rights`);
  await page.getByRole('link', { name: 'People', exact: true }).click();
  await expect(page.getByRole('row', { name: /family 17.*withdrawn/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /guest 1.*not asked.*2 files, 2 places/ })).toBeVisible();
  await page.getByLabel('Choose guest 1').check();
  await page.getByLabel('For', { exact: true }).fill('general, teaching');
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(page.getByText('Recorded for guest 1.')).toBeVisible();
  await expect(page.getByRole('row', { name: /guest 1.*in force/ })).toBeVisible();
  await look(page, 'people');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'List to print' }).click();
  await expect(page.getByRole('columnheader', { name: 'Signed' })).toBeVisible();
  await look(page, 'people-to-print');
  await page.goBack();

  await page.getByRole('link', { name: 'guest 1' }).click();
  const paper = { name: 'signed.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.4 agreed') };
  await page.getByLabel('Paper: PDF, JPEG or PNG').setInputFiles(paper);
  await page.getByRole('button', { name: 'Keep it' }).click();
  const kept = page.getByRole('link', { name: 'signed.pdf' });
  await expect(kept).toBeVisible();
  const paperUrl = new URL((await kept.getAttribute('href')) ?? '', page.url()).href;
  expect(await (await page.request.get(paperUrl)).text()).toBe('%PDF-1.4 agreed');
  await look(page, 'person');
  await expectAccessible(page);

  await page.getByRole('button', { name: 'Withdraw the release' }).click();
  await page.getByRole('button', { name: 'Withdraw', exact: true }).click();
  await expect(page.getByRole('heading', { name: /^Taken off 2 files in 2 places/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^2 files taken off the site/ })).toBeVisible();
  const edition = page.url();
  await expect(page.getByText(/not named in \d+ pages/).first()).toBeVisible({ timeout: 180_000 });
  await expect(page.getByText(/not named in \d+ pages/)).toHaveCount(2, { timeout: 180_000 });
  await page
    .getByText(/changes? of the source/)
    .first()
    .click();
  await look(page, 'taken-off');
  await expectAccessible(page);
  for (const path of LESSON) expect((await request.get(`${HOST}/${path}`)).status()).toBe(200);
  await page.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('button', { name: 'Publish now' }).click();
  await expect(page.getByText('Proven')).toBeVisible({ timeout: 120_000 });
  for (const path of LESSON) expect((await request.get(`${HOST}/${path}`)).status()).toBe(404);
  const lesson = await (await request.get(`${HOST}/lessons/cello.html`)).text();
  expect(lesson).not.toContain('cello-lesson');
  expect(lesson).toContain('First term');
  await page.goto(record);
  await expect(page.getByText('It stands on no page')).toBeVisible();

  await page.goto(edition);
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await page.getByRole('button', { name: 'Withdraw now' }).click();
  await expect(page.getByText('the site is as it was before')).toBeVisible({ timeout: 120_000 });
  expect(await snapshot()).toEqual(before);

  // The demo's rights are as they were for those who look at them next.
  await expect(async () => {
    await page.goto(record);
    await page.getByText('People marked on it: guest 1').click({ timeout: 10_000 });
  }).toPass();
  await page.getByRole('button', { name: 'Take away' }).first().click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Kept; the answers follow')).toBeVisible();

  await signInAs(page, 'Pell Arden');
  for (const path of ['people', 'people/guest%201', 'people/list']) {
    await page.goto(`${SCHOOL}/rights/${path}`);
    await expect(page.getByText('family 17')).toHaveCount(0);
    await expect(page.getByText('in force')).toHaveCount(0);
  }
  expect((await page.request.get(paperUrl)).status()).toBe(403);
  expect((await page.request.get(`${SCHOOL}/rights/people/guest%201/data`)).status()).toBe(403);
});

test('a picture is taken off some of its pages, left on others, and none of it is live before it is published', async ({
  page,
}) => {
  const before = await snapshot();
  await signInAs(page, 'Maud Kestle');
  await page.goto(`${SCHOOL}/rights?may=no`);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'img/young-choir.jpg' })
    .getByRole('link')
    .first()
    .click();
  await page.getByRole('link', { name: 'Take it off its pages' }).click();
  await expect(page.getByRole('heading', { name: /^Take .* off its pages/ })).toBeVisible();
  await expect(page.getByText('2 pages chosen')).toBeVisible();
  await look(page, 'take-off');
  await expectAccessible(page);
  await page.getByRole('checkbox', { name: /Choirs \/ Young/ }).uncheck();
  await expect(page.getByRole('checkbox', { name: /off the site as well/ })).toBeDisabled();
  await page.getByRole('checkbox', { name: /Choirs \/ Young/ }).check();
  await page.getByRole('button', { name: /^Put into/ }).click();
  await expect(page.getByRole('heading', { name: /^Taken off 1 file in 3 places/ })).toBeVisible();
  await expect(page.getByText('With it: its figure, caption')).toBeVisible({ timeout: 180_000 });
  await expect(page.getByText(/With it: its (?:link, list item|list item, link)/)).toBeVisible();
  await page.getByRole('button', { name: 'Leave it there' }).last().click();
  await expect(page.getByRole('heading', { name: /^Taken off 1 file in [12] places?/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take out' }).click();
  await expect(page.getByText('This edition is empty')).toBeVisible();
  expect(await snapshot()).toEqual(before);

  await signInAs(page, 'Pell Arden');
  await page.goto(`${SCHOOL}/rights?may=no`);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'img/young-choir.jpg' })
    .getByRole('link')
    .first()
    .click();
  await page.getByRole('link', { name: 'Take it off its pages' }).click();
  await expect(page.getByText('You may look, and take nothing off')).toBeVisible();
});

test('a screen whose news are lost on the way asks for them again', async ({ page, context }) => {
  await signInAs(page, 'Maud Kestle');
  const edition = page.getByRole('banner').getByRole('link', { name: /^Edition \d+ 1 changes/ });
  await expect(edition).toHaveCount(0);
  const lost: string[] = [];
  let loses = true;
  // Not taken away later: what it holds would be let go with it, and answered.
  await page.route(/[?&]_rsc=/, (route) =>
    loses ? void lost.push(route.request().url()) : route.continue(),
  );
  await page.getByRole('banner').getByText('Ferndrake Community Music School').hover();
  await page.mouse.down();
  const beside = await context.newPage();
  await beside.goto(`${SCHOOL}/rights?may=no`);
  const young = beside.getByRole('listitem').filter({ hasText: 'img/young-choir.jpg' });
  await young.getByRole('link').first().click();
  await beside.getByRole('link', { name: 'Take it off its pages' }).click();
  await beside.getByRole('button', { name: /^Put into/ }).click();
  await expect(beside.getByRole('heading', { name: /^Taken off 1 file in 3 places/ })).toBeVisible();
  // While somebody presses nothing moves; then the last of it is asked for, and lost.
  const told = () => page.waitForResponse((answer) => answer.url().endsWith('/status'));
  await told();
  expect(lost).toEqual([]);
  await page.mouse.up();
  await expect.poll(() => lost.length).toBeGreaterThan(0);
  await told();
  await expect(edition).toHaveCount(0);
  loses = false;
  await expect(edition).toBeVisible();
  await beside.getByRole('button', { name: 'Take out' }).click();
  await expect(beside.getByText('This edition is empty')).toBeVisible();
});
