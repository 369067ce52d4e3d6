import { describe, expect, it } from 'vitest';
import { placesOf, swapped } from './swapped.fixture';

/** Another picture of a page, whose widths are listed. */
const ELSEWHERE = '<img src="b-960.jpg" srcset="b-480.jpg 480w, b-960.jpg 960w" sizes="100vw" alt="">';

describe('a list of widths for a place that had one file', () => {
  it.each([
    [
      'with its width in pixels',
      '<img src="img/old.jpg" width="300" height="200" alt="x">',
      '<img src="img/new-600x400.jpg" srcset="img/new-300x200.jpg 300w, img/new-600x400.jpg 600w" sizes="(max-width: 300px) 100vw, 300px" width="300" height="200" alt="A &lt;b>">',
    ],
    [
      'in single quotes, with an alt text put in where the list ends',
      "<img width=240 src='/img/old.jpg'>",
      `<img alt="A &lt;b>" width=240 src='/img/new-480x320.jpg' srcset="/img/new-240x160.jpg 240w, /img/new-480x320.jpg 480w" sizes="(max-width: 240px) 100vw, 240px">`,
    ],
  ])('%s', (_what, before, after) => {
    const { html, files } = swapped(before + ELSEWHERE);
    expect(html.replaceAll('A <b>', 'A &lt;b>')).toBe(after + ELSEWHERE);
    // The candidate itself, and both sizes.
    expect(files).toHaveLength(3);
    const found = placesOf(html).filter(({ kind }) => kind === 'srcset');
    expect(found.filter(({ raw }) => raw.includes('new-')).map(({ raw }) => raw)).toEqual(
      files
        .slice(1)
        .toSorted((a, b) => a.length - b.length || a.localeCompare(b))
        .map((path) => expect.stringContaining(path)),
    );
  });

  it.each([
    ['on a page that lists none', '<img src="img/old.jpg" width="300" height="200" alt="x">', ''],
    ['without a width', '<img src="img/old.jpg" alt="x">', ELSEWHERE],
    [
      'with a list of its own',
      '<img src="img/old.jpg" srcset="img/c.jpg 2x" width="300" alt="x">',
      ELSEWHERE,
    ],
    [
      'within a picture element',
      '<picture><source srcset="c.webp"><img src="img/old.jpg" width="300" alt="x"></picture>',
      ELSEWHERE,
    ],
    ['without quotes', '<img src=img/old.jpg width=300 alt=x>', ELSEWHERE],
    ['at an address with a blank', '<img src="my img/old.jpg" width="300" alt="x">', ELSEWHERE],
    ['behind a blank', '<img src=" img/old.jpg" width="300" alt="x">', ELSEWHERE],
    ['that is a button', '<input type="image" src="img/old.jpg" width="300" alt="x">', ELSEWHERE],
  ])('none for a place %s', (_what, before, elsewhere) => {
    expect(swapped(before + elsewhere).html.replace(elsewhere, '')).not.toMatch(/new-\S+ \d+w/u);
  });

  it('none where the picture has hardly more pixels than the place', () => {
    const { html, files } = swapped(`<img src="img/old.jpg" width="300" height="200" alt="x">${ELSEWHERE}`, { candidate: { widthPx: 390, heightPx: 260 } }); // oxfmt-ignore
    expect(html).not.toMatch(/new-\S+ \d+w/u);
    expect(files.length).toBeLessThan(3);
  });
});
