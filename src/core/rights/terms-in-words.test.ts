import { expect, it } from 'vitest';
import { dayOf, type Day } from '../dating/day';
import { catalogued, ownTerms, type Terms } from './licences';
import { termsInWords } from './terms-in-words';

const commons = (id: string) => catalogued(id) as Terms;

it.each<[string, Terms, string]>([
  ['own work', commons('own-work'), 'Your own'],
  ['a dedication', commons('CC0-1.0'), 'Nobody’s leave is needed'],
  ['attribution', commons('CC-BY-4.0'), 'It may be shown, and changed. Maker and licence are named with it.'],
  [
    'all conditions',
    commons('CC-BY-NC-ND-3.0'),
    'It may be shown, not on pages that sell, not cropped, mirrored or recoloured. Maker',
  ],
  ['share alike', commons('CC-BY-SA-4.0'), 'and what is made of it under the same licence'],
  [
    'terms of one’s own',
    ownTerms({
      ...{ record: 'licence', id: 'own:a', name: 'Brightline', purposes: ['news'], sites: ['a.example'] },
      ...{ credit: true, line: 'Ann / Brightline', until: dayOf(2026, 8, 31) as Day },
    }),
    'It may be shown, and changed. With it stands: Ann / Brightline. Only on pages for news. On a.example only. Until 2026-08-31.',
  ],
  [
    'terms that leave the web open',
    ownTerms({ record: 'licence', id: 'own:b', name: 'For the programme' }),
    'It says nothing about the web',
  ],
])('%s', (_, terms, says) => {
  expect(termsInWords(terms).join(' ')).toContain(says);
});
