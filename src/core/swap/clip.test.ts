import { describe, expect, it } from 'vitest';
import { siteOfFiles } from '../address/resolve-address';
import { readPage } from '../markup/read-page';
import {
  CLIP_TYPES,
  clipOfBytes,
  codecsNamed,
  playerOf,
  typeAt,
  whyNotAt,
  type Clip,
  type ClipPlace,
} from './clip';

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

/** An EBML head with a document type, as Matroska and WebM begin. */
const ebml = (type: string) =>
  bytes('\x1aE\xdf\xa3', 0x80 | (3 + type.length), [0x42, 0x82], 0x80 | type.length, type, zeros(40));
const iso = (brand: string) => bytes(zeros(3), 32, `ftyp${brand}`, zeros(40));
const ogg = (first: string) => bytes('OggS', zeros(24), first, zeros(40));
const [MP4, WEBM, MP3, WAV] = [
  iso('isom'),
  ebml('webm'),
  bytes('ID3', [3, 0, 0, 0, 0, 0, 10], zeros(10), [0xff, 0xfb, 0x90, 0x64], zeros(40)),
  bytes('RIFF', zeros(4), 'WAVEfmt ', zeros(40)),
];

describe('what bytes are as a clip', () => {
  it.each([
    ['mp4', MP4],
    ['mp4', iso('mp42')],
    ['m4v', iso('M4V ')],
    ['m4a', iso('M4A ')],
    ['webm', WEBM],
    ['ogg', ogg('\x01vorbis')],
    ['opus', ogg('OpusHead')],
    ['ogv', ogg('\x80theora')],
    ['mp3', MP3],
    // A cover in its head that goes on behind what is looked at.
    ['mp3', bytes('ID3', [3, 0, 0, 0, 0, 100, 0], zeros(4000))],
    ['mp3', bytes([0xff, 0xfb, 0x90, 0x64], zeros(40))],
    ['mp3', bytes([0xff, 0xf3, 0x40, 0xc0], zeros(40))],
    ['wav', WAV],
    ['flac', bytes('fLaC', zeros(40))],
  ])('%s', async (format, head) => {
    expect((await clipOfBytes(head))?.format).toBe(format);
  });

  it.each([
    ['nothing', bytes()],
    ['an iPhone’s picture', iso('heic')],
    ['an AVIF picture', iso('avif')],
    ['a QuickTime film', iso('qt  ')],
    ['a Matroska film', ebml('matroska')],
    ['a JPEG', bytes([0xff, 0xd8, 0xff, 0xe0])],
    ['a WebP picture', bytes('RIFF', zeros(4), 'WEBPVP8 ', zeros(40))],
    ['a layer II sound', bytes([0xff, 0xfd, 0x90, 0], zeros(40))],
    ['a page', bytes('<!doctype html>')],
  ])('%s is none', async (_what, head) => {
    expect(await clipOfBytes(head)).toBeNull();
  });
});

describe('at which places a clip can stand', () => {
  const known = async (head: Uint8Array): Promise<Clip> => {
    const clip = await clipOfBytes(head);
    if (!clip) throw new Error('no clip');
    return clip;
  };
  const at = (kind: ClipPlace['kind'], type: string | null = null): ClipPlace => ({ kind, type });

  it.each([
    ['a film in a player', at('video'), MP4],
    ['of the type that is named', at('video', 'video/mp4; codecs="avc1.42E01E"'), MP4],
    ['a container of either, for a sound', at('audio'), WEBM],
    ['by another name of its type', at('audio', 'audio/mp3'), MP3],
    ['in capitals', at('audio', 'Audio/X-WAV'), WAV],
  ])('%s', async (_what, place, head) => {
    expect(whyNotAt(place, await known(head))).toBeNull();
  });

  it.each([
    ['a sound where a film is shown', at('video'), MP3, 'shows a film, and MP3 holds a sound'],
    ['a film where a sound is played', at('audio'), MP4, 'plays a sound, and MP4 holds a film'],
  ])('not %s', async (_what, place, head, why) => {
    expect(whyNotAt(place, await known(head))).toBe(why);
  });

  it.each([
    ['where none is named', at('video'), MP4, null],
    ['where it holds', at('video', 'video/mp4'), MP4, null],
    ['by another name', at('audio', 'audio/mp3'), MP3, null],
    [
      'where codecs are promised, without them',
      at('video', 'Video/MP4; codecs="avc1.42E01E"'),
      MP4,
      'video/mp4',
    ],
    ['where another is named', at('video', 'video/quicktime'), MP4, 'video/mp4'],
    ['of a container of either, for a sound', at('audio', 'audio/mpeg'), WEBM, 'audio/webm'],
    ['of a container of either, for a film', at('video', 'video/ogg; codecs=theora'), WEBM, 'video/webm'],
  ])('the type is written %s', async (_what, place, head, type) => {
    expect(typeAt(place, await known(head))).toBe(type);
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
    expect(placements.filter(({ kind }) => kind === 'poster').map(({ thread }) => playerOf(thread))).toEqual([players['a.mp4']]); // oxfmt-ignore
  });
});
