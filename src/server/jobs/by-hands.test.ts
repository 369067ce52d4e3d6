import { setTimeout as wait } from 'node:timers/promises';
import { describe, expect, it } from 'vitest';
import { byHands } from './by-hands';
import { TurnOver, UNENDING } from './turn';

describe('work by several hands', () => {
  it.each([1, 2, 5])('is done once to each item, by no more than %i at once', async (hands) => {
    const done: number[] = [];
    let [now, most] = [0, 0];
    await byHands([4, 1, 3, 2, 0, 5], { hands, turn: UNENDING }, async (n) => {
      most = Math.max(most, ++now);
      await wait(n);
      now--;
      done.push(n);
    });
    expect(done.toSorted()).toEqual([0, 1, 2, 3, 4, 5]);
    expect(most).toBe(hands);
  });

  it('has nothing to do with nothing', async () => {
    await byHands([], { hands: 3, turn: UNENDING }, () => Promise.reject(new Error('asked')));
  });

  it('finishes what was begun where the turn ends, and says so', async () => {
    const turn = { isOver: false };
    const done: number[] = [];
    const work = byHands([1, 2, 3, 4], { hands: 2, turn }, async (n) => {
      await wait(1);
      turn.isOver = true;
      done.push(n);
    });
    await expect(work).rejects.toThrow(TurnOver);
    expect(done.toSorted()).toEqual([1, 2]);
  });

  it('fails where one item fails', async () => {
    const work = byHands([1, 2], { hands: 2, turn: UNENDING }, (n) => n === 2 ? Promise.reject(new Error('two')) : Promise.resolve()); // oxfmt-ignore
    await expect(work).rejects.toThrow('two');
  });
});
