import { windows1252Byte } from './windows-1252';

const reverseTables = new Map<string, Map<string, Uint8Array>>();

/** Character → bytes for a legacy encoding, made once by decoding every one- and two-byte sequence. */
function reverseTable(encoding: string): Map<string, Uint8Array> {
  const known = reverseTables.get(encoding);
  if (known) return known;
  const table = new Map<string, Uint8Array>();
  const decoder = new TextDecoder(encoding, { fatal: true, ignoreBOM: true });
  const add = (...sequence: number[]) => {
    try {
      const bytes = Uint8Array.from(sequence);
      const text = decoder.decode(bytes);
      if ([...text].length === 1 && !table.has(text)) table.set(text, bytes);
    } catch {
      // A sequence that the encoding does not define has no place in the table.
    }
  };
  for (let first = 0; first < 256; first++) add(first);
  for (let first = 0x81; first < 0xff; first++)
    for (let second = 0x30; second < 0xff; second++) add(first, second);
  reverseTables.set(encoding, table);
  return table;
}

/** Encodings with a state between characters, or with no way back: Ibidem reads but does not write them. */
export function isWritableEncoding(encoding: string): boolean {
  return encoding !== 'iso-2022-jp' && encoding !== 'replacement';
}

/** The bytes of one character, or `null` where the encoding has none. */
function encodeCharacter(character: string, encoding: string): Uint8Array | null {
  if (encoding === 'windows-1252') {
    const byte = character.length === 1 ? windows1252Byte(character.charCodeAt(0)) : undefined;
    return byte === undefined ? null : Uint8Array.of(byte);
  }
  return reverseTable(encoding).get(character) ?? null;
}

/** Whether a text can be written in an encoding as it stands. */
export function canEncode(text: string, encoding: string): boolean {
  return encodeText(text, encoding) !== null;
}

/** The bytes of a text in an encoding, or `null` where a character has none there (escape it first). */
export function encodeText(text: string, encoding: string): Uint8Array | null {
  if (encoding === 'utf-8') return new TextEncoder().encode(text);
  if (encoding.startsWith('utf-16')) {
    const bytes = new Uint8Array(text.length * 2);
    const view = new DataView(bytes.buffer);
    for (let i = 0; i < text.length; i++) view.setUint16(i * 2, text.charCodeAt(i), encoding === 'utf-16le');
    return bytes;
  }
  const parts: number[] = [];
  for (const character of text) {
    const bytes = encodeCharacter(character, encoding);
    if (!bytes) return null;
    parts.push(...bytes);
  }
  return Uint8Array.from(parts);
}

/** Replaces the characters that an encoding can't hold by what `escape` gives for each code point. */
export function escapeUnencodable(
  text: string,
  encoding: string,
  escape: (codePoint: number) => string,
): string {
  if (encoding === 'utf-8' || encoding.startsWith('utf-16')) return text;
  return [...text]
    .map((character) =>
      encodeCharacter(character, encoding) ? character : escape(character.codePointAt(0) ?? 0),
    )
    .join('');
}
