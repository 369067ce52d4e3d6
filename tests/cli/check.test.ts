import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { facade, portrait, sample, stage } from '@demo/site/scenes';
import { rowsOf } from '../fixtures/run-ibidem';
import { runHere } from '../fixtures/run-program';
import { flatPicture, writeFiles } from '../fixtures/write-site';
import { drawnScene } from '../fixtures/drawn-scene';

let folder: string;

const POSTER =
  '<svg xmlns="http://www.w3.org/2000/svg" width="620" height="300" font-family="DejaVu Sans" font-size="44"><rect width="620" height="300" fill="#fbf3dd"/><text x="30" y="90">Winter voices</text><text x="30" y="180">Saturday 14 December</text></svg>';

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-check-'));
  await writeFiles(folder, {
    'index.html':
      '<html lang="en"><title>Home</title>\n<p>Words.</p>\n<img src="img/a.png">\n<img src="img/A.png" alt="A flat one"><img src="img/none.png" alt="Gone">',
    'lessons/violin.html':
      '<html lang="en"><title>Violin</title><figure><img src="../img/sample_600x400.png" alt="placeholder image"><figcaption>Caption goes here</figcaption></figure>',
    'tutors/index.html':
      '<html lang="en"><title>Tutors</title><img src="img/oake.jpg" alt="Dorrin Oake"><img src="img/cut.jpg" alt="Cut short">',
    'concerts/index.html':
      '<html lang="en"><title>Concerts</title><p><img src="poster.png" alt="The poster of the concert"></p>',
    'concerts/poster.png': await sharp(Buffer.from(POSTER)).png().toBuffer(),
    'img/old.png': await flatPicture(120, 80, 'png'),
    'favicon.ico': 'not asked for by any page',
    'img/a.png': await flatPicture(300, 200, 'png'),
    'img/sample_600x400.png': await sharp(Buffer.from(sample(600, 400)))
      .png()
      .toBuffer(),
    'tutors/img/oake.jpg': await sharp(Buffer.from(portrait(8)))
      .resize(400, 500)
      .withExif({ IFD2: { DateTimeOriginal: '2016:09:05 09:00:00' } })
      .jpeg()
      .toBuffer(),
    'tutors/img/cut.jpg': Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16]),
  });
});
afterAll(() => rm(folder, { recursive: true, force: true }));

describe('ibidem check', () => {
  it.each([[[]], [['--read-texts']]])('reads the words within what is drawn, with %j', async (options) => {
    const { out } = await runHere('check', folder, '--rule', 'alt/picture-of-text', ...options);
    expect(rowsOf(out).map(({ page, evidence }) => [page, evidence])).toEqual([
      [
        'concerts/index.html',
        'It says “Winter voices Saturday 14 December”; “Winter voices Saturday 14 December” stands nowhere beside it.',
      ],
    ]);
  });

  it('prints a row an erratum, with its place, its evidence and what to do', async () => {
    const { code, out, err } = await runHere('check', folder);
    expect(code).toBe(0);
    expect(err).toContain('tutors/img/cut.jpg is passed over');
    const rows = rowsOf(out);
    expect(rows.map(({ page, rule }) => `${page as string} ${rule as string}`).sort()).toEqual([
      'concerts/index.html alt/picture-of-text',
      'index.html alt/absent',
      'index.html file/missing',
      'index.html file/wrong-case',
      'lessons/violin.html alt/template-words',
      'lessons/violin.html caption/template-words',
      'lessons/violin.html fresh/placeholder',
      'null file/unused',
      'tutors/index.html fresh/past-its-time',
    ]);
    expect(rows.find(({ rule }) => rule === 'file/unused')).toMatchObject({
      degree: 'note',
      url: 'img/old.png',
      line: null,
    });
    expect(rows.find(({ rule }) => rule === 'alt/absent')).toEqual({
      rule: 'alt/absent',
      degree: 'must',
      page: 'index.html',
      source: 'index.html',
      line: 3,
      column: 11,
      url: 'img/a.png',
      message:
        'It has no alt text. A screen reader can only spell the file’s name; nobody who can’t see the picture knows what it is.',
      evidence: 'The alt attribute is not there.',
      remedy: 'Say in a few words what it shows here, or where it leads. Decoration gets an empty alt text.',
    });
  });

  it('knows a picture by all its files: in another size, on its side, and lying there twice', async () => {
    const site = await mkdtemp(join(tmpdir(), 'ibidem-check-families-'));
    const hall = await drawnScene(stage(11), 900, 600);
    const noted = { orientation: 8 };
    await writeFiles(site, {
      'index.html':
        '<html lang="en"><title>Home</title><img src="hall.jpg" alt="The hall at Christmas"><img src="hall.jpg" alt="The hall at Christmas">',
      'news/index.html':
        '<html lang="en"><title>News</title><img src="../hall-300.webp" alt="Winter concert"><img src="small.jpg" alt="Front"><img src="copy of hall.jpg" alt="The hall at Christmas">',
      'hall.jpg': hall,
      'news/copy of hall.jpg': hall,
      'hall-300.webp': await sharp(hall).resize(300).webp().toBuffer(),
      'front.jpg': await sharp(Buffer.from(facade(3, 'red')))
        .resize(900, 600)
        .rotate(90)
        .jpeg()
        .withMetadata(noted)
        .toBuffer(),
      'news/small.jpg': await sharp(Buffer.from(facade(3, 'red')))
        .resize(600, 400)
        .rotate(90)
        .jpeg()
        .toBuffer(),
    });
    try {
      const { out } = await runHere('check', site);
      const rows = rowsOf(out).map(({ rule, url, evidence }) => [rule, url, evidence]);
      expect(rows).toEqual([
        [
          'alt/other-words-elsewhere',
          'hall-300.webp',
          'In 3 other places it says “The hall at Christmas”; both can’t be right.',
        ],
        [
          'file/sideways',
          'news/small.jpg',
          '“front.jpg” shows the same turned by a quarter to the left, and its camera noted that this is upright.',
        ],
        ['file/duplicate', 'news/copy of hall.jpg', '“hall.jpg” has the very same bytes.'],
        ['file/unused', 'front.jpg', expect.any(String)],
      ]);
    } finally {
      await rm(site, { recursive: true, force: true });
    }
  });

  it.each([
    [['--fail-on', 'must'], 1],
    [['--rule', 'fresh/past-its-time', '--fail-on', 'must'], 0],
    [['--rule', 'fresh/past-its-time', '--fail-on', 'should'], 1],
    [['--rule', 'file/unused', '--fail-on', 'note'], 1],
    [['--rule', 'alt/absent'], 0],
  ])('ends after %j with %i', async (options, expected) => {
    const { code } = await runHere('check', folder, ...options);
    expect(code).toBe(expected);
  });

  it('opens no picture where the rule speaks of the page alone', async () => {
    const { out, err } = await runHere('check', folder, '--rule', 'alt/absent');
    expect(rowsOf(out).map(({ page, rule }) => [page, rule])).toEqual([['index.html', 'alt/absent']]);
    expect(err, 'one of them can’t be read').not.toContain('cut.jpg');
  });

  it('names the rules where one is asked for that there is not', async () => {
    const { code, out, err } = await runHere('check', folder, '--rule', 'alt/none');
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(err).toContain('There is no rule “alt/none”.');
    expect(err).toContain('alt/absent, alt/empty-link');
  });
});
