import type { Page } from '@playwright/test';
import { chooseFirst } from './choose-first';
import { expectAccessible, look } from './look';
import { SCHOOL, signInAs } from './sign-in';
import { expect, test } from './test';

const HOST = `http://127.0.0.1:${process.env['IBIDEM_DEMO_HOST_PORT'] ?? 4281}`;
/** Alt texts that are settled in one sitting. */
const SITTING = 30;

/** Waits for the worker, which checks the pages after the pictures are known. */
async function untilChecked(page: Page): Promise<void> {
  await expect(async () => {
    // Pages are checked in their order, some at once: the last ones, and the first page of the site.
    await page.goto(`${SCHOOL}/errata?section=tutors`);
    await expect(page.getByText('Evidence: ').first()).toBeVisible({ timeout: 10_000 });
    await page.goto(`${SCHOOL}/errata?rule=alt%2Fempty-link`);
    await expect(page.getByText('The link leads to “choirs/index.html”.')).toBeVisible({ timeout: 10_000 });
    // Pages are checked again once their pictures are known: until then another picture may be the gravest.
    await expect(page.getByText(/families and rights follow|what is listed may still change/)).toHaveCount(
      0,
      {
        timeout: 10_000,
      },
    );
  }).toPass({ timeout: 480_000 });
}

/** Opens the edition that is being gathered. */
async function openEdition(page: Page): Promise<void> {
  await page.getByRole('link', { name: /^Edition \d+/ }).click();
  await expect(page.getByText('Draft: nothing of this is live.')).toBeVisible();
}

test('alt texts are settled at the text desk by keys alone, and are live, proven, and taken back', async ({
  page,
  request,
}) => {
  test.setTimeout(600_000);
  await signInAs(page, 'Maud Kestle');
  await untilChecked(page);
  await page.goto(`${SCHOOL}/errata`);
  await page.getByRole('link', { name: 'Settle the words' }).click();
  await expect(page.getByText(/^1 of \d+ pictures$/)).toBeVisible();
  await expect(page.getByLabel(/^Alt text/).first()).toBeFocused();
  await expectAccessible(page);

  // The rules follow what is typed; a draft is taken by its key.
  await expect(page.getByText(/a link has nothing but this picture/)).toBeVisible();
  await page.keyboard.type('photo');
  await expect(page.getByText(/the alt text says only that there is a picture/)).toBeVisible();
  await page.keyboard.press('Alt+Digit1');
  await expect(page.getByLabel(/^Alt text/).first()).toHaveValue('Choirs');
  await expect(page.getByText('no rule finds fault')).toBeVisible();
  await expect(page.getByText('Link, image, Choirs.')).toBeVisible();
  await page.keyboard.press('Alt+Digit0');
  await expect(page.getByLabel('It is decoration').first()).toBeChecked();
  await page.keyboard.press('Alt+Digit1');
  await look(page, 'text-desk');

  for (let n = 0; n < SITTING; n++) {
    await expect(page.getByText(new RegExp(`^${n + 1} of \\d+ pictures`))).toBeVisible();
    await expect(page.locator('textarea:focus')).toHaveCount(1);
    if (n > 0) {
      await page.keyboard.press('Control+a');
      await page.keyboard.type(`Settled & said in words, ${n}`);
    }
    await page.keyboard.press('Control+Enter');
  }
  await expect(page.getByText(`, ${SITTING} in the edition`)).toBeVisible();
  await page.keyboard.press('Alt+z');
  await expect(page.getByText(`, ${SITTING - 1} in the edition`)).toBeVisible();
  await expect(page.locator('textarea').first()).toHaveValue(`Settled & said in words, ${SITTING - 1}`);
  await expect(page.getByRole('link', { name: `Edition` }).first()).toBeVisible();

  await openEdition(page);
  // One of them lies on the site twice, and is a change for each of its files.
  await expect(page.getByRole('region', { name: /^Words of / })).toHaveCount(SITTING);
  await expectAccessible(page);
  await look(page, 'edition-of-words');
  const before = await (await request.get(`${HOST}/index.html`)).text();
  await page.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('button', { name: 'Publish now' }).click();
  await expect(page.getByText('proven by the next survey')).toBeVisible({ timeout: 180_000 });
  const live = await (await request.get(`${HOST}/index.html`)).text();
  expect(live).toContain('<a href="choirs/index.html"><img src="img/hall-choir.jpg" alt="Choirs"');
  expect(live).toContain('Settled &amp; said in words, ');
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await page.getByRole('button', { name: 'Withdraw now' }).click();
  await expect(page.getByText('Withdrawn: the site is as it was before.')).toBeVisible();
  await expect(page.getByText('proven by the next survey')).toBeVisible({ timeout: 180_000 });
  expect(await (await request.get(`${HOST}/index.html`)).text()).toBe(before);
});

test('texts are proposed in bulk, and go into the edition and out of it together', async ({ page }) => {
  test.setTimeout(600_000);
  await signInAs(page, 'Maud Kestle');
  await untilChecked(page);
  await page.getByRole('link', { name: 'Proposed texts' }).click();
  await expect(page.getByRole('heading', { name: /\d+ places that can be put right at once/ })).toBeVisible();
  await expectAccessible(page);
  await look(page, 'proposed-texts');
  await page.getByLabel('All', { exact: true }).uncheck();
  await expect(page.getByRole('button', { name: 'Put 0 texts into the edition' })).toBeDisabled();
  const [first, second] = [page.getByRole('listitem').nth(-2), page.getByRole('listitem').last()];
  await first.getByRole('checkbox').check();
  await second.getByRole('checkbox').check();
  await second.getByRole('textbox').fill('Written by hand instead');
  await page.getByRole('button', { name: /^Put \d+ texts into the edition/ }).click();
  await expect(page.getByText(/their words are in the edition/)).toBeVisible();
  const edition = await page.context().newPage();
  await edition.goto((await page.getByRole('link', { name: /^See edition/ }).getAttribute('href')) ?? '');
  await expect(edition.getByText('Written by hand instead')).toBeVisible();
  await page.getByRole('button', { name: 'Take that back' }).click();
  await expect(page.getByRole('button', { name: /^Put \d+ texts into the edition/ })).toBeVisible();
  await edition.reload();
  await expect(edition.getByText('This edition is empty')).toBeVisible();
});

test('many errata are let stand with one reason, and a rule counts otherwise in a section', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signInAs(page, 'Maud Kestle');
  await untilChecked(page);
  await page.goto(`${SCHOOL}/errata?rule=alt%2Fempty-link`);
  const boxes = page.getByLabel(/^Choose A link has nothing/);
  await expect(boxes.nth(1)).toBeVisible();
  const count = await boxes.count();
  await chooseFirst(boxes.first(), page.getByText('1 erratum chosen'));
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Let them stand …' }).click();
  await page.getByRole('button', { name: 'Let them stand' }).click();
  await expect(page.getByRole('alert').getByText(/Say why it may stand/)).toBeVisible();
  await page.getByLabel('Why it may stand').fill('The title beside it leads there as well.');
  await expectAccessible(page);
  await look(page, 'errata-chosen');
  await page.getByRole('button', { name: 'Let them stand' }).click();
  await expect(page.getByText('2 errata stand.')).toBeVisible();
  await expect(boxes).toHaveCount(count - 2);
  await page.getByRole('button', { name: 'Take that back' }).click();
  await expect(boxes).toHaveCount(count);

  await page.goto(`${SCHOOL}/settings/rules?section=news`);
  const rule = page.getByLabel(
    'What “A link has nothing but this picture, and its alt text is empty” counts',
  );
  await rule.selectOption('off');
  await page
    .getByLabel(/^Why “A link has nothing/)
    .fill('The lists of news have a title beside each picture.');
  await expectAccessible(page);
  await look(page, 'rules');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/Off instead of must, says Maud Kestle/)).toBeVisible();
  await page.goto(`${SCHOOL}/errata?rule=alt%2Fempty-link&section=news`);
  // Its pages may still wait for their check: the screen is made anew by itself once they had it.
  await expect(page.getByText('Nothing is wrong here')).toBeVisible();
  await page.goto(`${SCHOOL}/settings/rules?section=news`);
  await page.getByRole('button', { name: 'Back to must' }).click();
  await expect(page.getByText(/Off instead of must/)).toHaveCount(0);
});
