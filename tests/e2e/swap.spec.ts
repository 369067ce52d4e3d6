import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { expectAccessible, look } from './look';
import { scaleAsWave } from '@demo/site/sounds';
import { SCHOOL, signInAs } from './sign-in';
import { expect, test } from './test';

const SITE = join(process.env['IBIDEM_VAR'] ?? 'var', 'demo-site');
const HOST = `http://127.0.0.1:${process.env['IBIDEM_DEMO_HOST_PORT']}`;
const FIVE_PAGES = [
  'lessons/violin.html',
  'lessons/cello.html',
  'lessons/flute.html',
  'choirs/winter.html',
  'courses/summer.html',
];

/** Every file of the site's folder with its bytes. */
async function snapshot(): Promise<Map<string, string>> {
  const files = await readdir(SITE, { recursive: true, withFileTypes: true });
  const bytes = new Map<string, string>();
  for (const file of files) {
    if (!file.isFile()) continue;
    const path = join(file.parentPath, file.name);
    bytes.set(path, (await readFile(path)).toString('base64'));
  }
  return bytes;
}

async function photograph(): Promise<Buffer> {
  const scene = `<svg xmlns="http://www.w3.org/2000/svg" width="2400" height="1800"><rect width="2400" height="1800" fill="#d8cdb8"/>
    <rect x="180" y="200" width="600" height="560" fill="#bcd9ea"/><rect y="1400" width="2400" height="400" fill="#9c7248"/>
    <rect x="1200" y="820" width="820" height="580" fill="#1d222b"/><circle cx="1500" cy="1480" r="120" fill="#5a3d28"/></svg>`;
  return sharp(Buffer.from(scene)).jpeg({ quality: 88 }).toBuffer();
}

test('a leftover picture is swapped in all its places, goes live, is proven and is taken back', async ({
  page,
  request,
}) => {
  const before = await snapshot();
  await page.goto('/sign-in');
  await look(page, 'sign-in');
  await expectAccessible(page);
  await signInAs(page, 'Maud Kestle');
  await expect(page.getByText(/survey 1, .* 126 pages/)).toBeVisible();

  await page.getByRole('link', { name: /^Pages/ }).click();
  await expect(page.getByRole('link', { name: /About us/ })).toBeVisible();
  await look(page, 'pages');
  await expectAccessible(page);
  await page.getByLabel('Find pages by title, words or address').fill('new singers');
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: /Winter term/ }).click();
  await expect(page.frameLocator('iframe').getByText('Caption goes here')).toBeVisible();
  await expect(page.getByRole('button', { name: /placeholder image/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /Both choirs/ })).toHaveCount(1);
  await look(page, 'page');
  await expectAccessible(page);

  await page
    .getByRole('navigation', { name: 'Index' })
    .getByRole('link', { name: /^Pictures/ })
    .click();
  await page.getByRole('button', { name: /sample_600x400\.png, unfold/ }).click();
  await expect(page.getByText('from a style sheet').first()).toBeVisible();
  await look(page, 'pictures');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'placeholder image' }).click();
  await expect(page.getByText(/8 places on 5 pages/)).toBeVisible();
  await look(page, 'picture');
  await expectAccessible(page);

  await page.getByRole('link', { name: 'Swap this picture' }).click();
  await page
    .getByLabel('New picture')
    .setInputFiles({ name: 'holiday.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') });
  await expect(page.getByRole('alert').getByText(/is not a picture that Ibidem can read/)).toBeVisible();
  await page
    .getByLabel('New picture')
    .setInputFiles({ name: 'engine-room rehearsal.jpg', mimeType: 'image/jpeg', buffer: await photograph() });
  await expect(page.getByText(/keeps \d+ % of the picture/).first()).toBeVisible();
  await page.getByRole('button', { name: /Focal point/ }).press('ArrowRight');
  await page.getByLabel(/^Alt text/).fill('A piano beside the tall window & the “red” door');
  await page.getByLabel(/^Caption/).fill('Rehearsal in the engine room, October 2026');
  await page.waitForTimeout(300);
  await look(page, 'swap');
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Put into (?:a new edition|edition 1)/ }).click();

  await expect(page.getByRole('heading', { name: 'Edition 1' })).toBeVisible();
  await expect(page.getByText(/8 places · \d+ new files/)).toBeVisible();
  await expect(page.getByText('Draft: nothing of this is live.')).toBeVisible();
  expect(await snapshot()).toEqual(before);
  await look(page, 'edition');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Publish' }).click();
  await look(page, 'publish');
  await page.getByRole('button', { name: 'Publish now' }).click();
  await expect(page.getByText('proven by the next survey')).toBeVisible();
  await look(page, 'edition-proven');

  for (const path of FIVE_PAGES) {
    const live = await (await request.get(`${HOST}/${path}`)).text();
    expect(live, path).not.toContain('sample_600x400');
  }
  const violin = await (await request.get(`${HOST}/lessons/violin.html`)).text();
  const written =
    /<img src="\.\.\/(img\/engine-room-rehearsal[\w-]*\.jpg)" width="300" height="200" alt="A piano beside the tall window &amp; the “red” door"><figcaption>Rehearsal in the engine room, October 2026<\/figcaption>/.exec(
      violin,
    );
  expect(written).not.toBeNull();
  const image = await sharp(await (await request.get(`${HOST}/${written?.[1]}`)).body()).metadata();
  expect([image.width, image.height]).toEqual([600, 400]);
  await expect(page.getByText(/survey 2, /)).toBeVisible();

  await page
    .getByRole('navigation', { name: 'Index' })
    .getByRole('link', { name: /^Surveys/ })
    .click();
  await expect(page.getByText('after edition 1')).toBeVisible();
  await expectAccessible(page);
  await page
    .getByRole('navigation', { name: 'Index' })
    .getByRole('link', { name: /^Editions/ })
    .click();
  await expect(page.getByText('1 change on 5 pages, begun by Maud Kestle')).toBeVisible();
  await expectAccessible(page);
  await page.setViewportSize({ width: 390, height: 800 });
  await page
    .getByRole('navigation', { name: 'Index' })
    .getByRole('link', { name: /^Pictures/ })
    .click();
  await expect(page.getByText(/facade-2016-\d+\.jpg/).first()).toBeVisible();
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth),
    'nothing sticks out on a phone',
  ).toBeLessThanOrEqual(390);
  await look(page, 'phone');
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${SCHOOL}/editions/1`);
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await page.getByRole('button', { name: 'Withdraw now' }).click();
  await expect(page.getByText('Withdrawn: the site is as it was before.')).toBeVisible();
  await expect(page.getByText('proven by the next survey')).toBeVisible();
  expect(await snapshot()).toEqual(before);
});

test('a sound is heard, another is put in its place, goes live and is taken back', async ({
  page,
  request,
}) => {
  const before = await snapshot();
  await signInAs(page, 'Maud Kestle');
  await page
    .getByRole('navigation', { name: 'Index' })
    .getByRole('link', { name: /^Files/ })
    .click();
  await page.getByRole('link', { name: /^Clips and sounds/ }).click();
  const sound = page.getByLabel('recordings/sound/scale.wav');
  await expect(sound).toBeVisible();
  await look(page, 'clips');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Put another in its place' }).click();
  await expect(page.getByRole('heading', { name: '4 places' })).toBeVisible();
  const seconds = (name: string) => page.getByLabel(name).evaluate((one: HTMLAudioElement) => one.duration);
  await expect.poll(() => seconds('As it is: recordings/sound/scale.wav')).toBeCloseTo(2.8, 1);

  const chooser = page.getByLabel(/^The new file/);
  await chooser.setInputFiles({ name: 'scale.mov', mimeType: 'video/quicktime', buffer: Buffer.from('\0\0\0\x14ftypqt  ') }); // oxfmt-ignore
  await expect(page.getByText(/“scale.mov” is none that every browser plays/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Put into/ })).toBeDisabled();
  await chooser.setInputFiles({ name: 'Scale by the new piano.wav', mimeType: 'audio/wav', buffer: Buffer.from(scaleAsWave(1)) }); // oxfmt-ignore
  await expect(page.getByText('4 places get it; the old file stays where it is')).toBeVisible();
  await expect.poll(() => seconds('The new one: Scale by the new piano.wav')).toBeCloseTo(2.8, 1);
  await page.getByLabel('Put it in on recordings/2019.html').uncheck();
  await look(page, 'clip');
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Put into/ }).click();

  await expect(page.getByText('as it is · 45 kB').first()).toBeVisible();
  await expect.poll(() => seconds('After: recordings/sound/scale-by-the-new-piano.wav')).toBeCloseTo(2.8, 1);
  await expect(page.getByText('as it is · 45 kB')).toHaveCount(3);
  await look(page, 'edition-clip');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('button', { name: 'Publish now' }).click();
  await expect(page.getByText('proven by the next survey')).toBeVisible();
  const live = await (await request.get(`${HOST}/recordings/2025.html`)).text();
  expect(live).toContain('<audio controls src="sound/scale-by-the-new-piano.wav"></audio>');
  expect(await (await request.get(`${HOST}/recordings/2019.html`)).text()).toContain('sound/scale.wav');
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await page.getByRole('button', { name: 'Withdraw now' }).click();
  await expect(page.getByText('Withdrawn: the site is as it was before.')).toBeVisible();
  expect(await snapshot()).toEqual(before);
});
