import { gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { unpackGzip } from './unpack-gzip';

const limit = { maxOutputLength: 1000 };
const packed = gzipSync('the whole page');
/** The same with an extra field, a name, a comment and a checksum of its header. */
const adorned = Buffer.concat([
  Buffer.from([...packed.subarray(0, 3), 2 + 4 + 8 + 16, ...packed.subarray(4, 10), 3, 0, 1, 2, 3]),
  Buffer.from('name\0words\0'),
  Buffer.from([7, 7]),
  packed.subarray(10),
]);

describe('unpackGzip', () => {
  it.each([
    ['alone', packed, 'the whole page'],
    ['in two parts', Buffer.concat([packed, gzipSync(', and more')]), 'the whole page, and more'],
    ['with nothings behind it', Buffer.concat([packed, Buffer.alloc(9)]), 'the whole page'],
    ['with a line behind it', Buffer.concat([packed, Buffer.from('\r\n')]), 'the whole page'],
    ['with words behind it', Buffer.concat([packed, Buffer.from('<!-- made in 3 ms -->')]), 'the whole page'],
    [
      'with all that a header may have, and words',
      Buffer.concat([adorned, Buffer.from('x')]),
      'the whole page',
    ],
    ['of nothing, with a line behind it', Buffer.concat([gzipSync(''), Buffer.from('\n')]), ''],
  ])('unpacks what is packed %s', async (_, bytes, expected) =>
    expect((await unpackGzip(bytes, limit)).toString()).toBe(expected),
  );

  const other = Buffer.from(packed);
  other[packed.length - 8]! ^= 1;
  it.each([
    ['cut off', packed.subarray(0, -9)],
    ['cut off within its checksum', packed.subarray(0, -3)],
    ['another than its checksum says', Buffer.concat([other, Buffer.from('x')])],
    ['whole, and its next part cut off', Buffer.concat([packed, packed.subarray(0, 16)])],
    ['no gzip', Buffer.from('<p>plain')],
    ['a header alone', packed.subarray(0, 10)],
    ['a name without an end', Buffer.from([0x1f, 0x8b, 8, 8, 0, 0, 0, 0, 0, 0, 65, 65])],
    ['nothing', Buffer.alloc(0)],
  ])('refuses what is %s', async (_, bytes) => {
    await expect(unpackGzip(bytes, limit)).rejects.toThrow();
  });

  it('refuses what holds more than is allowed, whatever stands behind it', async () => {
    const large = Buffer.concat([gzipSync(Buffer.alloc(100_000)), Buffer.from('x')]);
    await expect(unpackGzip(large, limit)).rejects.toMatchObject({ code: 'ERR_BUFFER_TOO_LARGE' });
  });
});
