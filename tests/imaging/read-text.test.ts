import sharp, { type Sharp } from 'sharp';
import { afterAll, describe, expect, it, vi } from 'vitest';
import { readableLanguages, TextReader } from '@/server/imaging/read-text';
import { TextReaders } from '@/server/imaging/text-readers';

/** A picture with lines of text on it, as a poster has them. */
async function lettered(lines: readonly string[], colours: { ink: string; ground: string }): Promise<Buffer> {
  const texts = lines
    .map((line, i) => `<text x="40" y="${120 + i * 90}" font-size="${i === 0 ? 48 : 40}">${line}</text>`)
    .join('');
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="620" height="${lines.length * 90 + 120}" font-family="DejaVu Sans"><rect width="100%" height="100%" fill="${colours.ground}"/><g fill="${colours.ink}">${texts}</g></svg>`;
  return sharp(Buffer.from(svg)).png().toBuffer();
}

describe('words within pictures', () => {
  const reader = new TextReader(['de', 'en']);
  afterAll(async () => reader.close());

  it.each([
    ['dark on light', { ink: '#222', ground: '#f4efe2' }],
    ['light on dark', { ink: '#fff', ground: '#20344a' }],
  ])('are read %s', async (_name, colours) => {
    const poster = await lettered(['SUMMER CONCERT', 'Saturday 14 June', 'Old Fire Station'], colours);
    expect(await reader.read(poster)).toBe('SUMMER CONCERT\nSaturday 14 June\nOld Fire Station');
  });

  it.each([
    ['of brightness alone, with alpha', (poster: Sharp) => poster.toColourspace('b-w').ensureAlpha().png()],
    ['made for print', (poster: Sharp) => poster.toColourspace('cmyk').jpeg()],
  ])('are read in a picture %s', async (_name, written) => {
    const lines = ['SUMMER CONCERT', 'Old Fire Station'];
    const poster = sharp(await lettered(lines, { ink: '#222', ground: '#f4efe2' }));
    expect(await reader.read(await written(poster).toBuffer())).toBe(lines.join('\n'));
  });

  it('are read where there are many small ones, as on a flyer or a screen', async () => {
    const line = (n: number) => `Line ${n} of the letter says when the office is open and who answers`;
    const texts = Array.from(
      { length: 24 },
      (_, n) => `<text x="60" y="${90 + n * 36}">${line(n)}</text>`,
    ).join('');
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="980" font-family="DejaVu Sans" font-size="22"><rect width="100%" height="100%" fill="#fff"/>${texts}</svg>`;
    const words = (await reader.read(await sharp(Buffer.from(svg)).png().toBuffer())).split(/\s+/u);
    expect(words.filter((word) => word === 'letter').length).toBeGreaterThanOrEqual(22);
    expect(words.filter((word) => word === 'office').length).toBeGreaterThanOrEqual(22);
  });

  it('are read in the languages that were asked for', async () => {
    const poster = await lettered(['Frühlingskonzert', 'Große Übung für Flöte'], {
      ink: '#111',
      ground: '#fff',
    });
    expect(await reader.read(poster)).toBe('Frühlingskonzert\nGroße Übung für Flöte');
  });

  it('are not seen where there are none', async () => {
    const drawing = `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="300"><rect width="400" height="300" fill="#7a4a1f"/><circle cx="150" cy="140" r="70" fill="#e9dcc0"/><path d="M40,250 q120,-90 320,10" stroke="#20344a" stroke-width="14" fill="none"/></svg>`;
    expect(await reader.read(await sharp(Buffer.from(drawing)).png().toBuffer())).toBe('');
    const tone = { width: 400, height: 300, channels: 3 as const, background: '#7a4a1f' };
    expect(await reader.read(await sharp({ create: tone }).png().toBuffer())).toBe('');
  });

  it('are read one picture after another, and again after what reads was closed', async () => {
    const posters = await Promise.all(
      ['First of May', 'Second of June', 'Third of July'].map((line) =>
        lettered([line, 'in the town hall'], { ink: '#111', ground: '#fff' }),
      ),
    );
    const read = Promise.all(posters.map((poster) => reader.read(poster)));
    await reader.close();
    expect((await read).map((text) => text.split('\n')[0])).toEqual([
      'First of May',
      'Second of June',
      'Third of July',
    ]);
  });

  it('goes on after a file that is no picture', async () => {
    await expect(reader.read(Buffer.from('no picture'))).rejects.toThrow();
    const poster = await lettered(['Open day', 'on Saturday'], { ink: '#111', ground: '#fff' });
    expect(await reader.read(poster)).toBe('Open day\non Saturday');
  });
});

describe('words within pictures that are read side by side', () => {
  const readers = new TextReaders(['en'], 2);
  afterAll(async () => readers.close());

  it('are those of each, also after a file that is no picture', async () => {
    const lines = ['First of May', 'Second of June', 'Third of July', 'Fourth of March', 'Fifth of April'];
    const posters = await Promise.all(
      lines.map(async (line) => lettered([line], { ink: '#111', ground: '#fff' })),
    );
    const damaged = readers.readDrawn(Buffer.from('no picture'));
    const read = Promise.all(posters.map(async (poster) => readers.readDrawn(poster)));
    await expect(damaged).rejects.toThrow();
    expect(await read).toEqual(lines);
  });

  it('are read by several at once', async () => {
    const poster = await lettered(['Open day'], { ink: '#111', ground: '#fff' });
    const read = vi.spyOn(TextReader.prototype, 'readDrawn');
    await Promise.all([readers.readDrawn(poster), readers.readDrawn(poster), readers.readDrawn(poster)]);
    const asked = new Set(read.mock.contexts);
    read.mockRestore();
    expect(asked.size).toBe(2);
  });
});

describe('readableLanguages', () => {
  it.each([
    [['en'], ['en']],
    [
      ['fr', 'de', 'fr'],
      ['de', 'fr'],
    ],
    [['xx', ''], ['en']],
    [[], ['en']],
  ])('%j', (given, wanted) => expect(readableLanguages(given)).toEqual(wanted));
});
