import type { Page } from '@playwright/test';
import { chooseFirst } from './choose-first';
import { expectAccessible, look } from './look';
import { SCHOOL, signInAs } from './sign-in';
import { expect, test } from './test';

/** As many as the demo’s template left behind. */
const LEFTOVERS = 9;
const LEFTOVER = /a leftover of the template$/;
const leftovers = `${SCHOOL}/pictures?show=placeholder`;

/** Waits for the worker, which reads every picture after the first survey; until then a picture is not more than its file. */
async function untilKnown(page: Page): Promise<void> {
  await expect(async () => {
    await page.goto(leftovers);
    await expect(page.getByText(LEFTOVER)).toHaveCount(LEFTOVERS, { timeout: 10_000 });
  }).toPass({ timeout: 480_000 });
}

test('pictures are known by their families, ages and leftovers, and what a person says of them stays', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signInAs(page, 'Maud Kestle');
  await untilKnown(page);
  await page
    .getByText(/And \d more/)
    .first()
    .click();
  await expect(page.getByText(/Its caption is a template’s: “Caption goes here”/)).toBeVisible();
  await look(page, 'leftovers');
  await expectAccessible(page);

  const sample = page.getByRole('listitem').filter({ hasText: 'sample_600x400.png' }).first();
  await sample.getByRole('button', { name: 'It is none' }).click();
  await expect(page.getByText(LEFTOVER)).toHaveCount(LEFTOVERS - 1);
  await page.goto(`${SCHOOL}/pictures?q=sample_600x400`);
  await page.getByRole('link', { name: 'placeholder image' }).click();
  await expect(page.getByText('You said that it is none.')).toBeVisible();
  await page.getByRole('button', { name: 'Take that back' }).click();
  await expect(page.getByText(LEFTOVER)).toBeVisible();
  await page.goto(leftovers);
  await expect(page.getByText(LEFTOVER)).toHaveCount(LEFTOVERS);

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

test('many pictures are chosen with keys, named, titled and compared, and what changed since marks them', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signInAs(page, 'Maud Kestle');
  const portraits = `${SCHOOL}/pictures?view=contact&folder=tutors%2Fimg&show=all&order=name`;
  await page.goto(portraits);
  await chooseFirst(page.getByLabel('Choose ashby.jpg'), page.getByText('1 picture chosen'));
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(page.getByText('2 pictures chosen')).toBeVisible();
  await look(page, 'contact-sheet');
  await expectAccessible(page);
  await page.getByLabel('What they show', { exact: true }).selectOption('evergreen');
  await expect(page.getByText('2 pictures: does not age.')).toBeVisible();
  await page.goto(`${portraits}&kind=evergreen`);
  await expect(page.getByLabel(/^Choose /)).toHaveCount(2);
  await page.goto(portraits);
  await page.getByLabel('All', { exact: true }).check();
  await page.getByLabel('What they show', { exact: true }).selectOption('building');
  await page.getByRole('button', { name: 'Take that back' }).click();
  await expect(page.getByText('Taken back.')).toBeVisible();
  await page.goto(`${portraits}&kind=evergreen`);
  await expect(page.getByLabel(/^Choose /)).toHaveCount(2);

  // A front that was repainted: all its older pictures are out of date at once.
  await page.goto(`${SCHOOL}/pictures?q=facade`);
  await page.getByLabel('All', { exact: true }).check();
  await page.getByLabel('Who or what is on them').selectOption('new');
  await page.getByLabel('Name', { exact: true }).fill('The front of the house');
  await page.getByLabel('Sort').selectOption('place');
  await page.getByLabel('Changed on').fill('2023-05-14');
  await page.getByLabel('What changed').fill('repainted');
  await page.getByRole('button', { name: 'Name it' }).click();
  await expect(page.getByText(/The front of the house is named, and 1 picture shows it/)).toBeVisible();
  await expect(page.getByText('1 picture from before that.')).toBeVisible();
  await look(page, 'subjects');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'The front of the house' }).click();
  await expect(
    page.getByText(/The front of the house: repainted on 14 May 2023\. Taken: 11 June 2016\./),
  ).toBeVisible();
  await page
    .getByRole('link', { name: /The old fire station/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: 'The front of the house is not on it' })).toBeVisible();
  await expect(page.getByText(/Maud Kestle says that it shows/)).toBeVisible();

  await page.goto(`${SCHOOL}/pictures?folder=choirs%2Fgallery&view=contact`);
  await page.getByLabel('Choose slide-1.png').check();
  await page.getByLabel('Choose slide-2.png').check();
  await page.getByRole('link', { name: 'Compare' }).click();
  await page.getByRole('button', { name: 'One over the other' }).click();
  await expect(page.getByText('They are taken for two pictures.')).toBeVisible();
  await look(page, 'compare');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'They are one' }).click();
  await expect(page.getByText('Noted: one picture, as soon as the worker has sorted them.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'They are one' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Take that back' }).click();
  await expect(page.getByText('Taken back.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^They are (?:one|two)$/ })).toBeVisible();

  await page.goto(`${SCHOOL}/pictures/titles`);
  const first = page.getByLabel(/^Title of /).first();
  await expect(first).not.toHaveValue('');
  await look(page, 'titles');
  await expectAccessible(page);
  const keepAs = async (title: string) => {
    await first.fill(title);
    await page.getByRole('button', { name: /^Keep \d+ titles$/ }).click();
    await expect(page.getByText(/^\d+ titles kept\./)).toBeVisible();
    await expect(first).not.toHaveValue(title);
  };
  await keepAs('The front door at noon');
  await look(page, 'titles-kept');
  await page.getByRole('button', { name: 'Take that back' }).click();
  await expect(page.getByText('Taken back.')).toBeVisible();
  await expect(first).toHaveValue('The front door at noon');
  await keepAs('The back door at dusk');
  await page.goto(`${SCHOOL}/pictures?q=dusk`);
  await expect(page.getByRole('link', { name: 'The back door at dusk' })).toBeVisible();
});

test('errata are listed with their evidence, by degree and rule, and are let stand with a reason', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signInAs(page, 'Maud Kestle');
  await page.goto(`${SCHOOL}/errata?show=must`);
  await expect(
    page.getByText('A link has nothing but this picture, and its alt text is empty.').first(),
  ).toBeVisible();
  await look(page, 'errata');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Any rule' }).click();
  await page.getByRole('link', { name: /^The alt text is the name of a file/ }).click();
  const drums = page.getByRole('listitem').filter({ hasText: 'The alt text is “IMG_3381”.' });
  await expect(drums).toHaveCount(1);
  await expect(page.getByText(/F30/)).toBeVisible();
  await drums.getByRole('button', { name: 'Let it stand …' }).click();
  await drums.getByRole('button', { name: 'Stet' }).click();
  await expect(page.getByText(/whoever comes after you will ask/)).toBeVisible();
  await drums.getByLabel('Why it may stand').fill('It is the number that the tutors know it by.');
  await drums.getByRole('button', { name: 'Stet' }).click();
  await expect(drums).toHaveCount(0);
  await page.goto(`${SCHOOL}/errata?show=stet`);
  await expect(page.getByText('It is the number that the tutors know it by.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'It stands no longer' }).click();
  await expect(page.getByText('Nothing is let stand')).toBeVisible();

  // What is wrong with a file as such has no page, and is settled among the files.
  await page.goto(`${SCHOOL}/errata?rule=file%2Funused`);
  const old = page.getByRole('listitem').filter({ hasText: 'img/old/IMG_3371.jpg' });
  await expect(
    old.getByText(/^Neither a page nor a style sheet shows it; it weighs \d+ kB\.$/),
  ).toBeVisible();
  await expectAccessible(page);
  await old.getByRole('link', { name: 'Take it off' }).click();
  await expect(page).toHaveURL(/files\?list=unused/);
  await expect(page.getByText('img/old/IMG_3371.jpg')).toBeVisible();

  // A copy that lies on its side is told with the upright one.
  await page.goto(`${SCHOOL}/errata?rule=file%2Fsideways`);
  await expect(page.getByText(/^“join\/img\/hands\.jpg” shows the same turned by a quarter/)).toBeVisible();
});

test('shelf lives are set for the site and for a section, and pictures are judged by them at once', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await signInAs(page, 'Maud Kestle');
  await untilKnown(page);
  const old = () => page.getByRole('link', { name: /^Past their time \d+/ }).textContent();
  await page.goto(`${SCHOOL}/pictures`);
  const before = Number((await old())?.replace(/\D/g, ''));
  await page.goto(`${SCHOOL}/settings`);
  await page.getByRole('link', { name: 'How long pictures stay current' }).click();
  await page.getByLabel('How Class or group ages').selectOption('forever');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'As usual' })).toBeVisible();
  await look(page, 'shelf-lives');
  await expectAccessible(page);
  await page.goto(`${SCHOOL}/pictures`);
  expect(Number((await old())?.replace(/\D/g, ''))).toBeLessThan(before);
  await page.goto(`${SCHOOL}/settings/shelf-lives`);
  await page.getByLabel('Section').selectOption('choirs');
  await page.getByLabel('What it shows').selectOption('class group');
  await page.getByLabel('Years of it').fill('1');
  await page.getByRole('button', { name: 'Set it for the section' }).click();
  await expect(page.getByText('Class or group in Choirs')).toBeVisible();
  await page.getByRole('button', { name: 'As everywhere' }).click();
  await expect(page.getByText('No section has a shelf life of its own.')).toBeVisible();
  await page.getByRole('button', { name: 'As usual' }).click();
  await expect(page.getByRole('button', { name: 'As usual' })).toHaveCount(0);
  await page.goto(`${SCHOOL}/pictures`);
  expect(Number((await old())?.replace(/\D/g, ''))).toBe(before);
});
