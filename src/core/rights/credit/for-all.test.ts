import { describe, expect, it } from 'vitest';
import { exceptedFrom, isCreditLike, isCreditsTitle, isForAll } from './for-all';

describe('a line for all pictures of its page', () => {
  it.each([
    'All photos: Ann Lee',
    'All of the other pictures by Tom Hay',
    'Every photograph © Brightline',
    'Photos on this page: Ann Lee',
    'Images throughout by Ann Lee',
    'Photos by Ann Lee unless otherwise stated',
    'Alle Fotos: Ann Lee',
    'Alle übrigen Bilder: Ann Lee',
    'Fotos auf dieser Seite: Ann Lee',
    'Bilder: Ann Lee, soweit nicht anders angegeben',
    'Toutes les photos : Ann Lee',
    'Photos de cette page : Ann Lee',
    'Todas las fotos: Ann Lee',
    'Fotos de esta página: Ann Lee',
    'All photos in this article: Ann Lee',
  ])('%s', (line) => {
    expect(isForAll(line)).toBe(true);
  });

  it.each([
    'Photo: Ann Lee',
    'All photos of the choir: Ann Lee',
    'All pictures from the summer concert by Tom Hay',
    'Foto: Ann Lee',
    'Each of us has a camera',
    'We like photographs',
    'Allerlei Fotos',
    'Toutes nos félicitations',
  ])('is not “%s”', (line) => {
    expect(isForAll(line)).toBe(false);
  });

  it.each([
    ['All photos: Ann Lee, except the hall: Tom Hay', ', except the hall: Tom Hay'.length - 2],
    ['Alle Fotos: Ann Lee, außer Halle', 'außer Halle'.length],
    ['Toutes les photos : Ann Lee, sauf le hall', 'sauf le hall'.length],
    ['All photos by Ann Lee except where stated', 0],
    ['All photos: Ann Lee', 0],
  ])('%s', (line, excepted) => {
    expect(line.length - exceptedFrom(line)).toBe(excepted);
  });
});

it.each([
  ['Photo credits', true], ['Picture Credits', true], ['Image sources', true], ['Photographs and text acknowledgements', true],
  ['Bildnachweis', true], ['Fotonachweise', true], ['Bildquellen', true], ['Nachweis der Bilder', true],
  ['Crédits photos', true], ['Crédits photographiques', true], ['Créditos de las fotos', true], ['Créditos fotográficos', true],
  ['Credits', false], ['Photo gallery', false], ['Our pictures', false], ['Bilder', false], ['Impressum', false], ['Credit cards', false],
])('the title “%s” is that of picture credits: %s', (title, expected) => {
  expect(isCreditsTitle(title)).toBe(expected);
}); // oxfmt-ignore

it.each([
  ['© Ann Lee', true], ['(c) 2024 Ann Lee', true], ['Photo: Ann Lee', true], ['Photo by Ann Lee', true], ['Picture courtesy of Brightline', true],
  ['Foto: Ann Lee', true], ['Bild von Ann Lee', true], ['Photo par Ann Lee', true], ['Foto por Ann Lee', true], ['Bildnachweis: Brightline', true],
  ['Ann Lee plays the cello', false], ['The photo shows the hall', false], ['Bilder einer Ausstellung', false], ['', false],
])('“%s” is made like a credit: %s', (line, expected) => {
  expect(isCreditLike(line)).toBe(expected);
}); // oxfmt-ignore
