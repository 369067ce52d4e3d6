import { describe, expect, it } from 'vitest';
import { changedSince, type Subject } from './changed-subject';
import { dayOf, type DaySpan } from './day';

const day = (year: number, month: number) => dayOf(year, month, 1) as number;
const FRONT: Subject = {
  id: 1,
  name: 'The front',
  kind: 'place',
  changedOn: day(2023, 5),
  changedHow: 'repainted',
};
const TUTOR: Subject = {
  id: 2,
  name: 'Wat Thorne',
  kind: 'person',
  changedOn: day(2024, 7),
  changedHow: 'left',
};
const RIVER: Subject = { id: 3, name: 'The river', kind: 'place', changedOn: null, changedHow: '' };
const IN_2016: DaySpan = { from: day(2016, 6), until: day(2016, 7) };
const AROUND_2023: DaySpan = { from: day(2023, 1), until: day(2023, 12) };

describe('changedSince', () => {
  it.each<[string, DaySpan, readonly Subject[], [number, string] | null]>([
    ['before the change', IN_2016, [FRONT], [1, 'certain']],
    ['in the year of the change', AROUND_2023, [FRONT], [1, 'possible']],
    ['surely one, perhaps the other', AROUND_2023, [FRONT, TUTOR], [2, 'certain']],
    ['the latest change of two', IN_2016, [FRONT, TUTOR], [2, 'certain']],
    ['after the change', { from: day(2025, 1), until: day(2025, 2) }, [FRONT], null],
    ['nothing that changed', IN_2016, [RIVER], null],
    ['known only by its latest day, before', { from: null, until: day(2020, 1) }, [FRONT], [1, 'certain']],
    ['known only by its latest day, after', { from: null, until: day(2026, 1) }, [FRONT], null],
    ['of an unknown day', { from: null, until: null }, [FRONT], null],
  ])('a picture %s', (_, taken, subjects, expected) => {
    const found = changedSince(taken, subjects);
    expect(found && [found.id, found.certainty]).toEqual(expected);
  });
});
