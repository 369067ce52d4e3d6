/** Glyphs that templates draw where a picture is to come: a camera, a question mark, initials in a disc. */
import type { GreyPlane } from './grey-plane';
import { partsOf, type Part } from './plane-parts';

/** A disc fills so much of the square around it (π/4). */
export const isRound = ({ width, height, area }: Part): boolean =>
  Math.abs(width / height - 1) < 0.25 && Math.abs(area / (width * height) - Math.PI / 4) < 0.09;

const middleOf = ({ left, top, width, height }: Part) => ({ x: left + width / 2, y: top + height / 2 });

function isCentred(part: Part, { width, height }: GreyPlane, reach = 0.08): boolean {
  const { x, y } = middleOf(part);
  return Math.abs(x - width / 2) < reach * width && Math.abs(y - height / 2) < 1.5 * reach * height;
}

/** What differs from a part's own tone within the rectangle around it, and does not touch its edge. */
function holesIn(
  { left, top, width, height }: Part,
  plane: GreyPlane,
  isOwn: (tone: number) => boolean,
): Part[] {
  const data = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      data[y * width + x] = isOwn(plane.data[(top + y) * plane.width + left + x] as number) ? 0 : 1;
  return partsOf({ width, height, data }).filter(
    (one) =>
      one.left > 0 &&
      one.top > 0 &&
      one.left + one.width < width &&
      one.top + one.height < height &&
      one.area >= LEAST_HOLE * width * height,
  );
}

const LEAST_HOLE = 0.004;
const SAME_TONE = 20;

/** The tone that most of a part has. */
function toneOf({ left, top, width, height }: Part, { data, width: across }: GreyPlane): number {
  const counts = new Uint32Array(256);
  // Along its middle line and the one through its upper quarter: a hole takes one of them at most.
  for (const y of [
    top + Math.round(height / 2),
    top + Math.round(height / 4),
    top + Math.round((3 * height) / 4),
  ])
    for (let x = left; x < left + width; x++) counts[Math.round(data[y * across + x] as number)]! += 1;
  return counts.indexOf(Math.max(...counts));
}

/** One mass, broader than high and nearly full, with a round lens in its middle. */
export function isCamera(parts: readonly Part[], plane: GreyPlane): boolean {
  const [body, ...others] = [...parts].sort((a, b) => b.area - a.area);
  if (!body || others.length > 2 || !isCentred(body, plane)) return false;
  const shape = body.width / body.height;
  const fill = body.area / (body.width * body.height);
  if (shape < 1.1 || shape > 1.9 || fill < 0.55 || body.width > 0.7 * plane.width) return false;
  const tone = toneOf(body, plane);
  const lens = holesIn(body, plane, (one) => Math.abs(one - tone) <= SAME_TONE).filter(
    (hole) => isRound(hole) && hole.height > 0.25 * body.height,
  );
  return (
    lens.length >= 1 && lens.every((hole) => Math.abs(middleOf(hole).x - body.width / 2) < 0.12 * body.width)
  );
}

/** A hook with a dot under it, alone and large. */
export function isQuestionMark(parts: readonly Part[], plane: GreyPlane): boolean {
  if (parts.length !== 2) return false;
  const [hook, dot] = [...parts].sort((a, b) => a.top - b.top) as [Part, Part];
  const tall = dot.top + dot.height - hook.top;
  const broadest = Math.max(hook.widthAt(0.15), hook.widthAt(0.3));
  return (
    dot.top >= hook.top + hook.height &&
    dot.top - hook.top - hook.height < 0.25 * tall &&
    Math.abs(middleOf(hook).x - plane.width / 2) < 0.1 * plane.width &&
    Math.abs(middleOf(dot).x - middleOf(hook).x) < 0.3 * hook.width &&
    dot.height < 0.3 * tall &&
    dot.width < 0.5 * hook.width &&
    hook.widthAt(0.95) < 0.5 * broadest &&
    tall > 0.25 * plane.height &&
    hook.asymmetry > 0.15
  );
}

/** A large disc in the middle of what the corners are, with one to three letters in it. */
export function isDiscOfLetters(
  plane: GreyPlane,
  areLetters: (parts: readonly Part[], on: GreyPlane) => boolean,
): boolean {
  const { data } = plane;
  const corner = data[0] as number;
  const corners = [plane.width - 1, data.length - plane.width, data.length - 1];
  if (corners.some((at) => Math.abs((data[at] as number) - corner) > SAME_TONE)) return false;
  const outside = data.map((tone) => (Math.abs(tone - corner) > SAME_TONE ? 1 : 0));
  const parts = partsOf({ width: plane.width, height: plane.height, data: Uint8Array.from(outside) }).filter(
    ({ area }) => area >= LEAST_HOLE * data.length,
  );
  const [disc] = [...parts].sort((a, b) => b.width * b.height - a.width * a.height);
  if (!disc || parts.some((part) => part !== disc && !isWithin(part, disc)) || !isCentred(disc, plane))
    return false;
  const { width, height } = disc;
  if (Math.abs(width / height - 1) > 0.08 || height < 0.5 * Math.min(plane.width, plane.height)) return false;
  const tone = rimTone(disc, plane);
  const [left, top] = [disc.left + Math.round(0.16 * width), disc.top + Math.round(0.16 * height)];
  const inner = { width: Math.round(0.68 * width), height: Math.round(0.68 * height) };
  const marks = new Uint8Array(inner.width * inner.height);
  for (let y = 0; y < inner.height; y++)
    for (let x = 0; x < inner.width; x++) {
      const own = plane.data[(top + y) * plane.width + left + x] as number;
      marks[y * inner.width + x] = Math.abs(own - tone) > SAME_TONE ? 1 : 0;
    }
  const letters = partsOf({ ...inner, data: marks }).filter(
    ({ area }) => area >= LEAST_HOLE * inner.width * inner.height,
  );
  return (
    letters.length > 0 &&
    !(letters.length === 1 && isRound(letters[0] as Part)) &&
    hasRoundEdge(disc, plane, tone) &&
    areLetters(letters, { ...inner, data: plane.data })
  );
}

const isWithin = (part: Part, around: Part): boolean =>
  part.left >= around.left &&
  part.top >= around.top &&
  part.left + part.width <= around.left + around.width &&
  part.top + part.height <= around.top + around.height;

function rimTone({ left, top, width, height }: Part, { data, width: across }: GreyPlane): number {
  return data[(top + Math.round(0.07 * height)) * across + left + Math.round(width / 2)] as number;
}

/** Whether the corners of the square around a disc are not of its tone, and its edge is. */
function hasRoundEdge(
  { left, top, width, height }: Part,
  { data, width: across }: GreyPlane,
  tone: number,
): boolean {
  const isOwn = (angle: number, share: number) => {
    const x = Math.round(left + width / 2 + (Math.cos(angle) * share * width) / 2);
    const y = Math.round(top + height / 2 + (Math.sin(angle) * share * height) / 2);
    return Math.abs((data[y * across + x] ?? -1000) - tone) <= SAME_TONE;
  };
  let fits = 0;
  for (let step = 0; step < RIM_STEPS; step++) {
    const angle = (step * 2 * Math.PI) / RIM_STEPS;
    if (isOwn(angle, 0.92)) fits++;
    if (!isOwn(angle, 1.12)) fits++;
  }
  return fits >= 0.9 * 2 * RIM_STEPS;
}

const RIM_STEPS = 24;
