import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { siteOfFiles } from '../address/resolve-address';
import { applyEdits } from '../edit/apply-edits';
import { NOTHING_DECLARED } from '../markup/declared-slot';
import { readPage } from '../markup/read-page';
import { cropToShape, focalOfCrop, shareKept } from './crop';
import { freeName, slugOf, slugOfFile } from './file-name';
import { planSwap, type Candidate, type SwapPlace } from './plan-swap';
import { slotOf } from './slot';
import { editsOfPlace } from './swap-edits';

const OLD = { widthPx: 600, heightPx: 400 };
const side = fc.integer({ min: 20, max: 5000 });
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('slotOf', () => {
  it.each([
    ['both sizes declared', 'img', { widthPx: 300, heightPx: 200 }, OLD, [600, 400, 'fixed', 'declared']],
    [
      'one declared, the old shape gives the other',
      'img',
      { widthPx: 150 },
      OLD,
      [300, 200, 'fixed', 'declared'],
    ],
    ['height alone', 'img', { heightPx: 100 }, OLD, [300, 200, 'fixed', 'declared']],
    ['none declared: the old picture’s pixels', 'img', {}, OLD, [600, 400, 'fixed', 'old picture']],
    [
      'a srcset candidate by its width',
      'srcset',
      { descriptor: '480w' },
      OLD,
      [480, 320, 'fixed', 'descriptor'],
    ],
    [
      'a density keeps the old pixels',
      'srcset',
      { descriptor: '2x' },
      OLD,
      [600, 400, 'fixed', 'old picture'],
    ],
    ['an icon by its sizes', 'icon', { sizes: '32x32' }, OLD, [32, 32, 'fixed', 'declared']],
    ['an enlarge target is free', 'link', {}, OLD, [2000, 2000, 'free', 'limit']],
    ['a missing picture without sizes is free', 'img', {}, null, [2000, 2000, 'free', 'limit']],
  ] as const)('%s', (_name, kind, declared, old, [widthPx, heightPx, shape, from]) => {
    expect(slotOf(kind, { ...NOTHING_DECLARED, ...declared }, old)).toMatchObject({
      widthPx,
      heightPx,
      shape,
      from,
    });
  });
});

describe('cropToShape', () => {
  it('keeps inside, keeps the shape, and holds the focal point', () => {
    fc.assert(
      fc.property(
        side,
        side,
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        share,
        share,
        (widthPx, heightPx, ratio, x, y) => {
          const crop = cropToShape({ widthPx, heightPx }, ratio, { x, y });
          expect(crop.left).toBeGreaterThanOrEqual(0);
          expect(crop.top).toBeGreaterThanOrEqual(0);
          expect(crop.left + crop.widthPx).toBeLessThanOrEqual(widthPx);
          expect(crop.top + crop.heightPx).toBeLessThanOrEqual(heightPx);
          expect(x * widthPx).toBeGreaterThanOrEqual(crop.left - 1);
          expect(x * widthPx).toBeLessThanOrEqual(crop.left + crop.widthPx + 1);
          expect(y * heightPx).toBeGreaterThanOrEqual(crop.top - 1);
          expect(y * heightPx).toBeLessThanOrEqual(crop.top + crop.heightPx + 1);
          expect(Math.abs(crop.widthPx / ratio - crop.heightPx)).toBeLessThanOrEqual(1 + 1 / ratio);
          expect(crop.widthPx === widthPx || crop.heightPx === heightPx).toBe(true);
        },
      ),
    );
  });

  it('says what share of the picture is kept', () => {
    const crop = cropToShape({ widthPx: 400, heightPx: 300 }, 1, { x: 0, y: 0.5 });
    expect(crop).toEqual({ left: 0, top: 0, widthPx: 300, heightPx: 300 });
    expect(shareKept({ widthPx: 400, heightPx: 300 }, crop)).toBe(0.75);
  });
});

describe('names', () => {
  it.each([
    ['Engine room, rehearsal', 'engine-room-rehearsal'],
    ['Straße & Café', 'strasse-cafe'],
    ['漢字', 'picture'],
    ['x'.repeat(90), 'x'.repeat(60)],
  ])('%s', (text, slug) => {
    expect(slugOf(text)).toBe(slug);
  });

  it('of files and folders, none twice', () => {
    expect(slugOfFile('C:\\photos\\IMG 2041.JPG')).toBe('img-2041');
    expect(freeName('a', 'jpg', (name) => ['a.jpg', 'a-2.jpg'].includes(name))).toBe('a-3.jpg');
  });
});

const CANDIDATE: Candidate = {
  widthPx: 2400,
  heightPx: 1800,
  format: 'jpeg',
  isAnimated: false,
  focal: { x: 0.5, y: 0.5 },
  slug: 'new',
};

function planFor(html: string, candidate: Partial<Candidate> = {}, taken: readonly string[] = []) {
  const source = { text: html, encoding: 'windows-1252' };
  const { placements } = readPage({
    address: 'p/x.html',
    source,
    site: siteOfFiles(),
    sheetOf: () => undefined,
  });
  const places: SwapPlace[] = placements.map((placement) => ({ ...placement, path: 'img/old.png' }));
  const plan = planSwap({
    places,
    oldPath: 'img/old.png',
    oldSize: () => OLD,
    candidate: { ...CANDIDATE, ...candidate },
    isTaken: (path) => taken.includes(path),
  });
  return { plan, source };
}

describe('planSwap', () => {
  it('gives each slot its rendition, and shares those that are alike', () => {
    const { plan } = planFor(
      '<a href="/img/old.png"><img src=/img/old.png width=160 height=160></a><img src=/img/old.png width=160 height=160><img src=/img/old.png srcset="/img/old.png 480w"><link rel=icon href=/img/old.png sizes=32x32>',
    );
    expect(plan.places.map(({ place, rendition }) => `${place.kind} ${rendition.path}`)).toEqual([
      'link img/new-2000x1500.jpg',
      'img img/new-320x320.jpg',
      'img img/new-320x320.jpg',
      'img img/new-600x400.jpg',
      'srcset img/new-480x320.jpg',
      'icon img/new-32x32.png',
    ]);
    expect(plan.renditions[0]).toMatchObject({ path: 'img/new.jpg', format: 'original' });
    expect(plan.renditions.map(({ path }) => path)).toEqual([
      'img/new.jpg',
      'img/new-2000x1500.jpg',
      'img/new-320x320.jpg',
      'img/new-600x400.jpg',
      'img/new-480x320.jpg',
      'img/new-32x32.png',
    ]);
  });

  it('never enlarges, and says where the picture is too small', () => {
    const { plan } = planFor('<img src=/img/old.png width=300 height=200>', { widthPx: 300, heightPx: 225 });
    expect(plan.places[0]).toMatchObject({ isTooSmall: true, rendition: { widthPx: 300, heightPx: 200 } });
  });

  it.each([
    ['a drawing', { format: 'svg' }, 'img/new.svg'],
    ['a moving picture', { format: 'gif', isAnimated: true }, 'img/new.gif'],
    ['a picture that fits to the pixel', { widthPx: 600, heightPx: 400 }, 'img/new.jpg'],
  ])('puts %s in as it is', (_name, candidate, path) => {
    const { plan } = planFor('<img src=/img/old.png>', candidate);
    expect(plan.places[0]?.rendition).toMatchObject({ path, format: 'original' });
  });

  it('keeps a declared type, and takes no name that is taken', () => {
    const { plan } = planFor(
      '<picture><source type="image/webp" srcset="/img/old.png 1x"><img src=/img/old.png></picture>',
      {},
      ['img/new.jpg', 'img/new-600x400.webp'],
    );
    expect(plan.renditions.map(({ path }) => path)).toEqual([
      'img/new-2.jpg',
      'img/new-600x400-2.webp',
      'img/new-600x400.jpg',
    ]);
  });
});

describe('editsOfPlace', () => {
  const written = (html: string, words: { alt: string | null; caption: string | null }) => {
    const { plan, source } = planFor(html);
    const edits = plan.places.flatMap((planned) => editsOfPlace(planned, source, words));
    const bytes = new TextEncoder().encode(html);
    const result = applyEdits({ bytes, source }, edits);
    if (!result.ok) throw new Error(result.problem.code);
    return new TextDecoder('latin1').decode(result.bytes);
  };

  it.each([
    [
      'the reference alone',
      '<IMG SRC=../img/old.png ALT="x">',
      { alt: null, caption: null },
      '<IMG SRC=../img/new-600x400.jpg ALT="x">',
    ],
    [
      'an alt text that is there',
      `<img alt='x' src="/img/old.png">`,
      { alt: `A "b" & c's`, caption: null },
      `<img alt='A "b" &amp; c&#39;s' src="/img/new-600x400.jpg">`,
    ],
    [
      'an alt text that is missing',
      '<img src="/img/old.png">',
      { alt: 'A', caption: null },
      '<img alt="A" src="/img/new-600x400.jpg">',
    ],
    [
      'an alt without a value',
      '<img alt src="/img/old.png">',
      { alt: 'A', caption: null },
      '<img alt="A" src="/img/new-600x400.jpg">',
    ],
    [
      'an unquoted alt',
      '<img src=/img/old.png alt=x>',
      { alt: 'two words', caption: null },
      '<img src=/img/new-600x400.jpg alt="two words">',
    ],
    [
      'the caption',
      '<figure><img src="/img/old.png"><figcaption>Old <b>one</b></figcaption></figure>',
      { alt: null, caption: 'A < b, \u0142' },
      '<figure><img src="/img/new-600x400.jpg"><figcaption>A &lt; b, &#322;</figcaption></figure>',
    ],
    [
      'no caption that holds a link',
      '<figure><img src="/img/old.png"><figcaption><a href=x>Old</a></figcaption></figure>',
      { alt: null, caption: 'New' },
      '<figure><img src="/img/new-600x400.jpg"><figcaption><a href=x>Old</a></figcaption></figure>',
    ],
    [
      'one alt text for a picture with sources',
      '<picture><source srcset="/img/old.png 1x"><img src=/img/old.png alt=""></picture>',
      { alt: 'A', caption: null },
      '<picture><source srcset="/img/new-600x400.jpg 1x"><img src=/img/new-600x400.jpg alt="A"></picture>',
    ],
    [
      'a style attribute',
      `<p style="background:url(&quot;/img/old.png&quot;)">`,
      { alt: 'A', caption: null },
      `<p style="background:url(&quot;/img/new-600x400.jpg&quot;)">`,
    ],
  ] as const)('%s', (_name, html, words, expected) => {
    expect(written(html, words)).toBe(expected);
  });
});

describe('a crop that a person moved', () => {
  it('is given again by its focal point', () => {
    fc.assert(
      fc.property(
        side,
        side,
        fc.constantFrom(1, 16 / 9, 3 / 4),
        share,
        share,
        (widthPx, heightPx, ratio, x, y) => {
          const crop = cropToShape({ widthPx, heightPx }, ratio, { x: 0.5, y: 0.5 });
          const moved = { ...crop, left: Math.round(x * (widthPx - crop.widthPx)), top: Math.round(y * (heightPx - crop.heightPx)) }; // oxfmt-ignore
          const focal = focalOfCrop({ widthPx, heightPx }, moved, { x: 0.3, y: 0.3 });
          expect(cropToShape({ widthPx, heightPx }, ratio, focal)).toEqual(moved);
        },
      ),
    );
  });
});

describe('what single places have, and files of the site itself', () => {
  const at = (path: string, more: Partial<SwapPlace> = {}): SwapPlace => ({
    ...{ kind: 'img', page: 'a.html', source: 'a.html', raw: path, start: 0, end: 1, path },
    declared: { ...NOTHING_DECLARED, widthPx: 100, heightPx: 100 },
    words: { alt: null, addAttribute: null, caption: null } as unknown as SwapPlace['words'],
    ...more,
  });
  const candidate: Candidate = { widthPx: 400, heightPx: 200, format: 'jpeg', isAnimated: false, focal: { x: 0.5, y: 0.5 }, slug: 'new' }; // oxfmt-ignore
  const input = { oldSize: () => null, oldPath: 'img/old.jpg', isTaken: () => false };
  it('a place of its own point is cropped there, the others where the picture says', () => {
    const { places } = planSwap({ ...input, candidate, places: [at('img/old.jpg'), at('img/old.jpg', { focal: { x: 1, y: 0.5 } })] }); // oxfmt-ignore
    expect(places.map(({ rendition }) => rendition.crop.left)).toEqual([100, 200]);
    expect(new Set(places.map(({ rendition }) => rendition.path)).size).toBe(2);
  });
  it('goes by its best crops, as long as nobody has chosen a point', () => {
    const shapes = [{ ratio: 1, at: 1 }];
    const places = [at('img/old.jpg'), at('img/old.jpg', { focal: { x: 0.5, y: 0.5 } })];
    const planned = planSwap({
      ...input,
      candidate: { ...candidate, focal: { x: 0.9, y: 0.5 }, shapes },
      places,
    });
    expect(planned.places.map(({ rendition }) => rendition.crop.left)).toEqual([200, 100]);
  });
  it.each([
    ['shown where it is', 'img/old.jpg', 'img/large.jpg', ['img/large.jpg'], []],
    ['copied beside what looks into another folder', 'pics/old.jpg', 'img/large.jpg', ['pics/new.jpg'], ['pics/new.jpg']], // oxfmt-ignore
  ])('a file of the site is %s', (_, path, ownPath, shown, added) => {
    const whole = { declared: { ...NOTHING_DECLARED, widthPx: 200, heightPx: 100 } };
    const { places, renditions } = planSwap({ ...input, candidate, ownPath, places: [at(path, whole)] });
    expect(places.map(({ rendition }) => rendition.path)).toEqual(shown);
    expect(renditions.map((one) => one.path)).toEqual(added);
  });
  it('a pixel more or less is the picture as it is', () => {
    const { places } = planSwap({ ...input, candidate: { ...candidate, heightPx: 201 }, places: [at('img/old.jpg', { declared: { ...NOTHING_DECLARED, widthPx: 200, heightPx: 100 } })] }); // oxfmt-ignore
    expect(places[0]?.rendition.format).toBe('original');
  });
});
