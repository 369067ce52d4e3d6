import { describe, expect, it } from 'vitest';
import { AS_IT_IS } from '@/core/revision/steps';
import { forgetOld, forgetUnkept, unkeptSteps, writeUnkept, type StepsStorage } from './unkept-steps';

const DAY_MS = 24 * 60 * 60 * 1000;
const decided = { revision: { ...AS_IT_IS, turn: 1 }, focal: { x: 0.5, y: 0.4 }, isMoved: true };

function storageOf(all: Map<string, string>): StepsStorage {
  return {
    getItem: (name) => all.get(name) ?? null,
    setItem: (name, text) => void all.set(name, text),
    removeItem: (name) => void all.delete(name),
    key: (n) => [...all.keys()][n] ?? null,
    get length() {
      return all.size;
    },
  };
}

describe('steps that were not kept', () => {
  it('are there again for who made them, of that picture alone', () => {
    const storage = storageOf(new Map());
    writeUnkept(storage, 'maud line 4', decided, 0);
    expect(unkeptSteps(storage, 'maud line 4')).toEqual(decided);
    expect(unkeptSteps(storage, 'maud line 5')).toBeNull();
    forgetUnkept(storage, 'maud line 4');
    expect(unkeptSteps(storage, 'maud line 4')).toBeNull();
  });

  it('are forgotten after a month, and nothing else with them', () => {
    const all = new Map([['something of another program', 'a']]);
    const storage = storageOf(all);
    writeUnkept(storage, 'old', decided, 0);
    writeUnkept(storage, 'new', decided, 20 * DAY_MS);
    forgetOld(storage, 31 * DAY_MS);
    expect(unkeptSteps(storage, 'old')).toBeNull();
    expect(unkeptSteps(storage, 'new')).toEqual(decided);
    expect(all.size).toBe(2);
  });

  it('that can’t be read are none, and go', () => {
    const all = new Map<string, string>();
    const storage = storageOf(all);
    writeUnkept(storage, 'one', decided, 0);
    for (const name of all.keys()) all.set(name, '{"deci');
    expect(unkeptSteps(storage, 'one')).toBeNull();
    forgetOld(storage, 31 * DAY_MS);
    expect(all.size).toBe(0);
  });
});
