/** Types of pictures that are told by their first bytes and need a decoder of their own. */
export type OwnDecoder = 'heic' | 'ico';

/** Brands of ISO/IEC 23008-12 files whose pictures are coded as HEVC. */
const HEVC_BRANDS = new Set(['heic', 'heix', 'heim', 'heis', 'hevc', 'hevx']);

/** `null` for all other types, whatever they are. */
export function kindOfBytes(bytes: Uint8Array): OwnDecoder | null {
  const text = (from: number, to: number) => Buffer.from(bytes.subarray(from, to)).toString('latin1');
  if (text(4, 8) === 'ftyp') {
    const length = Math.min(bytes.length, Buffer.from(bytes.subarray(0, 4)).readUInt32BE(), 256);
    for (let at = 8; at + 4 <= length; at += 4) if (HEVC_BRANDS.has(text(at, at + 4))) return 'heic';
    return null;
  }
  // An icon's header: reserved 0, type 1, then how many.
  const isIcon = bytes.length > 22 && bytes[0] === 0 && bytes[1] === 0 && bytes[2] === 1 && bytes[3] === 0;
  return isIcon && (bytes[4] ?? 0) > 0 ? 'ico' : null;
}
