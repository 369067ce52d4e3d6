import { buffer } from 'node:stream/consumers';
import { ZipFile } from 'yazl';
import { SCHOOL, signInAs } from './sign-in';
import { expect, test } from './test';

async function zipOf(files: Readonly<Record<string, string>>): Promise<Buffer> {
  const zip = new ZipFile();
  for (const [path, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), path);
  zip.end();
  return buffer(zip.outputStream);
}

test('a site is connected by ZIP after two that can’t be used, and nothing typed is lost on the way', async ({
  page,
}) => {
  await signInAs(page, 'Maud Kestle');
  await page.goto('/sites/new');
  await page.getByLabel('Name of the site').fill('Harbour Reading Club');
  const file = page.getByLabel('or a ZIP of them');
  const good = await zipOf({
    'index.html': '<title>Club</title><h1>Club</h1><img src="cup.svg" alt="A cup"><img src="gone.jpg">',
    'cup.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>',
  });
  await file.setInputFiles({
    name: 'site.zip',
    mimeType: 'application/zip',
    buffer: good.subarray(0, good.length - 40),
  });
  await page.getByRole('button', { name: 'Connect and survey' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'can’t be read as a ZIP' })).toBeVisible();
  await expect(page.getByLabel('Name of the site')).toHaveValue('Harbour Reading Club');
  await file.setInputFiles({
    name: 'site.zip',
    mimeType: 'application/zip',
    buffer: await zipOf({ 'a.txt': 'no page' }),
  });
  await page.getByRole('button', { name: 'Connect and survey' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'No page was found there' })).toBeVisible();
  await file.setInputFiles({ name: 'site.zip', mimeType: 'application/zip', buffer: good });
  await page.getByRole('button', { name: 'Connect and survey' }).click();
  await expect(page.getByText('1 page, 2 places, 1 picture file')).toBeVisible();
  await page.getByRole('link', { name: /^Pictures/ }).click();
  await expect(page.getByText('the file is missing')).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('cup');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /“cup” in \d+ pictures? and on \d+ pages?/ })).toBeVisible();
  await expect(page.getByText('gone.jpg')).toHaveCount(0);
});

test('who is not signed in sees nothing, and a viewer changes nothing', async ({ page, request }) => {
  await page.goto(`${SCHOOL}/pictures`);
  await expect(page).toHaveURL(/sign-in/);
  expect((await request.get(`${SCHOOL}/status`)).status()).toBe(401);
  expect((await request.get(`${SCHOOL}/image/${'0'.repeat(64)}`)).status()).toBe(401);
  await page.getByLabel('Mail address').fill('pell@ferndrake.example');
  await page.getByLabel('Password').fill('not this');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'You are not signed in' })).toBeVisible();
  await signInAs(page, 'Pell Arden');
  await page.goto(`${SCHOOL}/surveys`);
  await page.getByRole('button', { name: 'Survey now' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'You may not start a survey' })).toBeVisible();
  await page.goto(SCHOOL);
  await expect(page).toHaveURL(`${SCHOOL}/pictures`);
  const record = await page
    .getByRole('link', { name: 'The old fire station with its three doors' })
    .first()
    .getAttribute('href');
  await page.goto(`${record}/swap`);
  await expect(page.getByText('You may look, and not swap')).toBeVisible();
  await page.getByRole('button', { name: /Pell Arden, viewer/ }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page).toHaveURL(/sign-in/);
});
