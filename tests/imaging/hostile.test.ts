/** Pictures made to do harm: each is read within bounds, or refused by a problem that names it. */
import { crc32, deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { fingerprintOf } from '@/core/picture/fingerprint';
import { inspectImage } from '@/server/imaging/inspect-image';
import { makeThumbnail } from '@/server/imaging/make-rendition';
import { readMetadata } from '@/server/imaging/read-metadata';
import { readPlanes } from '@/server/imaging/read-pixels';
import { problemOf } from '@/server/problem-error';

const LIMIT_MS = 30_000;

function chunk(type: string, data: Uint8Array): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const out = Buffer.alloc(body.length + 8);
  out.writeUInt32BE(data.length, 0);
  body.copy(out, 4);
  out.writeUInt32BE(crc32(body), body.length + 4);
  return out;
}

function numbers(...values: readonly (readonly [1 | 2 | 4, number])[]): Buffer {
  return Buffer.concat(
    values.map(([bytes, value]) => {
      const part = Buffer.alloc(bytes);
      part.writeUIntBE(value, 0, bytes);
      return part;
    }),
  );
}

const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10]);

/** A grey PNG; its pixels are zeros, which deflate to a thousandth. */
function png(
  width: number,
  height: number,
  between: readonly Buffer[] = [],
  after: readonly Buffer[] = [],
): Buffer {
  const header = numbers([4, width], [4, height], [1, 8], [1, 0], [1, 0], [1, 0], [1, 0]);
  const pixels = deflateSync(Buffer.alloc((width + 1) * height), { level: 9 });
  return Buffer.concat([
    SIGNATURE,
    chunk('IHDR', header),
    ...between,
    chunk('IDAT', pixels),
    ...after,
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

/** An animation of so many frames of one pixel each, by the PNG standard's third edition. */
function movingPng(frames: number): Buffer {
  const control = (sequence: number) =>
    chunk('fcTL', numbers([4, sequence], [4, 60], [4, 40], [4, 0], [4, 0], [2, 1], [2, 25], [1, 0], [1, 0]));
  const pixels = deflateSync(Buffer.alloc(61 * 40));
  const more = Array.from({ length: frames - 1 }, (_, n) => [
    control(2 * n + 1),
    chunk('fdAT', Buffer.concat([numbers([4, 2 * n + 2]), pixels])),
  ]);
  return png(60, 40, [chunk('acTL', numbers([4, frames], [4, 0])), control(0)], more.flat());
}

/** A text of so many bytes, packed into a few. */
const packedText = (bytes: number) =>
  chunk(
    'iTXt',
    Buffer.concat([
      Buffer.from('Comment\x00\x01\x00\x00\x00', 'latin1'),
      deflateSync(Buffer.alloc(bytes, 0x20), { level: 9 }),
    ]),
  );

const svg = (body: string, more = 'width="60" height="40"', before = '') =>
  Buffer.from(`${before}<svg xmlns="http://www.w3.org/2000/svg" ${more}>${body}</svg>`);

type Outcome = 'read' | 'refused' | 'either';

describe('hostile pictures', () => {
  it.each<[string, Outcome, () => Uint8Array | Promise<Uint8Array>]>([
    ['a PNG that claims two thousand million pixels a side', 'refused', () => png(30_000, 4000).fill(0x75, 16, 24)],
    ['10,000 × 11,000 of one tone', 'read', () => png(11_000, 10_000)],
    ['an animated PNG of 10,000 frames', 'read', () => movingPng(10_000)],
    ['a text of 400 megabytes packed into a PNG', 'either', () => png(60, 40, [packedText(400_000_000)])],
    ['1 × 60,000', 'read', () => png(1, 60_000)],
    ['60,000 × 1', 'read', () => png(60_000, 1)],
    ['no pixels at all', 'refused', () => png(0, 0)],
    ['a PNG without its end', 'refused', () => png(600, 400).subarray(0, 60)],
    ['a JPEG by name, a page in truth', 'refused', () => Buffer.from('<!doctype html><title>Not found</title>')],
    ['an SVG of a million pixels a side', 'either', () => svg('<rect width="9" height="9"/>', 'width="1000000" height="1000000"')],
    ['an SVG that calls itself', 'either', () => svg('<g id="a"><use href="#a"/><use href="#a"/></g>')],
    ['an SVG ten thousand groups deep', 'either', () => svg(`${'<g>'.repeat(10_000)}<rect width="9" height="9"/>${'</g>'.repeat(10_000)}`)],
    ['an SVG with a blur of the whole world', 'either', () => svg('<filter id="f"><feGaussianBlur stdDeviation="9999"/></filter><rect width="60" height="40" filter="url(#f)"/>')],
    ['an SVG with scripts and entities from elsewhere', 'either', () => svg('<script>while(true){}</script><text>&x;</text>', 'width="60" height="40"', '<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/hostname">]>')],
    ['an animated GIF of 3,000 frames', 'read', async () => sharp(Buffer.alloc(60 * 40 * 3000), { raw: { width: 60, height: 40 * 3000, channels: 1, pageHeight: 40 } }).gif({ effort: 1 }).toBuffer()],
  ])('%s: %s', async (name, expected, make) => {
    const bytes = await make();
    const before = performance.now();
    const outcome = await everything(bytes, `${name}.png`);
    expect(performance.now() - before).toBeLessThan(LIMIT_MS);
    if (expected !== 'either') expect(outcome).toBe(expected);
  }); // oxfmt-ignore

  it('disturbs no other picture that is read beside it', async () => {
    const good = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#963' } })
      .jpeg()
      .toBuffer();
    const outcomes = await Promise.all(
      [png(30_000, 4000).fill(0x75, 16, 24), good, png(600, 400).subarray(0, 60), good].map((bytes, n) =>
        everything(bytes, `${n}.png`),
      ),
    );
    expect(outcomes).toEqual(['refused', 'read', 'refused', 'read']);
  });
});

/** All that the worker does with a picture; a refusal must name the file, and say what to do. */
async function everything(bytes: Uint8Array, name: string): Promise<'read' | 'refused'> {
  try {
    const { widthPx, heightPx } = await inspectImage(bytes, name);
    expect(widthPx * heightPx).toBeGreaterThan(0);
    const planes = await readPlanes(bytes, name);
    expect(Math.max(planes.plane.width, planes.plane.height)).toBeLessThanOrEqual(256);
    expect(fingerprintOf(planes).landmarks.length).toBeLessThanOrEqual(200);
    await makeThumbnail(bytes);
    await readMetadata(bytes);
    return 'read';
  } catch (error) {
    const problem = problemOf(error);
    expect(problem.code).toMatch(/^IMAGE_/);
    expect(`${problem.what} ${problem.why}`).toContain(name);
    expect(problem.remedy).not.toBe('');
    return 'refused';
  }
}
