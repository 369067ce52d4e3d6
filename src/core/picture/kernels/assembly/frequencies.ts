import { bytes } from './sums';

/**
 * The low frequencies of a square's cosine transform (DCT-II): `kept × kept` of them.
 *
 * @param samples `side × side` in floating point, row by row
 * @param cosines of frequency `u` at point `x`: at `u × side + x`
 * @param to where they are put, in floating point, as many across as down
 * @param room for `side × kept` samples
 */
export function frequencies(
  samples: usize,
  side: i32,
  cosines: usize,
  kept: i32,
  to: usize,
  room: usize,
): void {
  for (let y = 0; y < side; y++)
    for (let u = 0; u < kept; u++) {
      let sum: f64 = 0;
      for (let x = 0; x < side; x++)
        sum +=
          (load<f32>(samples + bytes(y * side + x)) as f64) *
          (load<f32>(cosines + bytes(u * side + x)) as f64);
      store<f32>(room + bytes(y * kept + u), sum as f32);
    }
  for (let v = 0; v < kept; v++)
    for (let u = 0; u < kept; u++) {
      let sum: f64 = 0;
      for (let y = 0; y < side; y++)
        sum +=
          (load<f32>(room + bytes(y * kept + u)) as f64) * (load<f32>(cosines + bytes(v * side + y)) as f64);
      store<f32>(to + bytes(v * kept + u), sum as f32);
    }
}
