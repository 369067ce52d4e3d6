import { expect, test } from '@playwright/test';
import { expectAccessible, look } from './look';
import { SCHOOL, signInAs } from './sign-in';

test('pictures are known by their families, ages and leftovers, and what a person says of them stays', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await signInAs(page, 'Maud Kestle');
  const leftovers = `${SCHOOL}/pictures?show=placeholder`;
  // The worker reads every picture after the first survey; until then a picture is not more than its file.
  await expect(async () => {
    await page.goto(leftovers);
    await expect(page.getByText('leftover template picture')).toHaveCount(1, { timeout: 3000 });
  }).toPass({ timeout: 240_000 });
  await expect(page.getByText(/Its caption is a template’s: “Caption goes here”/)).toBeVisible();
  await look(page, 'leftovers');
  await expectAccessible(page);

  await page.getByRole('button', { name: 'It is none' }).click();
  await expect(page.getByText('No picture here')).toBeVisible();
  await page.goto(`${SCHOOL}/pictures?q=sample_600x400`);
  await page.getByRole('link', { name: 'placeholder image' }).click();
  await expect(page.getByText('You said that it is none.')).toBeVisible();
  await page.getByRole('button', { name: 'Take that back' }).click();
  await expect(page.getByText('leftover template picture')).toBeVisible();
  await page.goto(leftovers);
  await expect(page.getByText('leftover template picture')).toHaveCount(1);

  await page.goto(`${SCHOOL}/pictures?q=harp-term1`);
  await expect(page.getByText('harp-term1.jpg · 2 files')).toBeVisible();
  await page.getByRole('link', { name: 'Harp, term 1' }).click();
  await expect(page.getByText(/Cut to 6\d % of it, at 2\d % of its size/)).toBeVisible();
  await look(page, 'picture');
  await expectAccessible(page);

  await page.goto(`${SCHOOL}/pictures?q=guitar-group`);
  await page
    .getByRole('link', { name: /guitar group/ })
    .first()
    .click();
  await expect(page.getByRole('img', { name: 'Taken 19 April 2018' })).toBeVisible();
  await expect(page.getByText('against: caption 2024')).toBeVisible();
  await page.getByLabel('What it shows').selectOption('class group');
  await expect(page.getByText(/settled by Maud Kestle/)).toBeVisible();
  await expect(page.getByText('It is past its time.')).toBeVisible();
  await page.goto(`${SCHOOL}/pictures?show=old&order=age`);
  await expect(page.getByText('past its time').first()).toBeVisible();
  await look(page, 'past-their-time');
});
