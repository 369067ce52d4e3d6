/**
 * Signs that stand for a picture that is not there: a crossed frame, mountains with a sun, the outline of a person, a
 * checkerboard, a bare tone. Found in a small plane of brightness; nothing here decides whether they are leftovers.
 */
import { shareOfInks } from './drawn-ink';
import { isCamera, isDiscOfLetters, isQuestionMark, isRound } from './drawn-glyphs';
import { isCheckerboard, isHatched } from './drawn-patterns';
import type { GreyPlane } from './grey-plane';
import { partsOf, type Part } from './plane-parts';
import { commonestTone, countAround, toneCounts } from './tone-counts';

export type DrawnSign =
  | 'flat'
  | 'gradient'
  | 'soft blobs'
  | 'checkerboard'
  | 'crossed frame'
  | 'mountains and sun'
  | 'outline of a person'
  | 'play triangle'
  | 'camera'
  | 'question mark'
  | 'hatching'
  | 'large letters'
  | 'initials in a disc'
  | 'sign of a broken picture';

/** Tones that count as one. */
const SAME_TONE = 10;
/** Smaller planes are icons: on them anything looks like a sign. */
const LEAST_PX = 48;

/** The sign that a picture is, or `null` where it is none of them, as photographs and drawings are. */
export function drawnSign(plane: GreyPlane): DrawnSign | null {
  const { width, height } = plane;
  if (Math.max(width, height) < LEAST_PX || Math.min(width, height) < LEAST_PX / 3) return null;
  const ground = groundOf(plane);
  if (ground.share >= FLAT) return 'flat';
  const soft = softness(plane);
  if (soft) return soft;
  // In the middle of their cells chequers and stripes are alike: the stripes are looked for first.
  if (isHatched(plane)) return 'hatching';
  if (isCheckerboard(plane)) return 'checkerboard';
  if (isDiscOfLetters(plane, areLetters)) return 'initials in a disc';
  if (ground.share < LEAST_GROUND) return null;
  const marks = marksOn(plane, ground.tone);
  if (isCrossedFrame(plane, marks)) return 'crossed frame';
  const parts = partsOf({ width, height, data: marks }).filter(
    ({ area }) => area >= LEAST_AREA * width * height,
  );
  return glyphOf(plane, parts, { ground: ground.tone, marks });
}

const FLAT = 0.995;
const LEAST_GROUND = 0.45;
const LEAST_AREA = 0.0008;

/** The commonest tone and the share of pixels that have it. */
function groundOf(plane: GreyPlane): { readonly tone: number; readonly share: number } {
  const counts = toneCounts(plane);
  const tone = commonestTone(counts, 3);
  return { tone, share: countAround(counts, tone, SAME_TONE / 2) / plane.data.length };
}

/** Steps from one pixel to the next that no edge and no grain exceeds. */
const SOFT_STEP = 7;
/** From the darkest to the brightest, where there is anything to be seen at all. */
const LEAST_RANGE = 8;
/** Root mean square deviation from one slope, in tones. */
const STRAIGHT = 3.5;

/** Whether a picture has no edge anywhere: one slope, or soft blobs. */
function softness({ width, height, data }: GreyPlane): 'gradient' | 'soft blobs' | null {
  // A strip is brought to its breadth, and all that runs across its height is as much steeper.
  const step = SOFT_STEP * Math.min(2, Math.sqrt(Math.max(width / height, height / width)));
  let least = 255;
  let most = 0;
  let steep = 0;
  for (let y = 0; y < height - 1; y++) {
    for (let x = 0; x < width - 1; x++) {
      const value = data[y * width + x] as number;
      if (value < least) least = value;
      if (value > most) most = value;
      const across = Math.abs((data[y * width + x + 1] as number) - value);
      const down = Math.abs((data[(y + 1) * width + x] as number) - value);
      if (across > step || down > step) steep++;
    }
  }
  if (most - least < LEAST_RANGE || steep > 0.001 * width * height) return null;
  return deviationFromSlope({ width, height, data }) <= STRAIGHT ? 'gradient' : 'soft blobs';
}

/** Least squares over a plane `a + bx + cy`, whose x and y are centred and so do not mix. */
function deviationFromSlope({ width, height, data }: GreyPlane): number {
  let sum = 0;
  let byX = 0;
  let byY = 0;
  let xx = 0;
  let yy = 0;
  for (let i = 0; i < data.length; i++) {
    const x = (i % width) - (width - 1) / 2;
    const y = Math.floor(i / width) - (height - 1) / 2;
    const value = data[i] as number;
    sum += value;
    byX += value * x;
    byY += value * y;
    xx += x * x;
    yy += y * y;
  }
  const [mean, b, c] = [sum / data.length, byX / (xx || 1), byY / (yy || 1)];
  let squares = 0;
  for (let i = 0; i < data.length; i++) {
    const x = (i % width) - (width - 1) / 2;
    const y = Math.floor(i / width) - (height - 1) / 2;
    squares += ((data[i] as number) - mean - b * x - c * y) ** 2;
  }
  return Math.sqrt(squares / data.length);
}

/** 1 where a pixel is not of the ground. */
function marksOn({ data }: GreyPlane, ground: number): Uint8Array {
  const marks = new Uint8Array(data.length);
  for (let i = 0; i < data.length; i++) marks[i] = Math.abs((data[i] as number) - ground) > SAME_TONE ? 1 : 0;
  return marks;
}

/** A diagonal may be a pixel or two beside its place; the corners belong to the frame. */
const REACH_PX = 2;
const ON_DIAGONAL = 0.85;
/** A size may be written across it. */
const MOST_ELSEWHERE = 0.04;

function isCrossedFrame({ width, height }: GreyPlane, marks: Uint8Array): boolean {
  const isNear = (x: number, y: number) => {
    for (let d = -REACH_PX; d <= REACH_PX; d++) {
      const at = Math.round(y) * width + Math.round(x) + d;
      if (marks[at]) return true;
    }
    return false;
  };
  const steps = 60;
  let [down, up] = [0, 0];
  for (let i = 5; i < steps - 5; i++) {
    const [x, y] = [(i / (steps - 1)) * (width - 1), (i / (steps - 1)) * (height - 1)];
    if (isNear(x, y)) down++;
    if (isNear(x, height - 1 - y)) up++;
  }
  if (Math.min(down, up) < ON_DIAGONAL * (steps - 10)) return false;
  let elsewhere = 0;
  const [edgeX, edgeY] = [0.04 * width, 0.04 * height];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      if (!marks[y * width + x] || x < edgeX || x > width - edgeX || y < edgeY || y > height - edgeY)
        continue;
      const along = (x / width) * height;
      const off = Math.min(Math.abs(y - along), Math.abs(height - y - along));
      if (off > 0.05 * height + 2) elsewhere++;
    }
  }
  return elsewhere <= MOST_ELSEWHERE * width * height;
}

function glyphOf(
  plane: GreyPlane,
  parts: readonly Part[],
  { ground, marks }: { readonly ground: number; readonly marks: Uint8Array },
): DrawnSign | null {
  const { width, height } = plane;
  const isBorder = (part: Part) =>
    part.width >= 0.94 * width && part.height >= 0.94 * height && part.area < 0.1 * width * height;
  const inner = withoutFrame(parts.filter((part) => !isBorder(part)));
  if (inner.length === 0 || inner.length > MOST_PARTS) return null;
  if (isBrokenPicture(inner, plane, ground)) return 'sign of a broken picture';
  if (isPlay(inner, plane)) return 'play triangle';
  if (shareOfInks(plane, marks, 2) < LEAST_OF_INKS) return null;
  if (isPerson(inner, plane)) return 'outline of a person';
  if (isMountains(inner, plane)) return 'mountains and sun';
  if (isCamera(inner, plane)) return 'camera';
  if (isQuestionMark(inner, plane)) return 'question mark';
  const isDisc = inner.length === 1 && isRound(inner[0] as Part);
  return areLetters(inner, plane) && !isDisc && shareOfInks(plane, marks, 1) >= LEAST_OF_INKS
    ? 'large letters'
    : null;
}

/** Signs have 0.94 and more of one ink, things that were cut out of their ground half of it. */
const LEAST_OF_INKS = 0.8;

/** Without a frame of thin lines that is drawn around all the rest. */
function withoutFrame(parts: readonly Part[]): readonly Part[] {
  const frame = parts.find(
    (part) =>
      part.area < 0.35 * part.width * part.height &&
      part.widthAt(0.03) > 0.8 * part.width &&
      parts.every(
        (other) =>
          other === part ||
          (other.left > part.left &&
            other.top > part.top &&
            other.left + other.width < part.left + part.width &&
            other.top + other.height < part.top + part.height),
      ),
  );
  return frame && parts.length > 1 ? parts.filter((part) => part !== frame) : parts;
}

const MOST_PARTS = 14;
/** A disc above, and below it a mass that is broad at its foot and pointed above. */
function isMountains(parts: readonly Part[], { width, height }: GreyPlane): boolean {
  if (parts.length < 2 || parts.length > 3) return false;
  const [mass, ...others] = [...parts].sort((a, b) => b.area - a.area);
  const sun = others.find(isRound);
  if (!mass || !sun || others.length > 2) return false;
  const isInside =
    mass.left > 0.03 * width && mass.left + mass.width < 0.97 * width && mass.top > 0.1 * height;
  const fill = mass.area / (mass.width * mass.height);
  const isAbove = sun.top + sun.height / 2 < mass.top + mass.height * 0.5;
  const foot = mass.widthAt(0.95);
  const head = mass.widthAt(0.1);
  return (
    isInside &&
    isAbove &&
    mass.width > 1.2 * mass.height &&
    fill > 0.3 &&
    fill < 0.75 &&
    foot > 0.8 * mass.width &&
    head < 0.5 * mass.width
  );
}

/** A head, and shoulders that are broader and reach the lower edge, both sides alike. */
function isPerson(parts: readonly Part[], { width, height }: GreyPlane): boolean {
  if (parts.length > 2) return false;
  const body = [...parts].sort((a, b) => b.top + b.height - (a.top + a.height))[0];
  if (!body || body.top + body.height < 0.94 * height) return false;
  const head = parts.find((part) => part !== body);
  const middle = (part: Part) => part.left + part.width / 2;
  if (Math.abs(middle(body) - width / 2) > 0.06 * width || body.asymmetry > 0.08) return false;
  if (head) {
    return (
      isRound(head) &&
      Math.abs(middle(head) - width / 2) < 0.06 * width &&
      head.width < 0.95 * body.width &&
      head.top + head.height < body.top + 0.25 * body.height
    );
  }
  const [upper, neck, lower] = [
    body.widthAt(0.2),
    Math.min(body.widthAt(0.45), body.widthAt(0.5), body.widthAt(0.55)),
    body.widthAt(0.95),
  ];
  return body.height > 0.5 * height && neck < 0.95 * upper && lower > 1.3 * upper;
}

/** A disc in the middle with a triangle in it that points to the right, and nothing else. */
function isPlay(parts: readonly Part[], { width, height, data }: GreyPlane): boolean {
  const [disc] = [...parts].sort((a, b) => b.width * b.height - a.width * a.height);
  if (!disc || parts.length > 2) return false;
  const isCentred =
    Math.abs(disc.left + disc.width / 2 - width / 2) < 0.05 * width &&
    Math.abs(disc.top + disc.height / 2 - height / 2) < 0.07 * height;
  const isOfSize = disc.height > 0.12 * height && disc.height < 0.6 * height;
  if (!isCentred || !isOfSize || Math.abs(disc.width / disc.height - 1) > 0.15) return false;
  const rim = data[
    (disc.top + Math.round(0.15 * disc.height)) * width + disc.left + Math.round(disc.width / 2)
  ] as number;
  const [left, top] = [disc.left + Math.round(0.2 * disc.width), disc.top + Math.round(0.2 * disc.height)];
  const [w, h] = [Math.round(0.6 * disc.width), Math.round(0.6 * disc.height)];
  const inner = new Uint8Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++)
      inner[y * w + x] =
        Math.abs((data[(top + y) * width + left + x] as number) - rim) > 4 * SAME_TONE ? 1 : 0;
  const found = partsOf({ width: w, height: h, data: inner }).filter(({ area }) => area > 0.02 * w * h);
  return found.length === 1 && (found[0] as Part).isPointedRight;
}

/** One to three letters of one height, in the middle of a tone. */
function areLetters(parts: readonly Part[], { width, height }: GreyPlane): boolean {
  if (parts.length > 3) return false;
  const tops = parts.map(({ top }) => top);
  const ends = parts.map(({ top, height: tall }) => top + tall);
  const tall = Math.max(...ends) - Math.min(...tops);
  const isOneLine =
    Math.max(...tops) - Math.min(...tops) < 0.08 * height &&
    Math.max(...ends) - Math.min(...ends) < 0.16 * height;
  const left = Math.min(...parts.map((part) => part.left));
  const right = Math.max(...parts.map((part) => part.left + part.width));
  const isCentred =
    Math.abs((left + right) / 2 - width / 2) < 0.08 * width &&
    Math.abs((Math.max(...ends) + Math.min(...tops)) / 2 - height / 2) < 0.12 * height;
  const isInk = parts.every(
    ({ area, width: w, height: h }) => area / (w * h) > 0.15 && area / (w * h) < 0.85,
  );
  return (
    isOneLine &&
    isCentred &&
    isInk &&
    tall > 0.2 * height &&
    tall < 0.75 * height &&
    right - left < 0.85 * width
  );
}

/** Nearly all is blank, and what there is sits small in the upper left corner. */
function isBrokenPicture(parts: readonly Part[], { width, height }: GreyPlane, ground: number): boolean {
  if (ground < 225) return false;
  const right = Math.max(...parts.map((part) => part.left + part.width));
  const bottom = Math.max(...parts.map((part) => part.top + part.height));
  const area = parts.reduce((sum, part) => sum + part.area, 0);
  return (
    right < 0.5 * width &&
    bottom < 0.35 * height &&
    area < 0.03 * width * height &&
    Math.min(...parts.map(({ left }) => left)) < 0.12 * width
  );
}
