/** Colour pixels, taken apart into brightness and sums of colour. */
import { begin } from './kernels';

export interface ColourPixels {
  readonly width: number;
  readonly height: number;
  /** Red, green, blue, each 0 to 255, row by row. */
  readonly data: Uint8Array;
}

export interface TakenApart {
  /** Of every pixel, 0 to 255 (ITU-R BT.601). */
  readonly brightness: Uint8Array;
  /** Over the pixels of each cell, row by row: blue less brightness, and red less brightness. */
  readonly blue: Int32Array;
  readonly red: Int32Array;
}

/**
 * @param starts the column of pixels in which each column of cells begins, and the width behind the last; pixels of a row
 *   belong to the row of cells that their share of the height falls into
 * @param down rows of cells
 */
export function takenApart(pixels: ColourPixels, starts: Int32Array, down: number): TakenApart {
  const { width, height, data } = pixels;
  const kernels = begin();
  const across = starts.length - 1;
  const [from, columns] = [kernels.put(data), kernels.put(starts)];
  const plane = kernels.room(width * height);
  const [blue, red] = [kernels.room(across * down * 4), kernels.room(across * down * 4)];
  kernels.run.takeApart(from, width, height, columns, across, down, plane, blue, red);
  return {
    brightness: kernels.octets(plane, width * height).slice(),
    blue: kernels.wholes(blue, across * down).slice(),
    red: kernels.wholes(red, across * down).slice(),
  };
}
