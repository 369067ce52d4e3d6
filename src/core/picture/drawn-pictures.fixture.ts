/** Pictures for tests, drawn from a seed: patches, discs and strokes of chance over shades. */
import { fingerprintOf, type Fingerprint } from './fingerprint';
import { WHOLE, type GreyPlane } from './grey-plane';
import { resample } from './kernels/comparing';

export type Drawn = GreyPlane;

const WIDTH = 240;
const HEIGHT = 160;

function chance(seed: number): () => number {
  let state = (seed * 2654435761) >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296;
  };
}

export function pictureOf(seed: number): Drawn {
  const random = chance(seed);
  const data = new Float32Array(WIDTH * HEIGHT);
  const slope = [random() * 60 - 30, random() * 60 - 30] as const;
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++)
      data[y * WIDTH + x] = 120 + (slope[0] * x) / WIDTH + (slope[1] * y) / HEIGHT;
  for (let n = 0; n < 60; n++) {
    const [cx, cy] = [random() * WIDTH, random() * HEIGHT];
    const [rx, ry] = [3 + random() * 26, 3 + random() * 20];
    const shade = random() * 255;
    const isRound = random() < 0.5;
    for (let y = Math.max(0, Math.floor(cy - ry)); y < Math.min(HEIGHT, cy + ry); y++)
      for (let x = Math.max(0, Math.floor(cx - rx)); x < Math.min(WIDTH, cx + rx); x++)
        if (!isRound || ((x - cx) / rx) ** 2 + ((y - cy) / ry) ** 2 < 1) data[y * WIDTH + x] = shade;
  }
  return bytes(WIDTH, HEIGHT, data);
}

export interface Shaping {
  readonly scale?: number;
  /** Left, top, width, height in shares. */
  readonly cut?: readonly [number, number, number, number];
  readonly gain?: number;
  readonly lift?: number;
  readonly noise?: number;
  readonly border?: number;
  /** Seed of lines of strokes over a light panel. */
  readonly writing?: number;
}

/** The same picture, changed as sites and people change pictures. */
export function shaped(from: Drawn, how: Shaping): Drawn {
  const [left, top, width, height] = how.cut ?? [0, 0, 1, 1];
  const size = [
    Math.round(from.width * width * (how.scale ?? 1)),
    Math.round(from.height * height * (how.scale ?? 1)),
  ] as const;
  const rect = how.cut ? { left, top, width, height } : WHOLE;
  const data = resample(from, rect, size);
  if (how.writing !== undefined) write(data, size, chance(how.writing));
  const random = chance(17);
  for (let i = 0; i < data.length; i++)
    data[i] = data[i]! * (how.gain ?? 1) + (how.lift ?? 0) + (random() - 0.5) * 2 * (how.noise ?? 0);
  const border = how.border ?? 0;
  if (border === 0) return bytes(size[0], size[1], data);
  const wide = size[0] + 2 * border;
  const framed = new Float32Array(wide * (size[1] + 2 * border)).fill(250);
  for (let y = 0; y < size[1]; y++)
    framed.set(data.subarray(y * size[0], (y + 1) * size[0]), (y + border) * wide + border);
  return bytes(wide, size[1] + 2 * border, framed);
}

function write(data: Float32Array, [width, height]: readonly [number, number], random: () => number): void {
  const panel = [Math.round(width * 0.2), Math.round(height * 0.15), Math.round(width * 0.6), Math.round(height * 0.7)] as const; // oxfmt-ignore
  for (let y = panel[1]; y < panel[1] + panel[3]; y++)
    data.fill(235, y * width + panel[0], y * width + panel[0] + panel[2]);
  for (let line = panel[1] + 6; line < panel[1] + panel[3] - 6; line += 9)
    for (let x = panel[0] + 6; x < panel[0] + panel[2] - 6; x += 4)
      if (random() < 0.6)
        for (let y = line; y < line + 5; y++)
          data.fill(30, y * width + x, y * width + x + 1 + Math.round(random() * 2));
}

export function mirrorOf({ width, height, data }: Drawn): Drawn {
  const out = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) out[y * width + x] = data[y * width + width - 1 - x]!;
  return { width, height, data: out };
}

function bytes(width: number, height: number, values: Float32Array): Drawn {
  return {
    width,
    height,
    data: Uint8Array.from(values, (value) => Math.max(0, Math.min(255, Math.round(value)))),
  };
}

const NO_COLOUR: GreyPlane = { width: 1, height: 1, data: new Float32Array(1) };

/** The fingerprint of a picture without colours. */
export function inGrey(plane: Drawn): Fingerprint {
  return fingerprintOf({ plane, tint: { blue: NO_COLOUR, red: NO_COLOUR } });
}
