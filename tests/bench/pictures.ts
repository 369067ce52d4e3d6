/**
 * Fingerprinting beside a bare decode to the same size, and finding pictures among 100,000 beside comparing every one
 * with every other. Folders of photographs may be given; the demo's scenes are measured otherwise.
 */
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { seeded } from '@demo/site/random';
import { facade, hands, instrument, river, room, stage } from '@demo/site/scenes';
import { CandidateIndex, type Searchable } from '@/core/picture/candidate-index';
import { bitsOf, type DctHash } from '@/core/picture/dct-hash';
import { MOST_LANDMARKS } from '@/core/picture/find-landmarks';
import { fingerprintOf, PLANE_PX, type Fingerprint } from '@/core/picture/fingerprint';
import { readPlanes } from '@/server/imaging/read-pixels';
import { byTurns, report } from './measure';

const PICTURES = 60;
/** Pictures that are read side by side, as in a survey. */
const HANDS = 4;
const LOOKED_UP = 100_000;
const ALLOWED_MS = 10;

export async function photographs(folders: readonly string[]): Promise<Buffer[]> {
  const found: Buffer[] = [];
  for (const folder of folders) {
    const names = (await readdir(folder)).filter((name) => /\.(?:jpe?g|png|webp)$/i.test(name)).sort();
    for (const name of names.slice(0, PICTURES)) found.push(await readFile(join(folder, name)));
  }
  if (found.length > 0) return found;
  const scenes = [stage, room, instrument, river, hands, (seed: number) => facade(seed, 'red')];
  return Promise.all(
    Array.from({ length: PICTURES }, (_, n) =>
      sharp(Buffer.from((scenes[n % scenes.length] as (seed: number) => string)(n)))
        .resize(1600, 1067)
        .jpeg({ quality: 88 })
        .toBuffer(),
    ),
  );
}

/** Runs over all with a few side by side, as a survey does. */
async function withHands<T>(all: readonly T[], run: (one: T) => Promise<unknown>): Promise<void> {
  let next = 0;
  const hand = async () => {
    for (let one = all[next++]; one !== undefined; one = all[next++]) await run(one);
  };
  await Promise.all(Array.from({ length: HANDS }, hand));
}

/** How often a bit of a made-up hash is another one than in the real landmark that it was made from. */
const FLIPPED = 0.2;

/** Fingerprints in any number, made from real ones: their landmarks mixed, with bits turned by chance. */
function maker(real: readonly Fingerprint[]): (seed: number) => Searchable {
  const pool = real.flatMap(({ landmarks }) => landmarks);
  return (seed) => {
    const random = seeded(seed + 1);
    const word = () => {
      let bits = 0;
      for (let bit = 0; bit < 32; bit++) if (random() < FLIPPED) bits |= 1 << bit;
      return bits;
    };
    const turned = <T extends DctHash>(hash: T): T => ({
      ...hash,
      low: (hash.low ^ word()) & ~1,
      high: hash.high ^ word(),
    });
    const one = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T;
    const whole = one(real);
    return {
      plane: { width: 256, height: 171 },
      hash: turned(whole.hash),
      squareHash: turned(whole.squareHash),
      middleHashes: whole.middleHashes.map(turned),
      landmarks: Array.from({ length: MOST_LANDMARKS }, () => turned(one(pool))),
    };
  };
}

/** Every landmark of one beside every landmark of the other: what finding costs without tables. */
function comparedBare(a: Searchable, b: Searchable): number {
  let near = 0;
  for (const one of a.landmarks)
    for (const other of b.landmarks)
      if (bitsOf(one.low ^ other.low) + bitsOf(one.high ^ other.high) <= 19) near++;
  return near;
}

export async function benchPictures(folders: readonly string[]): Promise<void> {
  const bytes = await photographs(folders);
  const ours = () => withHands(bytes, async (one) => fingerprintOf(await readPlanes(one, 'bench')));
  const bare = () =>
    withHands(bytes, (one) =>
      sharp(one).resize(PLANE_PX, PLANE_PX, { fit: 'inside' }).toColourspace('srgb').raw().toBuffer(),
    );
  report(`fingerprint ${bytes.length} pictures`, await byTurns(ours, bare, 9), { atMost: 1.3 });

  const real: Fingerprint[] = [];
  await withHands(bytes, async (one) => real.push(fingerprintOf(await readPlanes(one, 'bench'))));
  const madeUp = maker(real);
  const index = new CandidateIndex(LOOKED_UP);
  const sample = Array.from({ length: 400 }, (_, n) => madeUp(n));
  for (let n = 0; n < LOOKED_UP; n++) index.add(sample[n] ?? madeUp(n));
  const asked = sample.slice(0, 200);
  let start = performance.now();
  for (const one of asked) index.find(one, 12);
  const findMs = (performance.now() - start) / asked.length;
  report(
    'find one picture among 100,000, of what is allowed',
    {
      ours: findMs,
      bare: ALLOWED_MS,
      unit: 'ms',
    },
    { atMost: 1 },
  );
  start = performance.now();
  let pairs = 0;
  for (let n = 0; n + 1 < sample.length; n += 2)
    pairs += comparedBare(sample[n] as Searchable, sample[n + 1] as Searchable) >= 0 ? 1 : 0;
  const pairMs = (performance.now() - start) / pairs;
  report(
    'find the candidates of 100,000 pictures, beside comparing every two',
    {
      ours: findMs * LOOKED_UP,
      bare: (pairMs * LOOKED_UP * LOOKED_UP) / 2,
      unit: 'ms',
    },
    { atMost: 0.05 },
  );
}
