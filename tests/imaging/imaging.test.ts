import { deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { Rendition } from '@/core/swap/plan-swap';
import { inspectImage } from '@/server/imaging/inspect-image';
import { makeRendition, makeThumbnail } from '@/server/imaging/make-rendition';
import { problemOf } from '@/server/problem-error';
import { flatPicture } from '../fixtures/write-site';

/** A PNG that says it is huge and holds next to nothing. */
function claimsToBe(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
    const length = Buffer.alloc(4);
    length.writeUInt32BE(data.length);
    const crc = Buffer.alloc(4);
    crc.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, crc]);
  };
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 0, 0, 0, 0], 8);
  const signature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10]);
  return Buffer.concat([
    signature,
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(Buffer.alloc(1000))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

function crc32(bytes: Buffer): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = (crc >>> 1) ^ (0xedb88320 & -(crc & 1));
  }
  return (crc ^ 0xffffffff) >>> 0;
}

describe('inspectImage', () => {
  it.each([
    ['jpeg', 40, 30],
    ['png', 17, 60],
  ] as const)('reads %s', async (format, width, height) => {
    expect(await inspectImage(await flatPicture(width, height, format), 'a')).toEqual({
      format,
      widthPx: width,
      heightPx: height,
      isAnimated: false,
    });
  });

  it('gives the size as readers see it, turned by EXIF', async () => {
    const turned = await sharp(await flatPicture(40, 30))
      .withMetadata({ orientation: 6 })
      .toBuffer();
    expect(await inspectImage(turned, 'a')).toMatchObject({ widthPx: 30, heightPx: 40 });
  });

  it.each([
    ['IMAGE_EMPTY', Buffer.alloc(0)],
    ['IMAGE_UNREADABLE', Buffer.from('a text named .jpg')],
    ['IMAGE_UNREADABLE', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16])],
    ['IMAGE_TOO_LARGE', claimsToBe(20_000, 20_000)],
  ])('refuses with %s, saying what, why and what to do', async (code, bytes) => {
    const problem = await inspectImage(bytes, 'holiday.jpg').then(() => null, problemOf);
    expect(problem?.code).toBe(code);
    expect(problem?.what).toContain('holiday.jpg');
    expect(problem?.why).not.toBe('');
    expect(problem?.remedy).not.toBe('');
  });
});

describe('makeRendition', () => {
  const two = sharp(
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="100"><rect width="100" height="100" fill="#f00"/><rect x="100" width="100" height="100" fill="#00f"/></svg>',
    ),
  );
  const rendition = (more: Partial<Rendition>): Rendition => ({
    path: 'a',
    format: 'png',
    crop: { left: 100, top: 0, widthPx: 100, heightPx: 100 },
    widthPx: 50,
    heightPx: 50,
    ...more,
  });

  it.each(['jpeg', 'png', 'webp'] as const)('crops, scales and writes %s', async (format) => {
    const made = await makeRendition(await two.clone().jpeg().toBuffer(), rendition({ format }));
    const facts = await sharp(made).metadata();
    expect([facts.format, facts.width, facts.height]).toEqual([format, 50, 50]);
    const { channels } = await sharp(made).stats();
    expect(channels[2]?.mean).toBeGreaterThan(240);
    expect(channels[0]?.mean).toBeLessThan(15);
  });

  it('crops in the picture as readers see it', async () => {
    const turned = await two.clone().jpeg().withMetadata({ orientation: 6 }).toBuffer();
    const made = await makeRendition(
      turned,
      rendition({ crop: { left: 0, top: 100, widthPx: 100, heightPx: 100 } }),
    );
    expect((await sharp(made).stats()).channels[2]?.mean).toBeGreaterThan(240);
  });

  it('leaves the original’s bytes as they are, and names what it can’t make', async () => {
    const bytes = await flatPicture(20, 20);
    expect(await makeRendition(bytes, rendition({ format: 'original' }))).toBe(bytes);
    const problem = await makeRendition(bytes, rendition({})).then(() => null, problemOf);
    expect(problem?.code).toBe('RENDITION_FAILED');
  });

  it('makes thumbnails that are never larger than the picture', async () => {
    const small = await sharp(await makeThumbnail(await flatPicture(20, 10))).metadata();
    const large = await sharp(await makeThumbnail(await flatPicture(2000, 1000))).metadata();
    expect([small.width, small.height, large.width, large.height]).toEqual([20, 10, 480, 240]);
  });
});
