/** A fingerprint as bytes for the store: what is looked up by itself, since it is needed of all pictures at once. */
import type { Searchable } from '@/core/picture/candidate-index';
import { MIDDLES, type Fingerprint } from '@/core/picture/fingerprint';
import type { Landmark } from '@/core/picture/find-landmarks';
import type { GreyPlane } from '@/core/picture/grey-plane';

const LANDMARK_BYTES = 20;
const SIZE_BYTES = 8;
const HASH_BYTES = 8;
/** The whole, the middle square, and the middles. */
const HASHES = 2 + MIDDLES.length;
const HEAD_BYTES = SIZE_BYTES + HASHES * HASH_BYTES;

/** Plane's size, the hashes, and the landmarks. Little-endian. */
export function packLandmarks({ plane, hash, squareHash, middleHashes, landmarks }: Searchable): Uint8Array {
  const bytes = Buffer.alloc(HEAD_BYTES + landmarks.length * LANDMARK_BYTES);
  bytes.writeInt32LE(plane.width, 0);
  bytes.writeInt32LE(plane.height, 4);
  [hash, squareHash, ...middleHashes].forEach(({ low, high }, n) => {
    bytes.writeInt32LE(low, SIZE_BYTES + n * HASH_BYTES);
    bytes.writeInt32LE(high, SIZE_BYTES + n * HASH_BYTES + 4);
  });
  landmarks.forEach(({ x, y, size, low, high }, n) => {
    const at = HEAD_BYTES + n * LANDMARK_BYTES;
    [x, y, size].forEach((value, k) => bytes.writeFloatLE(value, at + 4 * k));
    bytes.writeInt32LE(low, at + 12);
    bytes.writeInt32LE(high, at + 16);
  });
  return bytes;
}

export function unpackLandmarks(bytes: Uint8Array): Searchable {
  const view = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const int = (at: number) => view.readInt32LE(at);
  const landmarks: Landmark[] = [];
  for (let at = HEAD_BYTES; at < view.length; at += LANDMARK_BYTES) {
    const [x, y, size] = [view.readFloatLE(at), view.readFloatLE(at + 4), view.readFloatLE(at + 8)];
    landmarks.push({ x, y, size, low: int(at + 12), high: int(at + 16) });
  }
  const hashAt = (n: number) => {
    const at = SIZE_BYTES + n * HASH_BYTES;
    return { low: int(at), high: int(at + 4) };
  };
  return {
    plane: { width: int(0), height: int(4) },
    ...{ hash: hashAt(0), squareHash: hashAt(1) },
    middleHashes: MIDDLES.map((_, n) => hashAt(2 + n)),
    landmarks,
  };
}

/** Brightness, and the coarse colours as signed bytes. */
export function packPlanes({ plane, tint }: Pick<Fingerprint, 'plane' | 'tint'>): Uint8Array {
  const head = Buffer.alloc(16);
  [plane.width, plane.height, tint.blue.width, tint.blue.height].forEach((size, n) =>
    head.writeInt32LE(size, 4 * n),
  );
  const colours = [tint.blue, tint.red].map(({ data }) =>
    Buffer.from(Int8Array.from(data, (value) => Math.round(value)).buffer),
  );
  return Buffer.concat([head, Uint8Array.from(plane.data), ...colours]);
}

export function unpackPlanes(bytes: Uint8Array): Pick<Fingerprint, 'plane' | 'tint'> {
  const view = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [width, height, across, down] = [0, 4, 8, 12].map((at) => view.readInt32LE(at)) as [
    number,
    number,
    number,
    number,
  ];
  let at = 16;
  const take = (count: number) => view.subarray(at, (at += count));
  const plane: GreyPlane = { width, height, data: take(width * height) };
  const colour = (): GreyPlane => ({
    width: across,
    height: down,
    data: Float32Array.from(new Int8Array(Uint8Array.from(take(across * down)).buffer)),
  });
  return { plane, tint: { blue: colour(), red: colour() } };
}
