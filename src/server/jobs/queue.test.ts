import { describe, expect, it } from 'vitest';
import { takes, type JobName } from './queue';

const JOBS: readonly [JobName, 'awaited' | 'background'][] = [
  ['survey-site', 'awaited'],
  ['prepare-change', 'awaited'],
  ['prepare-removal', 'awaited'],
  ['run-publication', 'awaited'],
  ['take-in', 'awaited'],
  ['know-delivery', 'awaited'],
  ['know-pictures', 'background'],
  ['read-texts', 'background'],
  ['answer-rights', 'background'],
];

describe('which worker takes a job', () => {
  it.each(JOBS)('%s: the %s one, and one that takes all', (name, whose) => {
    const other = whose === 'awaited' ? 'background' : 'awaited';
    expect([takes('all', name), takes(whose, name), takes(other, name)]).toEqual([true, true, false]);
  });
});
