import { expect, it } from 'vitest';
import { answersIn } from '../small-site.fixture';
import type { RightsRecord } from '../records';
import { CREDIT_CASES } from './credits.cases';

it.each(CREDIT_CASES.map((one) => [one.name, one] as const))(
  '%s',
  (_, { html, found, fields = {}, records = [] }) => {
    const files = typeof html === 'string' ? { 'page.html': `<title>Page</title><body>${html}` } : html;
    const hall: RightsRecord = {
      ...{
        record: 'picture',
        files: ['img/hall.jpg'],
        title: 'The hall',
        creator: ['Ann Lee'],
        licence: 'CC-BY-SA-4.0',
      },
      ...fields,
    };
    const answers = answersIn(files, [hall, ...records], 20000);
    const asked = answers.filter(
      ({ placement }) =>
        placement.page === 'page.html' && placement.kind !== 'link' && placement.raw.endsWith('img/hall.jpg'),
    );
    expect(asked).toHaveLength(1);
    expect(asked[0]?.credit.found).toBe(found);
    expect(asked[0]?.answer.because.includes('credit-missing')).toBe(found === false);
  },
);
