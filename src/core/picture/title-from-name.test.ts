import { describe, expect, it } from 'vitest';
import { proposeTitle, type TitleSources } from './title-from-name';

const propose = (path: string, more: Partial<TitleSources> = {}) =>
  proposeTitle({ path, widthPx: 960, heightPx: 640, captions: [], altTexts: [], ...more });

describe('proposeTitle', () => {
  it.each([
    ['img/choir-summer_03-300x200.jpg', 'Choir summer'],
    ['img/choir-winter-960.jpg', 'Choir winter'],
    ['img/river, small.jpg', 'River'],
    ['img/open-day_big.jpg', 'Open day'],
    ['img/facade-2016-480.jpg', 'Facade 2016'],
    ['concerts/poster-summer24.png', 'Poster summer24'],
    ['img/hall-choir copy.jpg', 'Hall choir'],
    ['img/TheOldFireStation@2x.jpg', 'The Old Fire Station'],
    ['img/Caf%C3%A9%20am%20Fluss.jpg', 'Café am Fluss'],
    ['img/WINTER CONCERT (2).JPG', 'Winter concert'],
    ['img/river-scaled-e1589012345678.jpg', 'River'],
    ['img/flute-edited-final-v2.jpg', 'Flute'],
    ['img/100%.jpg', null],
    ['img/IMG_2041.jpg', null],
    ['img/DSC_0417.jpg', null],
    ['img/P1010023.JPG', null],
    ['img/20190704_101500.jpg', null],
    ['img/IMG-20190704-WA0012.jpg', null],
    ['img/PXL_20230101_101112345.MP.jpg', null],
    ['img/3f2504e0-4f89-11d3-9a0c-0305e82c3301.png', null],
    ['img/banner.jpg', null],
    ['img/image-3.png', null],
    ['img/Unbenannt.png', null],
  ])('of %s: %s', (path, expected) => expect(propose(path)?.title ?? null).toBe(expected));

  it('takes a caption where the name says nothing, then an alt text that is no file name', () => {
    const words = { captions: ['the small sizes.'], altTexts: ['A cello case'] };
    expect(propose('img/IMG_2041.jpg', words)).toEqual({ title: 'The small sizes', from: 'caption' });
    expect(propose('img/IMG_2041.jpg', { altTexts: ['IMG_2041.jpg', 'A cello case'] })).toEqual({
      title: 'A cello case',
      from: 'alt text',
    });
    expect(propose('img/IMG_2041.jpg', { altTexts: ['IMG_2041'], captions: ['x'.repeat(200)] })).toBeNull();
  });

  it('keeps a year that is no width', () => {
    expect(propose('a/choir-2000.jpg', { widthPx: 2000 })?.title).toBe('Choir');
    expect(propose('a/choir-2000.jpg')?.title).toBe('Choir 2000');
  });
});
