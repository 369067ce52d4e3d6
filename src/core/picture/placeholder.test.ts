import { describe, expect, it } from 'vitest';
import { pictureOf } from './drawn-pictures.fixture';
import { emptinessOf, placeholderVerdict, type PlaceholderSources } from './placeholder';

const SOURCES: PlaceholderSources = {
  paths: ['img/hall.jpg'],
  widthPx: 600,
  heightPx: 400,
  emptiness: 0.3,
  isFromCamera: false,
  altTexts: [],
  captions: [],
  nearTexts: [],
  sections: ['lessons'],
  teaching: null,
  looksTaught: false,
};
const verdict = (sources: Partial<PlaceholderSources>) => placeholderVerdict({ ...SOURCES, ...sources });

describe('placeholderVerdict', () => {
  it.each<[string, Partial<PlaceholderSources>]>([
    ['a flat sample by name and size', { paths: ['img/sample_600x400.png'], emptiness: 0.97 }],
    [
      'a photograph that came with the template',
      { paths: ['img/stock-photo-3.jpg'], captions: ['Caption goes here'] },
    ],
    ['a flat one with a template’s caption', { emptiness: 0.97, captions: ['Lorem ipsum dolor sit amet'] }],
    ['one told by alt text and emptiness', { altTexts: ['placeholder image'], emptiness: 0.95 }],
    ['a German one', { paths: ['bilder/platzhalter.png'], emptiness: 0.95 }],
    ['one that looks like a taught one', { looksTaught: true, emptiness: 0.4 }],
    [
      'a numbered one amid blind text',
      { paths: ['img/image-3.png'], emptiness: 0.95, nearTexts: ['Lorem ipsum dolor sit amet'] },
    ],
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
      'a logo in every section',
      {
        emptiness: 0.95,
        paths: ['img/logo.png'],
        altTexts: ['The school’s bell'],
        sections: ['a', 'b', 'c', 'd'],
      },
    ],
    [
      'a photograph of fabric samples',
      {
        paths: ['img/sample-table.jpg'],
        isFromCamera: true,
        altTexts: ['Fabric samples laid out on a table'],
      },
    ],
    [
      'a drawing called a sample of something',
      {
        paths: ['img/sample-programme.png'],
        emptiness: 0.95,
        altTexts: ['A sample programme: three pieces and one song'],
      },
    ],
    ['a poster', { emptiness: 0.75, altTexts: ['Winter Voices, 14 December 2022'] }],
    ['a white icon', { widthPx: 32, heightPx: 32, emptiness: 1 }],
    ['a blank that was cleared', { paths: ['img/blank.png'], emptiness: 1, teaching: 'not a placeholder' }],
    ['a flat map, described', { emptiness: 0.92, altTexts: ['Map of the way from the bridge'] }],
  ])('leaves %s', (_, sources) => expect(verdict(sources).isPlaceholder).toBe(false));

  it('says what speaks for and against, the strongest first', () => {
    const { clues } = verdict({ paths: ['img/sample.jpg'], isFromCamera: true });
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
