/**
 * The compiled kernels and their memory. What goes in is laid there one after the other, for each call anew, and what comes
 * out is copied.
 */
import { COMPILED } from './compiled';

/** In samples. */
export type Size = readonly [width: number, height: number];

type Samples = Uint8Array | Int32Array | Float32Array | Float64Array;
interface Exports {
  readonly memory: WebAssembly.Memory;
  resampleRoom(...sizes: number[]): number;
  resample(data: number, isBytes: boolean, ...rest: number[]): void;
  shadeRoom(width: number): number;
  withoutShade(samples: number, width: number, height: number, to: number, room: number): void;
  moments(a: number, b: number, count: number, to: number): void;
  blockSums(a: number, b: number, own: number, other: number, ...rest: number[]): void;
  overlayRoom(width: number, columns: number): number;
  layOut(mine: number, width: number, theirs: number, across: number, ...rest: number[]): void;
  agreement(flat: number): number;
  slopes(to: number): void;
  sumUp(data: number, width: number, height: number, to: number): void;
  cellRoom(side: number): number;
  cellMeans(sums: number, width: number, height: number, ...rest: number[]): void;
  boxRoom(columns: number, rows: number): number;
  standOut(sums: number, width: number, height: number, ...rest: number[]): void;
  peaks(values: number, columns: number, rows: number, least: number, to: number): number;
  takeApart(pixels: number, width: number, height: number, ...rest: number[]): void;
  frequencies(samples: number, side: number, cosines: number, ...rest: number[]): void;
  windowRoom(): number;
  hashWindows(sums: number, width: number, height: number, ...rest: number[]): void;
}

/** Where the kernels' own memory ends, and the border that what is laid there begins on, in bytes. */
const START = 1024;
const BORDER = 16;
const PAGE = 65_536;

/** What stays in the kernels' memory from one call to the next. */
export interface Held {
  readonly at: number;
  readonly by: symbol;
}

export class Kernels {
  private next = START;
  /** Where what each call lays there begins: behind what is held. */
  private base = START;
  private held: symbol | null = null;
  private bytes: Uint8Array;
  /** What was put where, one after the other: what is put there again by the next call lies there already. */
  private readonly laid: { at: number; samples: Samples | null }[] = [];
  private laidNow = 0;
  constructor(readonly run: Exports) {
    this.bytes = new Uint8Array(run.memory.buffer);
  }

  /** Begins anew: what was laid there before is given up. */
  begin(): this {
    this.next = this.base;
    for (let n = this.laidNow; n < this.laid.length; n++) this.laid[n]!.samples = null;
    this.laidNow = 0;
    return this;
  }

  /** Room for so many bytes that calls to come leave as they are, until the next time that something is to be held. */
  hold(bytes: number): Held {
    this.base = START;
    this.begin();
    // It overwrites whatever was laid there.
    this.laid.length = 0;
    const at = this.room(bytes);
    this.base = this.next;
    this.held = Symbol('held');
    return { at, by: this.held };
  }

  /** Where it lies. @throws Error where something else is held by now */
  place({ at, by }: Held): number {
    if (by !== this.held) throw new Error('What was held has made room for something else.');
    return at;
  }

  /** Room for so many bytes; where it begins. */
  room(bytes: number): number {
    const at = this.next;
    this.next = Math.ceil((at + bytes) / BORDER) * BORDER;
    // Vectors are read up to three samples beyond the last.
    const missing = this.next + BORDER - this.bytes.length;
    if (missing > 0) {
      this.run.memory.grow(Math.ceil(missing / PAGE));
      this.bytes = new Uint8Array(this.run.memory.buffer);
    }
    return at;
  }

  /** Lays samples down, which are never changed; where they begin. */
  put(samples: Samples): number {
    const { buffer, byteOffset, byteLength } = samples;
    const at = this.room(byteLength);
    const known = (this.laid[this.laidNow++] ??= { at, samples: null });
    if (known.samples === samples && known.at === at) return at;
    this.bytes.set(new Uint8Array(buffer, byteOffset, byteLength), at);
    known.at = at;
    known.samples = samples;
    return at;
  }

  /** Samples that lie there: what is laid anew overwrites them. */
  floats(at: number, [width, height]: Size): Float32Array {
    return new Float32Array(this.run.memory.buffer, at, width * height);
  }

  octets(at: number, count: number): Uint8Array {
    return new Uint8Array(this.run.memory.buffer, at, count);
  }

  wholes(at: number, count: number): Int32Array {
    return new Int32Array(this.run.memory.buffer, at, count);
  }

  doubles(at: number, count: number): Float64Array {
    return new Float64Array(this.run.memory.buffer, at, count);
  }
}

let compiled: Kernels | undefined;

/** The kernels, with their memory free. */
export function begin(): Kernels {
  compiled ??= new Kernels(
    new WebAssembly.Instance(
      new WebAssembly.Module(Uint8Array.from(atob(COMPILED), (letter) => letter.charCodeAt(0))),
    ).exports as unknown as Exports,
  );
  return compiled.begin();
}
