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
      '“tutors” in the section it stands in',
    ],
    ['class group', { captions: ['Class of 2019'] }, '“Class of” in its caption'],
    ['class group', { altTexts: ['Both choirs on the stage'] }, '“choirs” in its alt text'],
    ['event', { path: 'img/poster-summer24.png' }, '“poster” in its name'],
    ['event', { path: 'img/cup-final.jpg' }, '“final” in its name'],
    [
      'event',
      { pages: [{ path: 'concerts/2019.html', title: 'Concerts of 2019' }] },
      '“concerts” in the section it stands in',
    ],
    ['building', { path: 'img/facade-2016-480.jpg' }, '“facade” in its name'],
    ['building', { captions: ['Das Schulhaus von Süden'] }, '“Schulhaus” in its caption'],
    ['product', { headings: ['Shop', 'Price list'] }, '“Shop” in the heading above it'],
    ['class group', { altTexts: ['The guitar group in the tower'] }, '“group” in its alt text'],
    ['building', { captions: ['The tower, where groups meet'] }, '“tower” in its caption'],
    ['portrait', { captions: ['Unsere Lehrerin'] }, '“Lehrerin” in its caption'],
    ['event', { captions: ['Départ de la régate'] }, '“régate” in its caption'],
    ['event', { altTexts: ['Am Abend'], times: ['day'] }, 'the time that its words name'],
    ['class group', { captions: ['Riders'], times: ['school-year'] }, 'the time that its words name'],
    ['building', { captions: ['The hall'], times: ['day'] }, '“hall” in its caption'],
    ['product', { entries: ['A woollen hat, £18'] }, '“£18” in its row'],
  ])('guesses %s', (kind, sources, reason) => {
    expect(guessKind({ ...SOURCES, ...sources })).toEqual({ kind, reason });
  });

  it.each<[string, Partial<KindSources>]>([
    ['nothing', {}],
    ['the last of several versions of a file', { path: 'img/leaflet-map_final.jpg' }],
    ['a page’s title alone', { pages: [{ path: 'about.html', title: 'About our garden' }] }],
    ['where something is', { altTexts: ['A viola in the practice room'] }],
    [
      'one of the many pages that show it',
      {
        pages: ['choirs/a.html', 'fees.html', 'find-us.html'].map((path) => ({ path, title: 'School' })),
      },
    ],
    ['an icon', { path: 'img/team.png', widthPx: 24, heightPx: 24 }],
    [
      'words of every day',
      { altTexts: ['Beispiele für den Verlauf', 'Ways to visit us'], captions: ['Our course'] },
    ],
    ['parts of words', { altTexts: ['A classical refrontation'] }],
  ])('guesses nothing from %s', (_, sources) => expect(guessKind({ ...SOURCES, ...sources })).toBeNull());
});
