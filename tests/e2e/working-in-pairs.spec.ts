/** New pictures are described by keys, paired with what should go, and go live together. */
import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import { facade, hands, instrument, river, room, stage } from '@demo/site/scenes';
import { CHOSEN, lines, useArriving } from './arriving';
import { expectAccessible, look } from './look';
import { signInAs } from './sign-in';

const SCHOOL = '/s/ferndrake-community-music-school';
const kept = useArriving();

/** What the pictures are called says what they show. */
const NEW: readonly (readonly [string, string, number, number])[] = [
  ['summer concert of the choirs.jpg', stage(41), 1800, 1200],
  ['violin lesson in the front room.jpg', instrument(42), 1800, 1200],
  ['the house from the river.jpg', river(43), 2000, 1100],
  ['rehearsal room with piano.jpg', room(44), 1600, 1200],
  ['hands on the keys.jpg', hands(45), 1200, 1600],
  ['the library wing.jpg', facade(46, 'red'), 1800, 1200],
];

test('new pictures are described and paired by keys alone, and go live in one edition, proven', async ({
  page,
}) => {
  page.setDefaultTimeout(60_000);
  const files = await Promise.all(
    NEW.map(async ([name, svg, width, height]) => kept(name, await sharp(Buffer.from(svg)).resize(width, height).jpeg().toBuffer())), // prettier-ignore
  );
  await signInAs(page, 'Maud Kestle');
  // Pictures are known some time after the survey; until then nothing has to go.
  const known = async () => {
    await page.goto(`${SCHOOL}/pairs`);
    return page.getByRole('spinbutton').count();
  };
  await expect.poll(known, { timeout: 400_000, intervals: [5000] }).toBeGreaterThan(NEW.length);
  await page.goto(`${SCHOOL}/intake`);
  await page.getByLabel(CHOSEN).setInputFiles(files);
  await expect(lines(page)).toHaveCount(NEW.length, { timeout: 60_000 });
  await expect(page.getByText('is being looked at …')).toHaveCount(0, { timeout: 60_000 });
  await look(page, 'intake');
  await expectAccessible(page);

  // From here on by keys alone.
  await page.evaluate(() => {
    (window as unknown as { stayed: boolean }).stayed = true;
  });
  await lines(page).first().locator('button[aria-expanded]').focus();
  await page.keyboard.press('Enter');
  for (let n = 0; n < NEW.length; n++) {
    await page.keyboard.type(`Described by keys, line ${n + 1}`);
    await page.keyboard.press('Control+Enter');
  }
  await expect(page.getByRole('status').filter({ hasText: '6 pictures, 6 checked off' })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('x');
  await expect(page.getByText('5 pictures, 5 checked off')).toBeVisible();
  const takeBack = page.getByRole('button', { name: 'Take that back' });
  await expect(takeBack).toBeEnabled();
  await takeBack.press('Enter');
  // Told when it is written: what the next screen shows is that.
  await expect(page.getByText('It is as it was.')).toBeVisible();
  await expect(page.getByText('6 pictures, 6 checked off')).toBeVisible();
  await page.getByRole('link', { name: 'Pair them with what goes' }).press('Enter');

  await expect(page.getByRole('heading', { name: /pictures that should go/ })).toBeVisible();
  await look(page, 'pairs');
  await expectAccessible(page);
  const row = page.getByRole('spinbutton').first();
  await row.focus();
  const before = await row.getAttribute('aria-valuetext');
  await page.keyboard.press('ArrowRight');
  expect(await row.getAttribute('aria-valuetext')).not.toBe(before);
  await page.keyboard.press('Control+z');
  expect(await row.getAttribute('aria-valuetext')).toBe(before);
  const put = page.getByRole('button', { name: /^Put \d+ into the edition/ });
  const many = Number(/\d+/.exec(await put.innerText())?.[0]);
  expect(many).toBeGreaterThan(3);
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('heading', { name: /^Edition \d+/ })).toBeVisible();
  const publish = page.getByRole('button', { name: 'Publish' });
  await expect(publish).toBeEnabled({ timeout: 120_000 });
  await publish.press('Enter');
  await page.getByRole('button', { name: 'Publish now' }).press('Enter');
  await expect(page.getByText('proven by the next survey')).toBeVisible({ timeout: 180_000 });
  expect(await page.evaluate(() => (window as unknown as { stayed?: boolean }).stayed)).toBe(true);
  await page.getByRole('button', { name: 'Withdraw' }).press('Enter');
  await page.getByRole('button', { name: 'Withdraw now' }).press('Enter');
  await expect(page.getByText('Withdrawn: the site is as it was before.')).toBeVisible({ timeout: 180_000 });
  await expect(page.getByText('proven by the next survey')).toBeVisible({ timeout: 180_000 });
});
