/** Clips and sounds: what a file of bytes is, and at which places it can stand. Nothing of them is ever recoded. */
import type { PlacementKind } from '../markup/kinds/kind';

export interface Clip {
  /** Also the ending of its file's name. */
  readonly format: string;
  /** A container may hold a film, a sound, or either. */
  readonly holds: 'film' | 'sound' | 'either';
  /** Media types that pages name it by, the usual one first. */
  readonly types: readonly [string, ...string[]];
}

const CLIPS = {
  mp4: { holds: 'film', types: ['video/mp4', 'video/x-m4v'] },
  webm: { holds: 'either', types: ['video/webm', 'audio/webm'] },
  ogv: { holds: 'film', types: ['video/ogg', 'application/ogg'] },
  ogg: { holds: 'sound', types: ['audio/ogg', 'audio/opus', 'application/ogg'] },
  mp3: { holds: 'sound', types: ['audio/mpeg', 'audio/mp3', 'audio/x-mp3'] },
  m4a: { holds: 'sound', types: ['audio/mp4', 'audio/x-m4a', 'audio/aac'] },
  wav: { holds: 'sound', types: ['audio/wav', 'audio/x-wav', 'audio/wave', 'audio/vnd.wave'] },
  flac: { holds: 'sound', types: ['audio/flac', 'audio/x-flac'] },
} as const satisfies Readonly<Record<string, Omit<Clip, 'format'>>>;

/** Media types of clips and sounds, by the endings of their names. */
export const CLIP_TYPES: Readonly<Record<string, string>> = {
  ...Object.fromEntries(Object.entries(CLIPS).map(([ending, { types }]) => [ending, types[0]])),
  ...{ m4v: 'video/mp4', oga: 'audio/ogg', opus: 'audio/ogg' },
};

const clip = (format: keyof typeof CLIPS): Clip => ({ format, ...CLIPS[format] });

/** Brands of ISO/IEC 14496-12 files that are pictures, and those whose films not all browsers play. */
const PICTURE_BRANDS = new Set([
  'heic',
  'heix',
  'heim',
  'heis',
  'hevc',
  'hevx',
  'mif1',
  'msf1',
  'avif',
  'avis',
]);
const NOT_PLAYED = new Set(['qt  ']);

/** Bytes from the beginning by which the type of every clip can be told. */
export const CLIP_HEAD_BYTES = 4096;

/**
 * What bytes are as a clip, by how the file begins: ISO base media (ISO/IEC 14496-12), WebM (RFC 9559), Ogg (RFC 3533),
 * MPEG audio with or without an ID3 tag, FLAC (RFC 9639) and RIFF WAVE.
 *
 * @param head the first `CLIP_HEAD_BYTES` bytes, or all where there are fewer
 * @returns `null` for all else; also for QuickTime films, which not every browser plays
 */
export function clipOfBytes(head: Uint8Array): Clip | null {
  const text = (from: number, to: number) => String.fromCharCode(...head.subarray(from, to));
  if (text(4, 8) === 'ftyp') {
    const brand = text(8, 12);
    if (PICTURE_BRANDS.has(brand) || NOT_PLAYED.has(brand)) return null;
    return clip(brand.startsWith('M4A') || brand.startsWith('M4B') ? 'm4a' : 'mp4');
  }
  const opening = text(0, 4);
  if (opening === '\x1aE\xdf\xa3') return text(4, 64).includes('webm') ? clip('webm') : null;
  if (opening === 'OggS') return clip(text(28, 35) === '\x80theora' ? 'ogv' : 'ogg');
  if (opening === 'fLaC') return clip('flac');
  if (opening === 'RIFF') return text(8, 12) === 'WAVE' ? clip('wav') : null;
  if (text(0, 3) === 'ID3') return clip('mp3');
  // A frame of MPEG audio, layer III: eleven bits set, a version and a layer that there are.
  const [first = 0, second = 0, third = 0] = head;
  const isFrame = first === 0xff && (second & 0xe6) === 0xe2 && (second & 0x18) !== 0x08 && third >> 4 < 15;
  return isFrame ? clip('mp3') : null;
}

/** A place of a clip, as far as it matters which clip it may get. */
export interface ClipPlace {
  readonly kind: PlacementKind;
  /** The media type that its element names, with or without codecs; `null` where it names none. */
  readonly type: string | null;
}

/** Why a clip can't stand at a place, as the rest of a sentence; `null` where it can. */
export function whyNotAt({ kind, type }: ClipPlace, { holds, format, types }: Clip): string | null {
  if (kind === 'video' && holds === 'sound') return `shows a film, and ${format.toUpperCase()} holds a sound`;
  if (kind === 'audio' && holds === 'film') return `plays a sound, and ${format.toUpperCase()} holds a film`;
  const essence = type?.split(';', 1)[0]?.trim().toLowerCase() ?? '';
  if (essence === '' || types.includes(essence)) return null;
  return `is written for ${essence}, and browsers pass over what does not keep that: yours is ${types[0]}`;
}

/** The codecs that a place promises, as in `avc1.42E01E, mp4a.40.2`; `null` where it promises none. */
export function codecsNamed(type: string | null): string | null {
  return (
    /;\s*codecs\s*=\s*(?:"([^"]*)"|([^\s;]+))/iu
      .exec(type ?? '')
      ?.slice(1)
      .find(Boolean) ?? null
  );
}

/**
 * The player that a place of a clip belongs to, out of the name of its spot: a `source` lies within one, a `src` is the
 * player's own.
 */
export const playerOf = (thread: string): string =>
  thread.replace(/\|.*$/u, '').replace(/>[^>]*source:\d+$/u, '');
