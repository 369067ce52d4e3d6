/** Unpacks gzip (RFC 1952) as browsers do: what a careless server puts behind its end is left. */
import { promisify } from 'node:util';
import { crc32, gunzip, inflateRaw, type InflateRaw } from 'node:zlib';

interface Limit {
  /** In bytes. */
  readonly maxOutputLength: number;
}

/** @throws Error of zlib where it is broken; `ERR_BUFFER_TOO_LARGE` where it holds more than is allowed */
export async function unpackGzip(bytes: Uint8Array, limit: Limit): Promise<Buffer> {
  try {
    return await promisify(gunzip)(bytes, limit);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE') throw error;
    // Node takes whatever stands behind the end, but for nothings, for the beginning of a further part.
    const first = await firstMember(bytes, limit).catch(() => null);
    if (first) return first;
    throw error;
  }
}

/** What is packed before something else; `null` where it is not whole, or a further part stands behind it that is not. */
async function firstMember(bytes: Uint8Array, limit: Limit): Promise<Buffer | null> {
  const start = behindHeader(bytes);
  if (start === null) return null;
  const { buffer, taken } = await inflated(bytes.subarray(start), limit);
  const end = start + taken;
  const behind = bytes.subarray(end + TRAILER);
  if (behind.length === 0 || (behind[0] === MAGIC[0] && behind[1] === MAGIC[1])) return null;
  const trailer = new DataView(bytes.buffer, bytes.byteOffset + end, TRAILER);
  const isWhole =
    trailer.getUint32(0, true) === crc32(buffer) && trailer.getUint32(4, true) === buffer.length;
  return isWhole ? buffer : null;
}

const MAGIC = [0x1f, 0x8b] as const;
/** Its checksum and its length. */
const TRAILER = 8;

function inflated(packed: Uint8Array, limit: Limit): Promise<{ buffer: Buffer; taken: number }> {
  return new Promise((resolve, reject) => {
    inflateRaw(packed, { ...limit, info: true }, (error, result) => {
      if (error) return reject(error);
      const { buffer, engine } = result as unknown as { buffer: Buffer; engine: InflateRaw };
      resolve({ buffer, taken: engine.bytesWritten });
    });
  });
}

const [CHECKED, EXTRA, NAMED, COMMENTED] = [2, 4, 8, 16] as const;

/** Where what is packed begins (§2.3.1); `null` where there is no such header. */
function behindHeader(bytes: Uint8Array): number | null {
  const flags = bytes[3] ?? 0;
  if (bytes[0] !== MAGIC[0] || bytes[1] !== MAGIC[1] || bytes[2] !== 8) return null;
  let at = 10;
  if (flags & EXTRA) at += 2 + (bytes[at] ?? 0) + 256 * (bytes[at + 1] ?? 0);
  for (const flag of [NAMED, COMMENTED]) {
    if (!(flags & flag)) continue;
    const end = bytes.indexOf(0, at);
    if (end < 0) return null;
    at = end + 1;
  }
  return flags & CHECKED ? at + 2 : at;
}
