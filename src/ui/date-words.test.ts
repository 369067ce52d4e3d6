import { describe, expect, it } from 'vitest';
import type { ChangedSubject } from '@/core/dating/changed-subject';
import { dayOf } from '@/core/dating/day';
import { PICTURE_KINDS, SHELF_LIVES } from '@/core/dating/shelf-life';
import { changedText, KIND_NAME, lifeText } from './date-words';

const day = (year: number, month: number, date: number) => dayOf(year, month, date) as number;
const FRONT: ChangedSubject = {
  ...{ id: 1, name: 'The front', kind: 'place', changedHow: 'repainted', certainty: 'certain' },
  changedOn: day(2023, 5, 14),
};

describe('lifeText', () => {
  it.each([
    [{ unit: 'years', count: 1 }, 'current for 1 year'],
    [{ unit: 'years', count: 4 }, 'current for 4 years'],
    [{ unit: 'school-years', count: 0 }, 'current to the end of its school year'],
    [{ unit: 'school-years', count: 1 }, 'current to the end of the next school year'],
    [{ unit: 'school-years', count: 3 }, 'current for 3 school years after its own'],
    [{ unit: 'forever' }, 'does not age'],
  ] as const)('%j', (life, text) => expect(lifeText(life)).toBe(text));

  it('has words for every kind', () => {
    for (const kind of PICTURE_KINDS) {
      expect(KIND_NAME[kind]).not.toBe('');
      expect(lifeText(SHELF_LIVES[kind])).not.toBe('');
    }
  });
});

describe('changedText', () => {
  it.each([
    [{}, { taken_from: day(2016, 6, 11), taken_until: day(2016, 6, 11) }, 'The front: repainted on 14 May 2023. Taken: 11 June 2016.'],
    [{ changedHow: '' }, { taken_from: day(2016, 1, 1), taken_until: day(2016, 12, 31) }, 'The front: changed on 14 May 2023. Taken: 2016.'],
    [{ certainty: 'possible' as const }, { taken_from: day(2023, 1, 1), taken_until: day(2023, 12, 31) }, 'The front: repainted on 14 May 2023. Taken: 2023, perhaps before that.'],
  ])('%j', (more, taken, text) => expect(changedText({ ...FRONT, ...more }, taken)).toBe(text)); // oxfmt-ignore
});
