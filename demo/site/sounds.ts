/** The sounds of the demo site, made of tones; the words around them are made up as well. */

const RATE = 8000;
const TONE_S = 0.35;
/** Hertz, equal temperament: a scale of C major, as it is played first. */
const SCALE = [261.63, 293.66, 329.63, 349.23, 392, 440, 493.88, 523.25];

/** A scale as a WAVE file: 16 bits, one channel. @param lower by how many octaves */
export function scaleAsWave(lower = 0): Uint8Array {
  const perTone = Math.round(RATE * TONE_S);
  const samples = SCALE.flatMap((hertz) =>
    Array.from({ length: perTone }, (_, n) => {
      const t = n / RATE;
      const fade = Math.min(1, n / 200) * Math.exp(-5 * t);
      return Math.round(12_000 * fade * Math.sin((2 * Math.PI * hertz * t) / 2 ** lower));
    }),
  );
  const bytes = Buffer.alloc(44 + 2 * samples.length);
  bytes.write('RIFF', 0, 'latin1');
  bytes.writeUInt32LE(36 + 2 * samples.length, 4);
  bytes.write('WAVEfmt ', 8, 'latin1');
  bytes.writeUInt32LE(16, 16);
  bytes.writeUInt16LE(1, 20);
  bytes.writeUInt16LE(1, 22);
  bytes.writeUInt32LE(RATE, 24);
  bytes.writeUInt32LE(2 * RATE, 28);
  bytes.writeUInt16LE(2, 32);
  bytes.writeUInt16LE(16, 34);
  bytes.write('data', 36, 'latin1');
  bytes.writeUInt32LE(2 * samples.length, 40);
  samples.forEach((sample, n) => bytes.writeInt16LE(sample, 44 + 2 * n));
  return bytes;
}
