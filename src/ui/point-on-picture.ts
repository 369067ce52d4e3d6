/** Points on a picture, in shares of its width and height, set by a pointer or moved by arrow keys. */
import type { MouseEvent } from 'react';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Which way an arrow key goes along x and y; nothing for any other key. */
export const DIRECTIONS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const within = (share: number) => Math.min(1, Math.max(0, share));

/** Where on the element that listens it was pressed. */
export function pointPressed({ currentTarget, clientX, clientY }: MouseEvent): Point {
  const box = currentTarget.getBoundingClientRect();
  return { x: within((clientX - box.left) / box.width), y: within((clientY - box.top) / box.height) };
}

/**
 * A point moved by a key.
 *
 * @param step a share of the side, 0 to 1
 * @returns `null` for a key that moves nothing
 */
export function pointMoved({ x, y }: Point, key: string, step: number): Point | null {
  const direction = DIRECTIONS[key];
  return direction ? { x: within(x + direction[0] * step), y: within(y + direction[1] * step) } : null;
}
