import { describe, expect, it } from 'vitest';
import { guessKind, type KindSources } from './guess-kind';

const SOURCES: KindSources = {
  path: 'img/a.jpg',
  widthPx: 600,
  heightPx: 400,
  altTexts: [],
  captions: [],
  headings: [],
  pages: [],
};

describe('guessKind', () => {
  it.each<[string, Partial<KindSources>, string]>([
    [
      'portrait',
      { heightPx: 800, pages: [{ path: 'tutors/index.html', title: 'Tutors' }] },
      '“Tutors” in the page it stands on',
    ],
    ['class group', { captions: ['Class of 2019'] }, '“Class of” in its caption'],
    ['class group', { altTexts: ['Both choirs on the stage'] }, '“choirs” in its alt text'],
    ['event', { path: 'img/poster-summer24.png' }, '“poster” in its name'],
    [
      'event',
      { pages: [{ path: 'concerts/2019.html', title: 'Concerts of 2019' }] },
      '“Concerts” in the page it stands on',
    ],
    ['building', { path: 'img/facade-2016-480.jpg' }, '“facade” in its name'],
    ['building', { captions: ['Das Schulhaus von Süden'] }, '“Schulhaus” in its caption'],
    ['product', { headings: ['Shop', 'Price list'] }, '“Shop” in the heading above it'],
    ['portrait', { captions: ['Unsere Lehrerin'] }, '“Lehrerin” in its caption'],
  ])('guesses %s', (kind, sources, reason) => {
    expect(guessKind({ ...SOURCES, ...sources })).toEqual({ kind, reason });
  });

  it.each<[string, Partial<KindSources>]>([
    ['nothing', {}],
    ['a page’s title alone', { pages: [{ path: 'about.html', title: 'About our garden' }] }],
    ['parts of words', { altTexts: ['A classical refrontation'] }],
  ])('guesses nothing from %s', (_, sources) => expect(guessKind({ ...SOURCES, ...sources })).toBeNull());
});
