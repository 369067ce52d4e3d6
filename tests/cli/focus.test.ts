import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { rowsOf } from '../fixtures/run-ibidem';
import { runHere } from '../fixtures/run-program';
import { writeFiles } from '../fixtures/write-site';

let folder: string;

/** A ground with a disc on it. */
const disc = (x: number, y: number, radius: number) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="600"><rect width="900" height="600" fill="#7d98a8"/><circle cx="${x}" cy="${y}" r="${radius}" fill="#b5432e"/></svg>`,
    ),
  );

/** A face as a child draws it: the detectors know it for one. */
const FACE = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="800"><rect width="1200" height="800" fill="#c9d4da"/>
<g transform="translate(860 120) scale(2.2)"><path d="M20 230 Q90 150 160 230 L190 320 L-10 320 Z" fill="#38506b"/><ellipse cx="90" cy="90" rx="62" ry="80" fill="#e8bd9b"/><path d="M26 80 Q30 -10 90 0 Q150 -10 156 80 Q140 40 90 40 Q40 40 26 80" fill="#4b3221"/><ellipse cx="66" cy="85" rx="11" ry="7" fill="#fff"/><ellipse cx="114" cy="85" rx="11" ry="7" fill="#fff"/><circle cx="66" cy="85" r="6" fill="#2b1d14"/><circle cx="114" cy="85" r="6" fill="#2b1d14"/><path d="M54 68 Q66 60 78 68 M102 68 Q114 60 126 68" stroke="#4b3221" stroke-width="5" fill="none"/><path d="M90 90 L82 118 L96 120" stroke="#c08f6d" stroke-width="4" fill="none"/><path d="M66 136 Q90 152 114 136" stroke="#a8453f" stroke-width="7" fill="none"/></g></svg>`;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-focus-'));
  await writeFiles(folder, {
    'disc.png': await disc(720, 180, 90).png().toBuffer(),
    // Held sideways: the camera's flag turns it by a quarter.
    'sideways.jpg': await disc(720, 180, 90).withMetadata({ orientation: 6 }).jpeg().toBuffer(),
    'face.jpg': await sharp(Buffer.from(FACE)).jpeg().toBuffer(),
    'broken.png': 'no picture',
  });
});
afterAll(() => rm(folder, { recursive: true, force: true }));

interface FocusRow {
  readonly file: string;
  readonly width: number;
  readonly height: number;
  readonly x: number;
  readonly y: number;
  readonly because: readonly string[];
  readonly crops: Readonly<Record<string, { x: number; y: number; width: number; height: number }>>;
}

const focus = async (...options: readonly string[]) => {
  const { code, out, err } = await runHere('focus', folder, ...options);
  const rows = rowsOf(out) as unknown as FocusRow[];
  return { code, err, row: (file: string) => rows.find((one) => one.file === file) };
};

it('prints the point, what it rests on, and crops in whole pixels; what can’t be read is passed over', async () => {
  const { code, err, row } = await focus('--no-heads');
  expect(code).toBe(0);
  expect(err).toContain('broken.png is passed over');
  const found = row('disc.png');
  expect(found).toMatchObject({ width: 900, height: 600 });
  expect(Math.hypot((found?.x ?? 0) * 900 - 720, (found?.y ?? 0) * 600 - 180)).toBeLessThan(90);
  expect(found?.because).toEqual(expect.arrayContaining(['contrast', 'colour']));
  expect(found?.crops['1:1']).toMatchObject({ y: 0, width: 600, height: 600 });
  const { x = 0, width = 0 } = found?.crops['3:4'] ?? {};
  expect(width).toBe(450);
  expect(x <= 630 && x + width >= 810).toBe(true);
});

it('counts in the picture as a browser shows it: upright', async () => {
  const { row } = await focus('--no-heads', '--shapes', '2:1');
  const found = row('sideways.jpg');
  expect(found).toMatchObject({ width: 600, height: 900 });
  // A quarter to the right: what was to the right is below, what was above is to the right.
  expect(Math.hypot((found?.x ?? 0) * 600 - 420, (found?.y ?? 0) * 900 - 720)).toBeLessThan(90);
  expect(Object.keys(found?.crops ?? {})).toEqual(['2:1']);
});

it('finds a head, and no crop cuts it', async () => {
  const { row } = await focus();
  const found = row('face.jpg');
  expect(found?.because).toEqual(['head']);
  const [left, right, top, bottom] = [910, 1210, 120, 500];
  const [x, y] = [(found?.x ?? 0) * 1200, (found?.y ?? 0) * 800];
  expect(x > left && x < right && y > top && y < bottom).toBe(true);
  const crop = found?.crops['3:4'];
  expect(crop && crop.x <= left && crop.x + crop.width >= 1190).toBe(true);
  expect(row('disc.png')?.because).not.toContain('head');
});

it('refuses a shape that is none', async () => {
  const { code, err } = await focus('--shapes', '1:0');
  expect(code).toBe(2);
  expect(err).toContain('“1:0” is no shape');
});
