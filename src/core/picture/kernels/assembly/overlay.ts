/**
 * One plane laid over the grid of another: point (x, y) of the grid, which is a sample of `theirs`, lies at
 * (ax · x + bx, ay · y + by) of `mine`. Points are taken four at a time, and those beyond the last are masked.
 */
import { bytes, total } from './sums';

/** Room that `agreement` and `slopes` need beside their planes, in bytes. @param width of the plane that is laid over */
export function overlayRoom(width: i32, columns: i32): i32 {
  return bytes(2 * (width + 4) + 2 * (columns + 4)) as i32;
}

/** What `layOut` was told last, and what follows from it. */
let mine: usize = 0;
let width: i32 = 0;
let theirs: usize = 0;
let across: i32 = 0;
let ay: f64 = 0;
let by: f64 = 0;
let firstX: i32 = 0;
let firstY: i32 = 0;
let lastY: i32 = 0;
/** Columns of the grid that both planes show. */
let columns: i32 = 0;
/** For each of them the sample of `mine` left of where it lies, and the share of the way to the next. */
let places: usize = 0;
let shares: usize = 0;
/** The first sample of a row that is needed, and how many from there. */
let from: i32 = 0;
let count: i32 = 0;
/** Where a row is put as it lies between two. */
let line: usize = 0;

/**
 * Lays one plane over another, for `agreement` or `slopes` to be asked next.
 *
 * @param own where the plane lies that is laid over, of `ownWidth` samples a row
 * @param other where the plane lies whose samples are the grid, of `otherWidth` a row
 * @param ax with `bx`, `downStep` and `downStart` where point (x, y) of the grid lies in it: across, and down
 * @param fromX with `toX`, `fromY` and `toY` the first and last points that both show
 * @param room as much as `overlayRoom` says
 */
export function layOut(
  own: usize,
  ownWidth: i32,
  other: usize,
  otherWidth: i32,
  ax: f64,
  bx: f64,
  downStep: f64,
  downStart: f64,
  fromX: i32,
  toX: i32,
  fromY: i32,
  toY: i32,
  room: usize,
): void {
  mine = own;
  width = ownWidth;
  theirs = other;
  across = otherWidth;
  ay = downStep;
  by = downStart;
  firstX = fromX;
  firstY = fromY;
  lastY = toY;
  columns = toX - fromX + 1;
  places = room;
  shares = places + bytes(columns + 4);
  line = shares + bytes(columns + 4);
  for (let x = 0; x < columns + 3; x++) {
    const at = ax * ((min(x, columns - 1) + firstX) as f64) + bx;
    const left = Math.floor(at);
    store<i32>(places + bytes(x), left as i32);
    store<f32>(shares + bytes(x), (at - left) as f32);
  }
  from = load<i32>(places);
  count = load<i32>(places + bytes(columns - 1)) + 2 - from;
}

/** The first point of each plane. Sums are counted from it, so that little is lost where all are nearly the same. */
function firstOfMine(): v128 {
  return v128.load32_splat(mine + bytes((Math.floor(ay * (firstY as f64) + by) as i32) * width + from));
}

function firstOfTheirs(): v128 {
  return v128.load32_splat(theirs + bytes(firstY * across + firstX));
}

/** Which of four points are still within the columns. */
function within(x: i32, columns: i32): v128 {
  return i32x4.lt_s(i32x4.add(i32x4.splat(x), i32x4(0, 1, 2, 3)), i32x4.splat(columns));
}

/**
 * Correlation of brightness over the points that both show.
 *
 * @param flat variance below which one of them is even: 0 then
 */
export function agreement(flat: f64): f64 {
  // Places are counted from the plane's own first column.
  const base = line - bytes(from);
  const awayP = firstOfMine();
  const awayQ = firstOfTheirs();
  let sa: f64 = 0;
  let sb: f64 = 0;
  let aa: f64 = 0;
  let bb: f64 = 0;
  let ab: f64 = 0;
  for (let y = firstY; y <= lastY; y++) {
    const at = ay * (y as f64) + by;
    const above = Math.floor(at);
    between(mine + bytes((above as i32) * width + from), width, count, (at - above) as f32, line);
    const row = theirs + bytes(y * across + firstX);
    let one = f32x4.splat(0);
    let other = f32x4.splat(0);
    let ones = f32x4.splat(0);
    let others = f32x4.splat(0);
    let both = f32x4.splat(0);
    for (let x = 0; x < columns; x += 4) {
      const at = places + bytes(x);
      // Two neighbours of each of four points; then all the left ones, and all the right ones.
      let pairs = v128.load64_zero(base + bytes(load<i32>(at)));
      pairs = v128.load_lane<u64>(base + bytes(load<i32>(at, 4)), pairs, 1);
      let more = v128.load64_zero(base + bytes(load<i32>(at, 8)));
      more = v128.load_lane<u64>(base + bytes(load<i32>(at, 12)), more, 1);
      const left = v128.shuffle<f32>(pairs, more, 0, 2, 4, 6);
      const right = v128.shuffle<f32>(pairs, more, 1, 3, 5, 7);
      const mask = within(x, columns);
      const way = f32x4.mul(v128.load(shares + bytes(x)), f32x4.sub(right, left));
      const p = v128.and(mask, f32x4.sub(f32x4.add(left, way), awayP));
      const q = v128.and(mask, f32x4.sub(v128.load(row + bytes(x)), awayQ));
      one = f32x4.add(one, p);
      other = f32x4.add(other, q);
      ones = f32x4.add(ones, f32x4.mul(p, p));
      others = f32x4.add(others, f32x4.mul(q, q));
      both = f32x4.add(both, f32x4.mul(p, q));
    }
    sa += total(one);
    sb += total(other);
    aa += total(ones);
    bb += total(others);
    ab += total(both);
  }
  const n = ((lastY - firstY + 1) * columns) as f64;
  aa -= (sa * sa) / n;
  bb -= (sb * sb) / n;
  return aa < flat * n || bb < flat * n ? 0 : (ab - (sa * sb) / n) / Math.sqrt(aa * bb);
}

/** A row between two of a plane: `count` samples from `row` on, so far towards those below. */
function between(row: usize, width: i32, count: i32, share: f32, to: usize): void {
  const shares = f32x4.splat(share);
  const below = row + bytes(width);
  // Up to three more than are wanted: of the row below, or of what lies behind the plane. They are not looked at.
  for (let x = 0; x < count; x += 4) {
    const upper = v128.load(row + bytes(x));
    const step = f32x4.sub(v128.load(below + bytes(x)), upper);
    v128.store(to + bytes(x), f32x4.add(upper, f32x4.mul(shares, step)));
  }
}

/** The same, and the slope down between them: each sample is followed by its slope. */
function betweenWithSlope(row: usize, width: i32, count: i32, share: f32, to: usize): void {
  const shares = f32x4.splat(share);
  const below = row + bytes(width);
  for (let x = 0; x < count; x += 4) {
    const upper = v128.load(row + bytes(x));
    const step = f32x4.sub(v128.load(below + bytes(x)), upper);
    const sample = f32x4.add(upper, f32x4.mul(shares, step));
    v128.store(to + bytes(2 * x), v128.shuffle<f32>(sample, step, 0, 4, 1, 5));
    v128.store(to + bytes(2 * x), v128.shuffle<f32>(sample, step, 2, 6, 3, 7), 16);
  }
}

/**
 * What the equations for the next frame are made of, over the points that both show: with p the brightness of `mine`
 * (interpolated), u its slope across, v down, x and y from the middle of what is shared, and q the brightness of
 * `theirs`, the sums of p, u · x, u, v · y and v; of each times q; of their products (upper half, row by row); of q and of
 * its square. 27 numbers in double precision at `to`; p and q are about the first of each.
 */
export function slopes(to: usize): void {
  const base = line - bytes(2 * from);
  const awayP = firstOfMine();
  const awayQ = firstOfTheirs();
  const middle = ((lastY + firstY) as f64) / 2;
  const start = (-((columns - 1) as f32) / 2) as f32;
  memory.fill(to, 0, 27 * 8);
  for (let y = firstY; y <= lastY; y++) {
    const at = ay * (y as f64) + by;
    const above = Math.floor(at);
    betweenWithSlope(mine + bytes((above as i32) * width + from), width, count, (at - above) as f32, line);
    const row = theirs + bytes(y * across + firstX);
    let away = f32x4.add(f32x4.splat(start), f32x4(0, 1, 2, 3));
    let p1 = f32x4.splat(0);
    let w1 = f32x4.splat(0);
    let u1 = f32x4.splat(0);
    let v1 = f32x4.splat(0);
    let q1 = f32x4.splat(0);
    let pp = f32x4.splat(0);
    let pw = f32x4.splat(0);
    let pu = f32x4.splat(0);
    let pv = f32x4.splat(0);
    let ww = f32x4.splat(0);
    let uw = f32x4.splat(0);
    let wv = f32x4.splat(0);
    let uu = f32x4.splat(0);
    let uv = f32x4.splat(0);
    let vv = f32x4.splat(0);
    let pq = f32x4.splat(0);
    let wq = f32x4.splat(0);
    let uq = f32x4.splat(0);
    let vq = f32x4.splat(0);
    let qq = f32x4.splat(0);
    for (let x = 0; x < columns; x += 4) {
      const at = places + bytes(x);
      // Sample and slope of both neighbours of each of four points; then turned, so that each kind lies together.
      const first = v128.load(base + bytes(2 * load<i32>(at)));
      const second = v128.load(base + bytes(2 * load<i32>(at, 4)));
      const third = v128.load(base + bytes(2 * load<i32>(at, 8)));
      const fourth = v128.load(base + bytes(2 * load<i32>(at, 12)));
      const leftOfTwo = v128.shuffle<f32>(first, second, 0, 4, 1, 5);
      const rightOfTwo = v128.shuffle<f32>(first, second, 2, 6, 3, 7);
      const leftOfMore = v128.shuffle<f32>(third, fourth, 0, 4, 1, 5);
      const rightOfMore = v128.shuffle<f32>(third, fourth, 2, 6, 3, 7);
      const left = v128.shuffle<f32>(leftOfTwo, leftOfMore, 0, 1, 4, 5);
      const leftDown = v128.shuffle<f32>(leftOfTwo, leftOfMore, 2, 3, 6, 7);
      const right = v128.shuffle<f32>(rightOfTwo, rightOfMore, 0, 1, 4, 5);
      const rightDown = v128.shuffle<f32>(rightOfTwo, rightOfMore, 2, 3, 6, 7);
      const mask = within(x, columns);
      const share = v128.load(shares + bytes(x));
      const u = v128.and(mask, f32x4.sub(right, left));
      const p = v128.and(mask, f32x4.sub(f32x4.add(left, f32x4.mul(share, u)), awayP));
      const v = v128.and(mask, f32x4.add(leftDown, f32x4.mul(share, f32x4.sub(rightDown, leftDown))));
      const w = f32x4.mul(u, away);
      const q = v128.and(mask, f32x4.sub(v128.load(row + bytes(x)), awayQ));
      away = f32x4.add(away, f32x4.splat(4));
      p1 = f32x4.add(p1, p);
      w1 = f32x4.add(w1, w);
      u1 = f32x4.add(u1, u);
      v1 = f32x4.add(v1, v);
      q1 = f32x4.add(q1, q);
      pp = f32x4.add(pp, f32x4.mul(p, p));
      pw = f32x4.add(pw, f32x4.mul(p, w));
      pu = f32x4.add(pu, f32x4.mul(p, u));
      pv = f32x4.add(pv, f32x4.mul(p, v));
      ww = f32x4.add(ww, f32x4.mul(w, w));
      uw = f32x4.add(uw, f32x4.mul(u, w));
      wv = f32x4.add(wv, f32x4.mul(w, v));
      uu = f32x4.add(uu, f32x4.mul(u, u));
      uv = f32x4.add(uv, f32x4.mul(u, v));
      vv = f32x4.add(vv, f32x4.mul(v, v));
      pq = f32x4.add(pq, f32x4.mul(p, q));
      wq = f32x4.add(wq, f32x4.mul(w, q));
      uq = f32x4.add(uq, f32x4.mul(u, q));
      vq = f32x4.add(vq, f32x4.mul(v, q));
      qq = f32x4.add(qq, f32x4.mul(q, q));
    }
    const down = (y as f64) - middle;
    add(to, 0, total(p1));
    add(to, 1, total(w1));
    add(to, 2, total(u1));
    add(to, 3, total(v1) * down);
    add(to, 4, total(v1));
    add(to, 5, total(pq));
    add(to, 6, total(wq));
    add(to, 7, total(uq));
    add(to, 8, total(vq) * down);
    add(to, 9, total(vq));
    add(to, 10, total(pp));
    add(to, 11, total(pw));
    add(to, 12, total(pu));
    add(to, 13, total(pv) * down);
    add(to, 14, total(pv));
    add(to, 15, total(ww));
    add(to, 16, total(uw));
    add(to, 17, total(wv) * down);
    add(to, 18, total(wv));
    add(to, 19, total(uu));
    add(to, 20, total(uv) * down);
    add(to, 21, total(uv));
    add(to, 22, total(vv) * down * down);
    add(to, 23, total(vv) * down);
    add(to, 24, total(vv));
    add(to, 25, total(q1));
    add(to, 26, total(qq));
  }
}

function add(to: usize, n: i32, value: f64): void {
  const at = to + ((n as usize) << 3);
  store<f64>(at, load<f64>(at) + value);
}
