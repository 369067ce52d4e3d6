/** Clips and sounds: what a file of bytes is, and at which places it can stand. Nothing of them is ever recoded. */
import { fileTypeFromBuffer } from 'file-type';
import { elementOfSpot } from '../markup/element-path';
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
  m4v: { holds: 'film', types: ['video/mp4', 'video/x-m4v'] },
  webm: { holds: 'either', types: ['video/webm', 'audio/webm'] },
  ogv: { holds: 'film', types: ['video/ogg', 'application/ogg'] },
  ogg: { holds: 'sound', types: ['audio/ogg', 'application/ogg'] },
  opus: { holds: 'sound', types: ['audio/ogg', 'audio/opus', 'application/ogg'] },
  mp3: { holds: 'sound', types: ['audio/mpeg', 'audio/mp3', 'audio/x-mp3'] },
  m4a: { holds: 'sound', types: ['audio/mp4', 'audio/x-m4a', 'audio/aac'] },
  wav: { holds: 'sound', types: ['audio/wav', 'audio/x-wav', 'audio/wave', 'audio/vnd.wave'] },
  flac: { holds: 'sound', types: ['audio/flac', 'audio/x-flac'] },
} as const satisfies Readonly<Record<string, Omit<Clip, 'format'>>>;

/** Media types of clips and sounds, by the endings of their names. */
export const CLIP_TYPES: Readonly<Record<string, string>> = {
  ...Object.fromEntries(Object.entries(CLIPS).map(([ending, { types }]) => [ending, types[0]])),
  oga: 'audio/ogg',
};

/** Whether a file is a clip or a sound, by its name. */
export const isClipPath = (path: string): boolean =>
  Object.hasOwn(CLIP_TYPES, /\.(\w+)$/u.exec(path)?.[1]?.toLowerCase() ?? '');

/** Bytes from the beginning by which the type of every clip can be told. */
export const CLIP_HEAD_BYTES = 4096;

/**
 * What bytes are as a clip, by how the file begins.
 *
 * @param head the first `CLIP_HEAD_BYTES` bytes, or all where there are fewer
 * @returns `null` for all else; also for QuickTime and Matroska films, which not every browser plays
 */
export async function clipOfBytes(head: Uint8Array): Promise<Clip | null> {
  const { ext: format = '' } = (await fileTypeFromBuffer(head)) ?? {};
  return clipOfFormat(format);
}

/** A clip whose format is known already. */
export const clipOfFormat = (format: string): Clip | null =>
  isClip(format) ? { format, ...CLIPS[format] } : null;

const isClip = (format: string): format is keyof typeof CLIPS => Object.hasOwn(CLIPS, format);

/** A place of a clip, as far as it matters which clip it may get. */
export interface ClipPlace {
  readonly kind: PlacementKind;
  /** The media type that its element names, with or without codecs; `null` where it names none. */
  readonly type: string | null;
}

/** Why a clip can't stand at a place, as the rest of a sentence; `null` where it can. */
export function whyNotAt({ kind }: Pick<ClipPlace, 'kind'>, { holds, format }: Clip): string | null {
  if (kind === 'video' && holds === 'sound') return `shows a film, and ${format.toUpperCase()} holds a sound`;
  if (kind === 'audio' && holds === 'film') return `plays a sound, and ${format.toUpperCase()} holds a film`;
  return null;
}

/**
 * The media type that must be written at a place for a clip: where another is named, or codecs, which are the old file's.
 *
 * @returns `null` where nothing is named, or what is named holds
 */
export function typeAt({ kind, type }: ClipPlace, { types }: Clip): string | null {
  const essence = type?.split(';', 1)[0]?.trim().toLowerCase() ?? '';
  if (essence === '') return null;
  if (types.includes(essence)) return codecsNamed(type) === null ? null : essence;
  return types.find((one) => one.startsWith(`${kind}/`)) ?? types[0];
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
 * The player that a place of a clip belongs to, out of its spot in the structure of the page: a `source` lies within one,
 * a `src` is the player's own.
 */
export const playerOf = (spot: string): string => elementOfSpot(spot).replace(/>[^>]*source:\d+$/u, '');

/** Whether a file that was brought in is a clip: it has no pixels that anybody counts, and stands with none. */
export const isClipInIntake = ({ widthPx }: { readonly widthPx: number }): boolean => widthPx === 0;
