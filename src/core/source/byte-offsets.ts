import type { SourceText } from './decode-source';
import { byteOrderMarkLength } from './sniff-encoding';

/**
 * Where UTF-16 offsets of the decoded text lie in the original bytes. This is what lets an edit be spliced into
 * the bytes without encoding the rest of the file anew, so that invalid sequences elsewhere survive. A byte order mark
 * is no part of the text: offset 0 lies behind it.
 *
 * @param offsets ascending offsets into `source.text`
 * @returns the byte offsets, in the same order
 */
export function byteOffsets(bytes: Uint8Array, source: SourceText, offsets: readonly number[]): number[] {
  if (bytes.length === source.text.length) return [...offsets];
  const mark = byteOrderMarkLength(bytes, source.encoding);
  if (source.encoding === 'utf-8') return utf8Offsets(bytes, mark, offsets);
  if (source.encoding.startsWith('utf-16'))
    return offsets.map((offset) => Math.min(mark + offset * 2, bytes.length));
  return streamedOffsets(bytes, source.encoding, offsets);
}

/** Length of the valid sequence or of the "maximal subpart" that one U+FFFD replaces, and whether it is valid. */
function utf8Sequence(bytes: Uint8Array, at: number): { length: number; units: number } {
  const lead = bytes[at] ?? 0;
  if (lead < 0x80) return { length: 1, units: 1 };
  if (lead < 0xc2 || lead > 0xf4) return { length: 1, units: 1 };
  const needed = lead < 0xe0 ? 1 : lead < 0xf0 ? 2 : 3;
  let lower = lead === 0xe0 ? 0xa0 : lead === 0xf0 ? 0x90 : 0x80;
  let upper = lead === 0xed ? 0x9f : lead === 0xf4 ? 0x8f : 0xbf;
  for (let i = 1; i <= needed; i++) {
    const next = bytes[at + i];
    if (next === undefined || next < lower || next > upper) return { length: i, units: 1 };
    lower = 0x80;
    upper = 0xbf;
  }
  return { length: needed + 1, units: needed === 3 ? 2 : 1 };
}

function utf8Offsets(bytes: Uint8Array, mark: number, offsets: readonly number[]): number[] {
  const found: number[] = [];
  let at = mark;
  let units = 0;
  for (const offset of offsets) {
    while (units < offset && at < bytes.length) {
      if ((bytes[at] ?? 0) < 0x80) {
        at++;
        units++;
        continue;
      }
      const sequence = utf8Sequence(bytes, at);
      at += sequence.length;
      units += sequence.units;
    }
    found.push(at);
  }
  return found;
}

/** Slow but right for every other encoding: a streaming decoder fed byte by byte tells when a unit is complete. */
function streamedOffsets(bytes: Uint8Array, encoding: string, offsets: readonly number[]): number[] {
  const decoder = new TextDecoder(encoding, { ignoreBOM: true });
  const found: number[] = [];
  let at = 0;
  let units = 0;
  for (const offset of offsets) {
    while (units < offset && at < bytes.length) {
      units += decoder.decode(bytes.subarray(at, at + 1), { stream: true }).length;
      at++;
    }
    found.push(at);
  }
  return found;
}
