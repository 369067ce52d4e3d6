/** Thirty new pictures are described by keys, paired with thirty that should go, and go live together. */
import { CHOSEN, lines, useArriving } from './arriving';
import { expectAccessible, look } from './look';
import { signInAs } from './sign-in';
import { leftoverSite, newPictures } from './thirty-leftovers';
import { expect, test } from './test';

const kept = useArriving();
const MANY = 30;

/** Whether the title of the proposed picture begins with the title of the page that it goes to. */
const isOfItsCourse = (text: string) => {
  const proposed = /⇐ (\w+) in summer/.exec(text)?.[1] ?? 'none';
  return (text.split('⇐')[0]?.split(proposed).length ?? 0) > 2;
};

test('thirty new pictures are described and paired by keys alone, and go live in one edition, proven', async ({
  page,
}) => {
  const files: string[] = [];
  for (const { name, bytes } of await newPictures()) files.push(await kept(name, bytes));
  await signInAs(page, 'Maud Kestle');
  await page.goto('/sites/new');
  await page.getByLabel('Name of the site').fill('Saltmarsh Courses');
  await page
    .getByLabel('or a ZIP of them')
    .setInputFiles({ name: 'site.zip', mimeType: 'application/zip', buffer: await leftoverSite() });
  await page.getByRole('button', { name: 'Connect and survey' }).click();
  await expect(page.getByText('31 pages, 30 places, 30 picture files')).toBeVisible();
  const site = /\/s\/[^/]+/.exec(page.url())?.[0] ?? '';
  // Pictures are known some time after the survey; until then nothing has to go.
  const known = async () => {
    await page.goto(`${site}/pairs`);
    return page.getByRole('heading', { name: `${MANY} pictures that should go` }).count();
  };
  await expect.poll(known, { timeout: 400_000, intervals: [5000] }).toBe(1);
  await page.goto(`${site}/intake`);
  await page.getByLabel(CHOSEN).setInputFiles(files);
  await expect(lines(page)).toHaveCount(MANY);
  await expect(page.getByText('is being looked at …')).toHaveCount(0);
  await look(page, 'intake');
  await expectAccessible(page);

  // From here on by keys alone, in one window that is never loaded again.
  await page.evaluate(() => {
    (window as unknown as { stayed: boolean }).stayed = true;
  });
  await lines(page).first().locator('button[aria-expanded]').focus();
  await page.keyboard.press('Enter');
  for (let n = 0; n < MANY; n++) {
    await page.keyboard.type(`Line ${n + 1}`);
    await page.keyboard.press('Control+Enter');
  }
  await expect(page.getByRole('status').filter({ hasText: '30 pictures, 30 checked off' })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('x');
  await expect(page.getByText('29 pictures, 29 checked off')).toBeVisible();
  const takeBack = page.getByRole('button', { name: 'Take that back' });
  await expect(takeBack).toBeEnabled();
  await takeBack.press('Enter');
  // Told when it is written: what the next screen shows is that.
  await expect(page.getByText('It is as it was.')).toBeVisible();
  await expect(page.getByText('30 pictures, 30 checked off')).toBeVisible();
  await page.getByRole('link', { name: 'Pair them with what goes' }).press('Enter');

  await expect(page.getByRole('heading', { name: /pictures that should go/ })).toBeVisible();
  await look(page, 'pairs');
  await expectAccessible(page);
  // What is named by a course is proposed for its page.
  const said = await page.getByRole('spinbutton').evaluateAll((nodes) => nodes.map((node) => `${node.closest('[data-pair]')?.textContent ?? ''} ⇐ ${node.getAttribute('aria-valuetext') ?? ''}`)); // oxfmt-ignore
  expect(said.filter((text) => isOfItsCourse(text)).length).toBe(MANY);
  const row = page.getByRole('spinbutton').first();
  await row.focus();
  const before = (await row.getAttribute('aria-valuetext')) ?? '';
  await page.keyboard.press('ArrowRight');
  await expect(row).not.toHaveAttribute('aria-valuetext', before);
  await page.keyboard.press('Control+z');
  await expect(row).toHaveAttribute('aria-valuetext', before);
  await page.keyboard.press('Control+Shift+z');
  await expect(row).not.toHaveAttribute('aria-valuetext', before);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: `Put ${MANY} into the edition` })).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('heading', { name: /^Edition \d+/ })).toBeVisible();
  const publish = page.getByRole('button', { name: 'Publish' });
  await expect(publish).toBeEnabled();
  await look(page, 'thirty');
  await publish.press('Enter');
  await page.getByRole('button', { name: 'Publish now' }).press('Enter');
  await expect(page.getByText('proven by the next survey')).toBeVisible();
  expect(await page.evaluate(() => (window as unknown as { stayed?: boolean }).stayed)).toBe(true);
  await page.getByRole('button', { name: 'Withdraw' }).press('Enter');
  await page.getByRole('button', { name: 'Withdraw now' }).press('Enter');
  await expect(page.getByText('Withdrawn: the site is as it was before.')).toBeVisible();
  await expect(page.getByText('proven by the next survey')).toBeVisible();
});
