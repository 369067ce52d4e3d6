import { describe, expect, it } from 'vitest';
import { mayMove, stateAfter, type EditionMove, type EditionState, type Role } from './edition-state';

describe('stateAfter', () => {
  it.each([
    ['gather', 'draft', 'draft'],
    ['publish', 'draft', 'publishing'],
    ['publish', 'published', null],
    ['publish', 'withdrawn', null],
    ['finish', 'publishing', 'published'],
    ['give up', 'publishing', 'draft'],
    ['give up', 'published', null],
    ['withdraw', 'published', 'withdrawing'],
    ['withdraw', 'draft', null],
    ['withdraw', 'withdrawn', null],
    ['finish withdrawal', 'withdrawing', 'withdrawn'],
    ['keep live', 'withdrawing', 'published'],
  ] as [EditionMove, EditionState, EditionState | null][])('%s from %s gives %s', (move, from, to) => {
    expect(stateAfter(move, from)).toBe(to);
  });
});

describe('mayMove', () => {
  it.each([
    ['maintainer', ['gather', 'publish', 'withdraw']],
    ['owner', ['gather']],
    ['approver', ['publish', 'withdraw']],
    ['viewer', []],
  ] as [Role, EditionMove[]][])('%s: %j', (role, moves) => {
    const all: EditionMove[] = [
      'gather',
      'publish',
      'finish',
      'give up',
      'withdraw',
      'finish withdrawal',
      'keep live',
    ];
    expect(all.filter((move) => mayMove(role, move))).toEqual(moves);
  });
});
