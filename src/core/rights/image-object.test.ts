import { describe, expect, it } from 'vitest';
import { imageObject } from './image-object';
import { imageSitemaps } from './image-sitemap';

const AT = 'https://ferndrake.example/img/hall.jpg';

describe('what search engines are told of a picture', () => {
  it('says licence, where to ask, whom to name, and whose it is', () => {
    const said = {
      title: 'The hall',
      creators: ['Ann Lee', 'Tom Roe'],
      credit: 'Ann Lee / The mill',
      copyrightNotice: '© The mill',
      licence: 'https://creativecommons.org/licenses/by/4.0/',
      webStatement: 'https://creativecommons.org/licenses/by/4.0/',
      attributionUrl: 'https://mill.example/hall',
      usageTerms: 'CC BY 4.0',
    };
    expect(imageObject(AT, said)).toEqual({
      '@type': 'ImageObject',
      contentUrl: AT,
      name: 'The hall',
      creator: [
        { '@type': 'Person', name: 'Ann Lee' },
        { '@type': 'Person', name: 'Tom Roe' },
      ],
      creditText: 'Ann Lee / The mill',
      copyrightNotice: '© The mill',
      license: 'https://creativecommons.org/licenses/by/4.0/',
      acquireLicensePage: 'https://mill.example/hall',
    });
  });

  it.each([
    [{}],
    [{ title: 'The hall' }],
    [{ usageTerms: 'for lessons only', modelRelease: 'MR-NON' as const }],
  ])('is nothing where %j is all that is recorded', (said) => expect(imageObject(AT, said)).toBeNull());
});

describe('the image sitemap', () => {
  it('names each picture of a page once, escaped, and no page without one', () => {
    const pages = [
      {
        address: 'https://a.example/?x=1&y=2',
        pictures: ['https://a.example/b&c.jpg', 'https://a.example/b&c.jpg'],
      },
      { address: 'https://a.example/bare', pictures: [] },
    ];
    const [text = '', ...more] = imageSitemaps(pages);
    expect(more).toEqual([]);
    expect(text.match(/<url>/gu)).toHaveLength(1);
    expect(text).toContain('<loc>https://a.example/?x=1&amp;y=2</loc>');
    expect(text.match(/<image:loc>https:\/\/a\.example\/b&amp;c\.jpg<\/image:loc>/gu)).toHaveLength(1);
    expect(text.startsWith('<?xml version="1.0" encoding="UTF-8"?>\n<urlset ')).toBe(true);
  });

  it('goes on in another file after fifty thousand pages, and is empty where no page shows any', () => {
    const pages = Array.from({ length: 50_001 }, (_, n) => ({ address: `https://a.example/${n}`, pictures: ['https://a.example/b.jpg'] })); // oxfmt-ignore
    const parts = imageSitemaps(pages).map((text) => text.match(/<url>/gu)?.length);
    expect(parts).toEqual([50_000, 1]);
    expect(imageSitemaps([])).toHaveLength(1);
  });
});
