/** What the server makes of a revision is what its maps and tables say, in every pixel; and what goes in in any form. */
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { inverse, mapped } from '@/core/revision/affine';
import { toResult } from '@/core/revision/frames';
import { AS_IT_IS, UNLIT, type Revision } from '@/core/revision/steps';
import { makeRevision, makeWorking } from '@/server/imaging/make-revision';
import { MetadataWriter } from '@/server/imaging/write-metadata';
import { readMetadata } from '@/server/imaging/read-metadata';

const [WIDTH, HEIGHT] = [420, 300];

/** Soft waves, of which no two corners are alike: what lies where can be told to a fraction of a pixel. */
const red = (x: number, y: number) => 128 + 60 * Math.sin(x / 23) + 50 * Math.cos(y / 31 + x / 90);
const waves = (() => {
  const data = Buffer.alloc(WIDTH * HEIGHT * 3);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const at = (y * WIDTH + x) * 3;
      data[at] = Math.round(red(x + 0.5, y + 0.5));
      data[at + 1] = 128;
      data[at + 2] = 40;
    }
  return sharp(data, { raw: { width: WIDTH, height: HEIGHT, channels: 3 } });
})();

async function pixels(bytes: Uint8Array) {
  return sharp(bytes).raw().toBuffer({ resolveWithObject: true });
}

describe('every pixel is where the map says', () => {
  const rows: readonly Partial<Revision>[] = [
    {},
    { turn: 1 },
    { turn: 2, mirror: 'sideways' },
    { turn: 3, mirror: 'upside down' },
    { straighten: 0.4 },
    { straighten: -3.7 },
    { straighten: 20, turn: 1 },
    { straighten: -45, mirror: 'sideways' },
    { straighten: 6, turn: 3, mirror: 'sideways', crop: { x: 0.2, y: 0.1, width: 0.5, height: 0.6 } },
    { crop: { x: 0.5, y: 0, width: 0.5, height: 0.5 }, size: { by: 'longest', px: 120 } },
    { turn: 1, straighten: 9, struck: ['straighten'] },
  ];
  it.each(rows)('%j', async (steps) => {
    const revision = { ...AS_IT_IS, ...steps };
    const made = await makeRevision({ bytes: await waves.clone().png().toBuffer(), format: 'png' }, revision);
    const { data, info } = await pixels(made.bytes);
    expect([info.width, info.height, info.channels]).toEqual([made.widthPx, made.heightPx, 3]);
    const back = inverse(toResult({ widthPx: WIDTH, heightPx: HEIGHT }, revision));
    let worst = 0;
    for (let y = 0; y < info.height; y++)
      for (let x = 0; x < info.width; x++) {
        const { x: u, y: v } = mapped(back, { x: x + 0.5, y: y + 0.5 });
        worst = Math.max(worst, Math.abs((data[(y * info.width + x) * 3] ?? 0) - red(u, v)));
      }
    // A pixel aside would be three levels and more on the slopes.
    expect(worst).toBeLessThan(2);
  });
});

describe('what goes in', () => {
  const cropped: Revision = { ...AS_IT_IS, crop: { x: 0, y: 0, width: 0.5, height: 1 } };
  const small = waves.clone().resize(60, 40);
  const alpha = small.clone().ensureAlpha(0.5);
  it.each([
    ['JPEG stays JPEG', () => small.clone().jpeg().toBuffer(), 'jpeg', 'jpeg'],
    ['WebP stays WebP', () => small.clone().webp().toBuffer(), 'webp', 'webp'],
    ['TIFF becomes JPEG', () => small.clone().tiff().toBuffer(), 'tiff', 'jpeg'],
    [
      'what is seen through becomes PNG',
      () => alpha.clone().tiff({ compression: 'lzw' }).toBuffer(),
      'tiff',
      'png',
    ],
    ['GIF becomes JPEG', () => small.clone().gif().toBuffer(), 'gif', 'jpeg'],
    [
      'CMYK comes out in colours',
      () => small.clone().toColourspace('cmyk').jpeg().toBuffer(),
      'jpeg',
      'jpeg',
    ],
    ['16 bits come out in 8', () => small.clone().toColourspace('rgb16').png().toBuffer(), 'png', 'png'],
    ['grey comes out in colours', () => small.clone().greyscale().png().toBuffer(), 'png', 'png'],
  ])('%s', async (_, make, format, becomes) => {
    const made = await makeRevision({ bytes: await make(), format }, { ...cropped, light: { ...UNLIT, brightness: 10 } }); // oxfmt-ignore
    expect(made).toMatchObject({ format: becomes, widthPx: 30, heightPx: 40 });
    expect(await sharp(made.bytes).metadata()).toMatchObject({ format: becomes, width: 30, height: 40, space: 'srgb', depth: 'uchar' }); // oxfmt-ignore
  });
  it('is turned upright by its camera’s flag first', async () => {
    const sideways = await small.clone().jpeg().withMetadata({ orientation: 6 }).toBuffer();
    expect(await makeRevision({ bytes: sideways, format: 'jpeg' }, cropped)).toMatchObject({ widthPx: 20, heightPx: 60 }); // oxfmt-ignore
  });
  it('is drawn on the screen from pixels that are the same', async () => {
    const bytes = await small.clone().png().toBuffer();
    expect((await pixels(await makeWorking(bytes))).data.equals((await pixels(bytes)).data)).toBe(true);
  });
});

describe('what the file says of itself', () => {
  it('goes along, but for how the camera was held', async () => {
    const original = await waves
      .clone()
      .jpeg()
      .withExif({ IFD0: { Artist: 'Orla Penhallow', Copyright: '© 2026 Ferndrake' } })
      .withMetadata({ orientation: 6 })
      .toBuffer();
    const made = await makeRevision({ bytes: original, format: 'jpeg' }, { ...AS_IT_IS, mirror: 'sideways' });
    const writer = new MetadataWriter();
    const carried = await writer.carry(original, made).finally(() => writer.end());
    expect(await readMetadata(carried)).toEqual({
      ...(await readMetadata(original)),
      orientation: undefined,
    });
    expect((await sharp(carried).metadata()).orientation ?? 1).toBe(1);
    expect((await pixels(carried)).data.equals((await pixels(made.bytes)).data)).toBe(true);
  });
});
