import { describe, expect, it } from 'vitest';
import { begun, doneAgain, undone, wayOfKey, written } from './history';

describe('history', () => {
  it('goes back and on, and forgets what was undone when something else is written', () => {
    const two = written(written(begun('a'), 'b', null, 0), 'c', null, 10);
    expect(undone(two).now).toBe('b');
    expect(undone(undone(two)).now).toBe('a');
    expect(undone(undone(undone(two))).now).toBe('a');
    expect(doneAgain(undone(two)).now).toBe('c');
    expect(doneAgain(two)).toEqual(two);
    expect(doneAgain(written(undone(two), 'd', null, 20)).now).toBe('d');
  });
  it('counts what one hand draws along as one deed, until it rests', () => {
    let history = begun(0);
    for (const at of [0, 100, 200, 900]) history = written(history, at, 'slant', at);
    expect(undone(history).now).toBe(0);
    expect(undone(written(history, 1, 'slant', 1800)).now).toBe(900);
    expect(undone(written(history, 1, 'crop', 901)).now).toBe(900);
  });
  it.each([
    [{ key: 'z', ctrlKey: true }, 'back'],
    [{ key: 'Z', ctrlKey: true, shiftKey: true }, 'on'],
    [{ key: 'y', metaKey: true }, 'on'],
    [{ key: 'z' }, null],
    [{ key: 'a', ctrlKey: true }, null],
  ])('%j goes %s', (pressed, way) => {
    expect(wayOfKey({ ctrlKey: false, metaKey: false, shiftKey: false, ...pressed })).toBe(way);
  });
});
