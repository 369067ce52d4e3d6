import { describe, expect, it } from 'vitest';
import { siteOfFiles } from '../address/resolve-address';
import { readPage } from '../markup/read-page';
import { CLIP_TYPES, clipOfBytes, codecsNamed, playerOf, whyNotAt, type Clip, type ClipPlace } from './clip';

const bytes = (...parts: (string | number | readonly number[])[]) =>
  Uint8Array.from(
    parts.flatMap((part) =>
      typeof part === 'string'
        ? [...part].map((c) => c.charCodeAt(0))
        : typeof part === 'number'
          ? [part]
          : part,
    ),
  );
const zeros = (n: number) => new Array<number>(n).fill(0);

describe('what bytes are as a clip', () => {
  it.each([
    ['mp4', bytes(zeros(3), 32, 'ftypisom', zeros(20))],
    ['mp4', bytes(zeros(3), 32, 'ftypmp42', zeros(20))],
    ['m4a', bytes(zeros(3), 32, 'ftypM4A ', zeros(20))],
    ['webm', bytes('\x1aE\xdf\xa3', [0x9f, 0x42, 0x86, 0x81, 1, 0x42, 0x82, 0x84], 'webm')],
    ['ogg', bytes('OggS', zeros(24), '\x01vorbis')],
    ['ogg', bytes('OggS', zeros(24), 'OpusHead')],
    ['ogv', bytes('OggS', zeros(24), '\x80theora')],
    ['mp3', bytes('ID3', [3, 0, 0])],
    ['mp3', bytes([0xff, 0xfb, 0x90, 0x64])],
    ['mp3', bytes([0xff, 0xf3, 0x40, 0xc0])],
    ['wav', bytes('RIFF', zeros(4), 'WAVEfmt ')],
    ['flac', bytes('fLaC', zeros(4))],
  ])('%s', (format, head) => {
    expect(clipOfBytes(head)?.format).toBe(format);
  });

  it.each([
    ['nothing', bytes()],
    ['an iPhone’s picture', bytes(zeros(3), 24, 'ftypheic')],
    ['an AVIF picture', bytes(zeros(3), 24, 'ftypavif')],
    ['a QuickTime film', bytes(zeros(3), 20, 'ftypqt  ')],
    ['a Matroska film', bytes('\x1aE\xdf\xa3', [0x93, 0x42, 0x82, 0x88], 'matroska')],
    ['a JPEG', bytes([0xff, 0xd8, 0xff, 0xe0])],
    ['a WebP picture', bytes('RIFF', zeros(4), 'WEBPVP8 ')],
    ['a layer II sound', bytes([0xff, 0xfd, 0x90, 0])],
    ['a page', bytes('<!doctype html>')],
  ])('%s is none', (_what, head) => {
    expect(clipOfBytes(head)).toBeNull();
  });
});

describe('at which places a clip can stand', () => {
  const known = (head: Uint8Array): Clip => {
    const clip = clipOfBytes(head);
    if (!clip) throw new Error('no clip');
    return clip;
  };
  const mp4 = known(bytes(zeros(3), 32, 'ftypisom'));
  const webm = known(bytes('\x1aE\xdf\xa3', zeros(8), 'webm'));
  const mp3 = known(bytes('ID3'));
  const wav = known(bytes('RIFF', zeros(4), 'WAVE'));
  const at = (kind: ClipPlace['kind'], type: string | null = null): ClipPlace => ({ kind, type });

  it.each([
    ['a film in a player', at('video'), mp4],
    ['of the type that is named', at('video', 'video/mp4; codecs="avc1.42E01E"'), mp4],
    ['a container of either, for a sound', at('audio'), webm],
    ['by another name of its type', at('audio', 'audio/mp3'), mp3],
    ['in capitals', at('audio', 'Audio/X-WAV'), wav],
  ])('%s', (_what, place, clip) => {
    expect(whyNotAt(place, clip)).toBeNull();
  });

  it.each([
    ['a sound where a film is shown', at('video'), mp3, 'shows a film, and MP3 holds a sound'],
    ['a film where a sound is played', at('audio'), mp4, 'plays a sound, and MP4 holds a film'],
    [
      'another type than is named',
      at('video', 'video/webm'),
      mp4,
      'is written for video/webm, and browsers pass over what does not keep that: yours is video/mp4',
    ],
  ])('not %s', (_what, place, clip, why) => {
    expect(whyNotAt(place, clip)).toBe(why);
  });

  it('tells the codecs that are promised', () => {
    expect(codecsNamed('video/webm; codecs="vp9, opus"')).toBe('vp9, opus');
    expect(codecsNamed('audio/ogg;codecs=opus')).toBe('opus');
    expect(codecsNamed('video/mp4')).toBeNull();
    expect(codecsNamed(null)).toBeNull();
  });

  it('has a media type for every ending of its own', () => {
    expect(CLIP_TYPES).toMatchObject({ mp4: 'video/mp4', oga: 'audio/ogg', wav: 'audio/wav' });
  });
});

describe('the player of a place', () => {
  it('is one for all sources of a clip, and another for the next', () => {
    const html =
      '<video poster="p.jpg"><source src="a.webm" type="video/webm"><source src="a.mp4"></video><video src="b.mp4"></video><p><audio><source src="c.mp3"></audio></p>';
    const source = { text: html, encoding: 'utf-8' as const };
    const { placements } = readPage({
      address: 'a.html',
      source,
      site: siteOfFiles(),
      sheetOf: () => undefined,
    });
    const players = Object.fromEntries(
      placements.filter(({ kind }) => kind !== 'poster').map(({ raw, thread }) => [raw, playerOf(thread)]),
    );
    expect(players['a.webm']).toBe(players['a.mp4']);
    expect(new Set(Object.values(players)).size).toBe(3);
    expect(placements.filter(({ kind }) => kind === 'poster').map(({ thread }) => playerOf(thread))).toEqual([players['a.mp4']]); // prettier-ignore
  });
});
