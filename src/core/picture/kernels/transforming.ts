/** The cosine transform of a square. */
import { begin } from './kernels';

/**
 * The low frequencies of a square's cosine transform (DCT-II), row by row: as many across as down.
 *
 * @param samples of the square, row by row
 * @param cosines of each frequency at each point of the square's side
 */
export function frequenciesOf(samples: Float32Array, cosines: Float32Array): Float32Array {
  const side = Math.sqrt(samples.length);
  const kept = cosines.length / side;
  const kernels = begin();
  const [factors, from] = [kernels.put(cosines), kernels.put(samples)];
  const to = kernels.room(kept * kept * 4);
  kernels.run.frequencies(from, side, factors, kept, to, kernels.room(side * kept * 4));
  return kernels.floats(to, [kept, kept]).slice();
}
