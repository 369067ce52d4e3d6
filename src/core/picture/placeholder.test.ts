import { describe, expect, it } from 'vitest';
import { pictureOf } from './drawn-pictures.fixture';
import {
  emptinessOf,
  placeholderVerdict,
  type PlaceholderPlace,
  type PlaceholderSources,
} from './placeholder';
import { isPromptRead } from './placeholder-words';

const PLACE: PlaceholderPlace = {
  ...{ alt: null, caption: null, heading: '', entry: '', near: '' },
  ...{ section: 'lessons', page: 'lessons/index.html', row: null, isHomeLink: false },
};
const SOURCES: PlaceholderSources = {
  paths: ['img/hall.jpg'],
  ...{ widthPx: 600, heightPx: 400, emptiness: 0.3, sign: null, readText: null },
  isFromCamera: false,
  places: [PLACE],
  ...{ photosBeside: 0, numberedBeside: 0, teaching: null, looksTaught: false },
};
const at = (...places: readonly Partial<PlaceholderPlace>[]) => ({
  places: places.map((place) => ({ ...PLACE, ...place })),
});
const verdict = (sources: Partial<PlaceholderSources>) => placeholderVerdict({ ...SOURCES, ...sources });

describe('placeholderVerdict', () => {
  it.each<[string, Partial<PlaceholderSources>]>([
    ['a flat sample by name and size', { paths: ['img/sample_600x400.png'], emptiness: 0.97 }],
    [
      'a photograph that came with the template',
      { paths: ['img/stock-photo-3.jpg'], ...at({ caption: 'Caption goes here' }) },
    ],
    [
      'a flat one with a template’s caption',
      { emptiness: 0.97, ...at({ caption: 'Lorem ipsum dolor sit amet' }) },
    ],
    ['one told by alt text and emptiness', { ...at({ alt: 'placeholder image' }), emptiness: 0.95 }],
    ['a German one', { paths: ['bilder/platzhalter.png'], emptiness: 0.95 }],
    ['one that looks like a taught one', { looksTaught: true, emptiness: 0.4 }],
    [
      'a numbered one amid blind text',
      { paths: ['img/image-3.png'], emptiness: 0.95, ...at({ near: 'Lorem ipsum dolor sit amet' }) },
    ],
    ['a crossed frame', { emptiness: 0.95, sign: 'crossed frame' }],
    ['one that says itself that it is to come', { emptiness: 0.95, readText: 'Image\ncoming soon' }],
    ['one in which its size is written', { emptiness: 0.95, readText: '300 × 200' }],
    ['a run of colours that nobody described', { emptiness: 0.7, sign: 'gradient' }],
    [
      'a photograph in rows that nobody filled in',
      at(...[1, 2, 3].map(() => ({ entry: 'Name, role', row: 'committee.html ul' }))),
    ],
    [
      'one desk for three things that have nothing in common',
      at(...['Bee inspector', 'The harvest in autumn', 'Wildlife pond'].map((entry) => ({ entry, alt: '' }))),
    ],
    [
      'the outline of a person in two rows with names',
      {
        emptiness: 0.98,
        sign: 'outline of a person',
        ...at({ entry: 'Bran Oakes' }, { entry: 'Tilda Moss' }),
      },
    ],
    [
      'initials in a disc beside a name',
      {
        sign: 'initials in a disc',
        emptiness: 0.98,
        ...at({ alt: 'Mina Kestrel', caption: 'Mina Kestrel, beginners' }),
      },
    ],
    [
      'a camera that nobody drew for its text',
      { sign: 'camera', emptiness: 0.97, ...at({ alt: 'The café' }) },
    ],
    [
      'a sign beside text that names colours',
      { sign: 'mountains and sun', emptiness: 0.9, ...at({ alt: 'Kit', entry: 'Kit Green and white.' }) },
    ],
    [
      'rows with nobody’s name',
      at({ entry: 'John Doe, Job title', row: 'a' }, { entry: 'Jane Doe, Job title', row: 'a' }),
    ],
    [
      'rows in which name and office are unfilled',
      at({ entry: 'Prénom Nom Fonction' }, { entry: 'Nombre y apellidos Cargo' }),
    ],
    [
      'a photograph whose name is a placeholder’s, beside what should be there',
      { paths: ['img/your-photo.jpg'], ...at({ alt: 'Gift shop', entry: 'Gift shop Open with the mill.' }) },
    ],
    [
      'a photograph with the template’s alt text and caption',
      at({ alt: 'Bildbeschreibung hier einfügen', caption: 'Bildunterschrift einfügen' }),
    ],
    ['one of numbered samples', { paths: ['img/sample-2.jpg'], numberedBeside: 2 }],
    ['one that was pointed out', { teaching: 'placeholder', isFromCamera: true }],
  ])('finds %s', (_, sources) => {
    const { isPlaceholder, clues, belief } = verdict(sources);
    expect(isPlaceholder).toBe(true);
    expect(belief).toBeGreaterThanOrEqual(0.8);
    expect(clues.some(({ weight }) => weight > 0)).toBe(true);
  });

  it.each<[string, Partial<PlaceholderSources>]>([
    ['an ordinary photograph', { isFromCamera: true }],
    [
      'an icon beside what a press on it does',
      { paths: ['icons/text-add.png'], widthPx: 24, heightPx: 24, ...at({ entry: 'Add text' }) },
    ],
    [
      'a picture of how titles are added',
      at({ alt: 'Plot with titles', caption: 'Add title and labels to a plot of the rain' }),
    ],
    [
      'a camera that its text draws',
      {
        sign: 'camera',
        emptiness: 0.97,
        ...at({ alt: 'Zeichnung einer Kamera', entry: 'So zeichnen wir eine Kamera' }),
      },
    ],
    [
      'a table of dates and titles',
      at({ entry: 'Name days of May', row: 'a' }, { entry: 'Title races', row: 'a' }),
    ],
    [
      'a logo in every section',
      {
        emptiness: 0.95,
        paths: ['img/logo.png'],
        ...at(...['a', 'b', 'c', 'd'].map((section) => ({ section, alt: 'The school’s bell' }))),
      },
    ],
    [
      'a photograph of fabric samples',
      {
        paths: ['img/sample-table.jpg'],
        isFromCamera: true,
        ...at({ alt: 'Fabric samples laid out on a table' }),
      },
    ],
    [
      'a drawing called a sample of something',
      {
        paths: ['img/sample-programme.png'],
        emptiness: 0.95,
        ...at({ alt: 'A sample programme: three pieces and one song' }),
      },
    ],
    ['a poster', { emptiness: 0.75, ...at({ alt: 'Winter Voices, 14 December 2022' }) }],
    ['a white icon', { widthPx: 32, heightPx: 32, emptiness: 1 }],
    ['a blank that was cleared', { paths: ['img/blank.png'], emptiness: 1, teaching: 'not a placeholder' }],
    [
      'a crossed frame that the text is about',
      {
        emptiness: 0.95,
        sign: 'crossed frame',
        ...at({ alt: 'Bracing of the frame', caption: 'How the frame is braced' }),
      },
    ],
    [
      'a wish not to be shown',
      { emptiness: 0.97, sign: 'outline of a person', readText: 'no photo at her own wish' },
    ],
    [
      'a notice',
      { emptiness: 0.9, readText: 'Closed on Monday 30 November', ...at({ alt: 'Closed on Monday' }) },
    ],
    [
      'one bee wherever bees are meant, described alike',
      at(
        { alt: 'Bee on a borage flower', entry: 'Swarms' },
        { alt: 'Bee on a borage flower', entry: 'Honey for sale' },
        { alt: 'Bee on a borage flower', entry: 'Courses' },
      ),
    ],
    ['a sign that leads home', { emptiness: 0.9, sign: 'large letters', ...at({ isHomeLink: true }) }],
    ['a flat map, described', { emptiness: 0.92, ...at({ alt: 'Map of the way from the bridge' }) }],
  ])('leaves %s', (_, sources) => expect(verdict(sources).isPlaceholder).toBe(false));

  it('says what speaks for and against, the strongest first', () => {
    const { clues } = verdict({ paths: ['img/sample.jpg'], isFromCamera: true, ...at({ alt: 'Hall' }) });
    expect(clues.map(({ text }) => text)).toEqual([
      'A camera took it.',
      'Its name says so: “sample.jpg”.',
      'It is as full as a photograph.',
    ]);
  });
});

describe('emptinessOf', () => {
  it.each([
    ['one tone', { width: 4, height: 1, data: Uint8Array.of(9, 9, 9, 9) }, 1],
    ['two tones', { width: 4, height: 1, data: Uint8Array.of(0, 0, 255, 255) }, 1],
    ['four tones', { width: 4, height: 1, data: Uint8Array.of(0, 80, 160, 255) }, 0.5],
  ])('of %s', (_, plane, expected) => expect(emptinessOf(plane)).toBe(expected));
  it('of a full one is small', () => expect(emptinessOf(pictureOf(3))).toBeLessThan(0.5));
});

describe('isPromptRead', () => {
  it.each([
    'Photo a venir',
    'Foro folgt',
    'Image\nnon disponible',
    'Noch kein\nFoto',
    'Bild in Vorbereitung',
    'Artikelbild folgt',
    'Próximamente',
    'PHOTO INDISPONIBLE',
    'Sponsor logo',
    'Votre logo ici',
  ])('tells “%s”', (text) => expect(isPromptRead(text)).toBe(true));
  it.each([
    '',
    'Photo club',
    'Here',
    'Coming home',
    'Logo',
    'No dogs here',
    'Fotos von Ada, Bild 3',
    'Title of the play',
  ])('leaves “%s”', (text) => expect(isPromptRead(text)).toBe(false));
});
