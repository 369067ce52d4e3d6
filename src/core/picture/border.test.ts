import { describe, expect, it } from 'vitest';
import { insideBorder } from './border';

/** Samples of a drawing that has a border, drawn as text: a digit is a tenth of white. */
const samples = (rows: readonly string[]) =>
  Float32Array.from(rows.flatMap((row) => [...row].map((digit) => Number(digit) * 25)));

const framed = ['9999999999', '9912345999', '9954321999', '9913131999', '9999999999', '9999999999'];

describe('insideBorder', () => {
  it.each([
    ['a border of another width at each side', [framed], { left: 2, top: 1, width: 5, height: 3 }],
    ['a border below alone', [['1212121212', '2121212121', '1234123412', '5555555555']], null],
    ['no border', [['1212121212', '2121212121', '1212121212']], null],
    ['little within a wide border', [['9999999999', '9999999999', '9999199999', '9999999999']], null],
    ['nothing but border', [['7777777777', '7777777777']], null],
    ['a border that only one of two has', [framed, ['1919191919', '9191919191', '1991234199', '9119131991', '1919191919', '9191919191']], null],
  ])('of %s', (_, drawings, inside) => {
    const rows = drawings[0]!;
    expect(insideBorder(drawings.map(samples), rows[0]!.length, rows.length)).toEqual(inside);
  }); // oxfmt-ignore

  it('takes a border that compression has touched, and one in another tone in each', () => {
    const touched = samples(framed).map((value, n) => (value === 225 ? value - (n % 3) : value));
    const darker = samples(framed).map((value) => (value === 225 ? 20 : value));
    expect(insideBorder([touched, darker], 10, 6)).toEqual({ left: 2, top: 1, width: 5, height: 3 });
  });
});
