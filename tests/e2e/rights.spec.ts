import type { Page } from '@playwright/test';
import { expectAccessible, look } from './look';
import { SCHOOL, signInAs } from './sign-in';
import { expect, test } from './test';

const rights = `${SCHOOL}/rights`;

/**
 * Opens the record of a picture that is listed, whatever it is called. A click can be lost while a screen is still
 * settling: who sees nothing happen clicks again.
 */
const recordOf = (page: Page, path: string) =>
  expect(async () => {
    const link = page.getByRole('listitem').filter({ hasText: path }).getByRole('link').first();
    if (!OF_PICTURE.test(page.url())) await link.click({ timeout: 15_000 });
    await expect(page).toHaveURL(OF_PICTURE, { timeout: 15_000 });
  }).toPass();

const OF_PICTURE = /\/pictures\/\d+/u;

test('every place is answered, with its reasons; a record of one picture changes what follows from it', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signInAs(page, 'Maud Kestle');
  await expect(async () => {
    await page.goto(`${rights}?may=no`);
    // Until the worker knows which files are one picture, the square cut out of it is a picture of its own.
    const lesson = page.getByRole('listitem').filter({ hasText: 'img/cello-lesson.jpg' });
    await expect(lesson.getByText('Its licence allows no changes, and it was changed')).toBeVisible({
      timeout: 10_000,
    });
  }).toPass({ timeout: 480_000 });
  const choir = page.getByRole('listitem').filter({ hasText: 'img/young-choir.jpg' });
  await expect(choir.getByText('A release was withdrawn')).toBeVisible();
  await expect(page.getByRole('row').filter({ hasText: '2027-01-01' })).toContainText('river-door.jpg');
  await look(page, 'rights');
  await page.getByRole('link', { name: 'All of them, on a line of time' }).click();
  await expect(page.getByRole('row').filter({ hasText: '2027-01-01' })).toContainText('river-door.jpg');
  await expect(page.locator('.main-svg').first()).toBeVisible();
  await look(page, 'endings');
  await expectAccessible(page);
  await page.goBack();
  await page.goto(`${rights}?may=no`);
  await expect(page.getByRole('heading', { name: 'Rights', level: 1 })).toBeVisible();
  await expectAccessible(page);

  await page.getByRole('link', { name: 'release withdrawn 1' }).click();
  await expect(page.getByText('img/cello-lesson.jpg')).toHaveCount(0);
  await recordOf(page, 'img/young-choir.jpg');
  await page.getByText('Why').first().click();
  await expect(page.getByText('family 17’s release was withdrawn on 2026-10-05.').first()).toBeVisible();
  await look(page, 'rights-of-picture');
  await expectAccessible(page);

  await page.goto(`${SCHOOL}/errata?rule=rights%2Frelease-withdrawn`);
  await expect(page.getByText('The release of somebody on it was withdrawn.').first()).toBeVisible();

  await page.goto(`${rights}?may=unknown&because=people-unasked`);
  await recordOf(page, 'img/guitar-group.jpg');
  await page.getByText('Record where it comes from').click();
  await page.getByLabel('Last day it may be shown').fill('2026-11-01');
  await page.getByLabel('People on it').selectOption('nobody can be recognised');
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(page.getByText('Recorded; the answers follow')).toBeVisible();
  // They are on the screen by themselves once they are there.
  await expect(page.getByText(/May not stand: its licence has ended/)).toBeVisible();
});

test('where a picture comes from is looked for, and what is recorded is written into its files', async ({
  page,
}) => {
  await signInAs(page, 'Maud Kestle');
  await page.goto(`${rights}?may=unknown&because=source-unknown`);
  const first = page.getByRole('main').getByRole('listitem').getByRole('link').first();
  await first.click();
  await page.getByRole('link', { name: 'Find out where it comes from' }).click();
  await expect(page.getByRole('heading', { name: /^Where does/ })).toBeVisible();
  await expect(page.getByLabel('The letter')).toHaveValue(
    /Ferndrake Community Music School a picture is shown/,
  );
  await page.getByLabel('Their mail address').fill('ann@bright.example');
  await expect(page.getByRole('link', { name: 'Open as a mail' })).toHaveAttribute(
    'href',
    /^mailto:ann@bright.example/,
  );
  await look(page, 'origin');
  await expectAccessible(page);

  await page.goto(`${rights}?may=yes`);
  await first.click();
  await page.getByRole('button', { name: 'Write what is recorded into its files' }).click();
  await expect(page.getByText(/written into \d+ files?, every pixel as it is/)).toBeVisible({
    timeout: 180_000,
  });
  await look(page, 'rights-into-files');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take out' }).click();
  await expect(page.getByText('This edition is empty')).toBeVisible();
});

test('what licences cover is told in plain words, and a page of picture credits is prepared', async ({
  page,
}) => {
  await signInAs(page, 'Maud Kestle');
  await page.goto(rights);
  await page.getByRole('link', { name: 'Licences and holders' }).click();
  const season = page.getByRole('region', { name: 'Licences' }).getByRole('listitem').filter({ hasText: 'Brightline, one season' }); // oxfmt-ignore
  await expect(season.getByText('Until 2026-08-31.')).toBeVisible();
  await expect(season.getByText('With it stands: Pia Sundorn / Brightline.')).toBeVisible();
  await look(page, 'licences');
  await expectAccessible(page);

  await page.goto(rights);
  await page.getByRole('button', { name: 'Keep a page of picture credits' }).click();
  const credits = page.getByRole('region', { name: 'The page of picture credits' });
  await expect(credits).toBeVisible();
  await expect(credits.getByText('violin-bench.jpg: Maud Kestle')).toBeVisible();
  await expect(credits.getByText('Link in the foot').first()).toBeVisible();
  await look(page, 'picture-credits');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take out' }).click();
  await expect(page.getByText('This edition is empty')).toBeVisible();
});

test('records come in and go out by the maintainer alone; what can’t be read is named by its line', async ({
  page,
}) => {
  await signInAs(page, 'Maud Kestle');
  await page.goto(rights);
  const form = page.getByRole('form', { name: 'Bring in records' });
  const file = form.getByLabel('File of records: JSON lines or CSV');
  const bad =
    '{"record":"site","host":"www.ferndrake.example"}\n{"record":"picture","files":["a.jpg"],"until":"31.12.2026"}';
  await file.setInputFiles({ name: 'bad.jsonl', mimeType: 'application/jsonl', buffer: Buffer.from(bad) });
  await form.getByRole('button', { name: 'Bring in' }).click();
  await expect(form.getByText(/Line 2 can’t be read/)).toBeVisible();
  await look(page, 'rights-unreadable');
  const csv = 'record,files,licence,holder\npicture,news/pics/*,own-work,Ferndrake Community Music School\n';
  await file.setInputFiles({ name: 'old-news.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await form.getByRole('button', { name: 'Bring in' }).click();
  await expect(form.getByText('1 record taken over')).toBeVisible();
  const out = await page.request.get(`${rights}/records`);
  expect(out.status()).toBe(200);
  expect(await out.text()).toContain('"news/pics/*"');

  await signInAs(page, 'Pell Arden');
  await page.goto(rights);
  await expect(page.getByText('The maintainer brings them in.')).toBeVisible();
  expect((await page.request.get(`${rights}/records`)).status()).toBe(403);
  await page.goto(`${rights}?may=no`);
  await recordOf(page, 'img/young-choir.jpg');
  await page.getByText('Why').first().click();
  await expect(page.getByText('A release was withdrawn.').first()).toBeVisible();
  await expect(page.getByText('family 17')).toHaveCount(0);
});

test('a folder is recorded at once and taken back; the letter that tells is kept with its picture', async ({
  page,
}) => {
  await signInAs(page, 'Maud Kestle');
  await page.goto(rights);
  await page.getByRole('link', { name: 'projects/img' }).click();
  await expect(page.getByRole('heading', { name: /pictures in projects\/img/ })).toBeVisible();
  await page.getByLabel('Licence').fill('own-work');
  await page.getByRole('button', { name: 'Record of all' }).click();
  await expect(page.getByText(/Recorded of \d+ pictures/)).toBeVisible();
  await expectAccessible(page);
  await page.goto(rights);
  await expect(page.getByRole('link', { name: 'projects/img' })).toHaveCount(0);
  await page.goto(`${rights}/many?folder=projects%2Fimg`);
  await page.getByLabel('Where it was found').fill('the old album');
  await page.getByRole('button', { name: 'Record of all' }).click();
  await page.getByRole('button', { name: 'Take that back' }).click();
  await expect(page.getByText('It is as it was.')).toBeVisible();

  await page.goto(`${rights}?may=unknown`);
  await recordOf(page, 'img/');
  await page.getByRole('link', { name: 'Find out where it comes from' }).click();
  const paper = page.getByLabel('Paper: PDF, JPEG or PNG');
  await paper.setInputFiles({ name: 'letter.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.4 Yes.') }); // oxfmt-ignore
  await page.getByRole('button', { name: 'Keep it' }).click();
  const kept = page.getByRole('link', { name: 'letter.pdf' });
  await expect(kept).toBeVisible();
  const address = (await kept.getAttribute('href')) ?? '';
  expect(await (await page.request.get(address)).text()).toBe('%PDF-1.4 Yes.');
  await expectAccessible(page);
  await signInAs(page, 'Pell Arden');
  expect((await page.request.get(address)).status()).toBe(403);
});
