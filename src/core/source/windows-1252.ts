/**
 * windows-1252 by the WHATWG index (https://encoding.spec.whatwg.org/index-windows-1252.txt), written out here
 * because `TextDecoder` of Node 20 leaves 0x80–0x9F as control characters.
 */
const HIGH =
  '\u20ac\x81\u201a\u0192\u201e\u2026\u2020\u2021\u02c6\u2030\u0160\u2039\u0152\x8d\u017d\x8f' +
  '\x90\u2018\u2019\u201c\u201d\u2022\u2013\u2014\u02dc\u2122\u0161\u203a\u0153\x9d\u017e\u0178';

const BYTE_OF = new Map([...HIGH].map((character, i) => [character.charCodeAt(0), 0x80 + i]));

const latin = new TextDecoder('windows-1252', { ignoreBOM: true });

/** The text of windows-1252 bytes; every byte gives exactly one character. */
export function decodeWindows1252(bytes: Uint8Array): string {
  // The decoder of Node 20 swallows a first byte 0xFF as if it were a mark.
  const first = bytes.findIndex((byte) => byte !== 0xff);
  const swallowed = first < 0 ? bytes.length : first;
  const text = 'ÿ'.repeat(swallowed) + latin.decode(bytes.subarray(swallowed));
  // What it left as control characters is put right; where it did its work there is nothing left to do.
  return text.replace(/[\x80-\x9f]/g, (c) => HIGH[c.charCodeAt(0) - 0x80] ?? c);
}

/** The byte of one UTF-16 code unit in windows-1252, or `undefined` where it has none. */
export function windows1252Byte(unit: number): number | undefined {
  if (unit < 0x80 || (unit >= 0xa0 && unit <= 0xff)) return unit;
  return BYTE_OF.get(unit);
}
