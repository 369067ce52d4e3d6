/** Answers that were packed for the way (RFC 9110, §8.4). */
import { promisify } from 'node:util';
import { brotliDecompress, inflate, inflateRaw } from 'node:zlib';
import { addressProblem, tooLarge } from './address-problem';
import { unpackGzip } from './unpack-gzip';

const MAX_PACKINGS = 4;

const UNPACKERS: Readonly<
  Record<string, (bytes: Uint8Array, options: { maxOutputLength: number }) => Promise<Buffer>>
> = {
  gzip: unpackGzip,
  'x-gzip': unpackGzip,
  br: promisify(brotliDecompress),
  // Servers that say "deflate" mean either of two forms; the first byte tells them apart (RFC 1950, §2.2).
  deflate: (bytes, options) =>
    promisify(((bytes[0] ?? 0) & 0x0f) === 8 ? inflate : inflateRaw)(bytes, options),
};

/**
 * The bytes of an answer as they were before they were packed for the way.
 *
 * @param encoding the `Content-Encoding` header; each packing that it names is undone, at most four, `maxBytes` in each step
 * @throws ProblemError `ADDRESS_LARGE`, `ADDRESS_BROKEN`
 */
export async function unpackBody(
  bytes: Uint8Array,
  encoding: string | null,
  { url, maxBytes }: { url: string; maxBytes: number },
): Promise<Uint8Array> {
  let plain = bytes;
  const packings = (encoding ?? '')
    .toLowerCase()
    .split(',')
    .map((name) => name.trim());
  if (packings.length > MAX_PACKINGS)
    throw addressProblem('ADDRESS_BROKEN', url, `It is packed ${packings.length} times over.`);
  // The last one named was put around all others (RFC 9110, §8.4).
  for (const packing of packings.reverse()) {
    if (packing === '' || packing === 'identity' || plain.length === 0) continue;
    const unpacker = UNPACKERS[packing];
    if (!unpacker)
      throw addressProblem('ADDRESS_BROKEN', url, `It is packed as ${packing}, which nobody asked for.`);
    plain = await unpacker(plain, { maxOutputLength: maxBytes }).catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'ERR_BUFFER_TOO_LARGE') throw tooLarge(url, maxBytes);
      throw addressProblem('ADDRESS_BROKEN', url, `Its ${packing} packing is broken (${error.message}).`);
    });
  }
  // No page and no style sheet begins so: whoever packed it did not say that it had been packed before.
  if (plain !== bytes && plain[0] === 0x1f && plain[1] === 0x8b)
    throw addressProblem('ADDRESS_BROKEN', url, 'It is packed twice over.');
  return plain;
}
