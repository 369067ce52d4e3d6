import { countingWords, sureText, wordsNotCarried } from './read-words';
import { describe, expect, it } from 'vitest';
import { unknownPicture } from '../page-to-check';
import { alike } from './alike';
import { aroundTaken, takenOn } from './around-taken';
import { isFileName, saysOnly } from './empty-texts';
import { wordLists } from './word-lists';

const LANGUAGES = ['en', 'de', 'fr', 'es'];

describe('wordLists', () => {
  it.each(LANGUAGES)('of %s are in lower case, each word once, and none in both', (language) => {
    const [own] = wordLists(language);
    const all = [...(own?.generic ?? []), ...(own?.sortOnly ?? [])];
    expect(all.length).toBeGreaterThan(20);
    expect(all.filter((word) => word !== word.toLowerCase() || word !== word.trim())).toEqual([]);
    expect(all.filter((word, n) => all.indexOf(word) !== n)).toEqual([]);
  });

  it.each([
    ['en', 1],
    ['en-GB', 1],
    ['de-CH', 2],
    ['FR', 2],
    ['la', LANGUAGES.length],
    [null, LANGUAGES.length],
  ])('hold for %s: %i', (language, count) => expect(wordLists(language)).toHaveLength(count));
});

describe('saysOnly', () => {
  it.each([
    ['image', 'en', 'picture'],
    ['  Photo #12 ', 'en', 'picture'],
    ['Bild 3', 'de', 'picture'],
    ['Légende', 'fr', 'picture'],
    ['sin título', 'es', 'picture'],
    ['Logo', 'en', 'sort'],
    ['Plakat', 'de', 'sort'],
    ['Plakat', 'en', null],
    ['The image of a saint', 'en', null],
    ['', 'en', null],
    ['2019', 'en', null],
  ])('%s in %s: %s', (text, language, expected) => expect(saysOnly(text, language)).toBe(expected));
});

describe('isFileName', () => {
  it.each([
    ['hall.jpg', 'img/hall.jpg', true],
    ['Choir on stage_final.png', 'img/x.png', true],
    ['IMG_2041', 'img/x.jpg', true],
    ['PXL_20230101_101112345', 'img/x.jpg', true],
    ['hall-choir-2', 'img/hall-choir-2.jpg', true],
    ['hall-choir', 'img/hall-choir.jpg', false],
    ['Open day', 'img/open-day.jpg', false],
    ['mp3-player', 'img/other.jpg', false],
    ['Version 2.0', 'img/x.jpg', false],
    ['2019', 'img/2019.jpg', false],
    ['Photo 3', 'img/x.jpg', false],
    ['Choir on stage.png', 'img/x.png', false],
    ['Choir on -stage.png', 'img/x.png', false],
    ['Choir on stage_2.svg', 'img/x.png', false],
    ['.png', 'img/x.png', false],
    // The name of its own file with blanks for underscores, as wikis write it, or as it is.
    ['Choir on stage.png', 'img/Choir_on_stage.png', true],
    ['Choir on stage.png', 'img/choir-on-stage.png', true],
    ['Choir on stage.JPG', 'img/Choir%20on%20stage.JPG?v=2', true],
    ['Choir on stage.jpg', 'img/Choir+on+stage.jpg', true],
    ['Choir on stage.svg', 'img/120px-Choir_on_stage.svg.png', true],
    ['Choir on stage.jpg', 'img/Choir-on-stage-300x200.jpg', true],
    ['Choir on stage.jpg', 'img/choir-on-stage-scaled.webp', true],
    ['Fête d’été.jpg', 'img/F%C3%AAte_d%E2%80%99%C3%A9t%C3%A9.jpg', true],
    ['Choir on stage.jpg', 'img/Choir_on_stage_%', false],
    ['Choir on stage', 'img/Choir_on_stage.png', false],
    ['The choir on stage.png', 'img/Choir_on_stage.png', false],
    ['Choir on stage.', 'img/Choir_on_stage.png', false],
    ['Screenshot of the menu with choir.png', 'img/choir.png', false],
    // Renamed when it was uploaded: nobody ends a sentence in a numbered file.
    ['Class trip 2019.jpg', 'media/8f3a77.jpg', true],
    ['image (2).png', 'media/8f3a77.png', true],
    ['Class trip 2019', 'media/8f3a77.jpg', false],
    ['Version 2.0', 'media/8f3a77.jpg', false],
    // Lines that people draw with signs; each was tried from every one of its signs on.
    ['_'.repeat(40_000), 'img/x.jpg', false],
    ['a-'.repeat(20_000), 'img/x.jpg', false],
    // Names with ending upon ending and size upon size; each was looked for again from the name's beginning.
    ['Choir on stage.jpg', `img/x${'.aa'.repeat(400_000)}`, false],
    ['Choir on stage.jpg', `img/x${'-100x100'.repeat(200_000)}`, false],
    [`Choir on ${'sta.aa'.repeat(300)}.jpg`, 'img/x.jpg', false],
    ['Choir on stage.jpg', `img/${'x/'.repeat(500)}Choir_on_stage${'.jpg'.repeat(50)}`, true],
  ])('%.40s for %.40s: %s', (text, address, expected) => expect(isFileName(text, address)).toBe(expected));
});

describe('alike', () => {
  it.each([
    ['Red doors', 'red doors.', true],
    ['“Red   doors”', 'Red-doors', true],
    ['Über uns', 'über uns', true],
    ['Red doors', 'Red door', false],
    ['…', '—', false],
    ['', '', false],
  ])('%s and %s: %s', (a, b, expected) => expect(alike(a, b)).toBe(expected));
});

describe('aroundTaken', () => {
  const picture = { ...unknownPicture('a.jpg'), ...takenOn(18_000) };
  it('gives the days and those around them, by another witness than what is checked', () => {
    expect(aroundTaken(picture, ['caption'])).toEqual({
      span: { from: 18_000, until: 18_000 },
      around: { from: 17_938, until: 18_062 },
    });
    expect(aroundTaken(picture, ['camera'])).toBeNull();
    expect(aroundTaken(unknownPicture('a.jpg'), [])).toBeNull();
    expect(aroundTaken(null, [])).toBeNull();
  });
});

describe('words that were read in a picture', () => {
  it.each([
    [
      [
        ['SUMMER', 96],
        ['Jud024,', 24],
        ['7', 96],
        ['—', 99],
      ],
      'SUMMER 7',
    ],
    [[], ''],
  ] as const)('%j', (words, text) => {
    const line = words.map(([word, confidence]) => ({ text: word, confidence }));
    expect(sureText([line, [], line])).toBe(text && `${text}\n${text}`);
  });

  it.each([
    ['Summer concert at 7 pm', ['Summer', 'concert']],
    ['Le Fête, la fête, LA FÊTE', ['FÊTE']],
    ['— · !', []],
  ])('of “%s” these count', (text, words) => expect(countingWords(text)).toEqual(words));

  it.each([
    ['Summer concert', 'a SUMMER evening, and a concert', []],
    // One letter misread, in a word that is long enough.
    ['Sumrner Concort', 'summer concert', ['Sumrner']],
    ['14 June 2024', 'on 14 July 2024', ['June']],
    ['2024', '2025', ['2024']],
    ['Übung', 'Ubung', []],
  ])('of “%s” beside “%s” these are missing', (read, carried, missing) => {
    expect(wordsNotCarried(read, carried)).toEqual(missing);
  });
});
