import type { FocusPixels } from './oklab';

/** A picture of one channel has the same in all three. */
export function asThreeChannels(
  data: Uint8Array,
  { width, height, channels }: { readonly width: number; readonly height: number; readonly channels: number },
): FocusPixels {
  if (channels === 3) return { width, height, rgb: data };
  const rgb = new Uint8Array(width * height * 3);
  for (let n = 0; n < width * height; n++) rgb.fill(data[n * channels]!, 3 * n, 3 * n + 3);
  return { width, height, rgb };
}

/** A picture brought inside a square, each pixel the mean of those it covers. */
export function broughtInside(picture: FocusPixels, side: number): FocusPixels {
  const long = Math.max(picture.width, picture.height);
  if (long <= side) return picture;
  const width = Math.max(1, Math.round((picture.width * side) / long));
  const height = Math.max(1, Math.round((picture.height * side) / long));
  const rgb = new Uint8Array(width * height * 3);
  for (let y = 0; y < height; y++) {
    const [top, bottom] = span(y, height, picture.height);
    for (let x = 0; x < width; x++) {
      const [left, right] = span(x, width, picture.width);
      for (let channel = 0; channel < 3; channel++) {
        let sum = 0;
        for (let row = top; row < bottom; row++)
          for (let column = left; column < right; column++)
            sum += picture.rgb[(row * picture.width + column) * 3 + channel]!;
        rgb[(y * width + x) * 3 + channel] = Math.round(sum / ((bottom - top) * (right - left)));
      }
    }
  }
  return { width, height, rgb };
}

const span = (n: number, count: number, size: number): [number, number] => {
  const from = Math.floor((n * size) / count);
  return [from, Math.max(from + 1, Math.floor(((n + 1) * size) / count))];
};
