import { expect, it } from 'vitest';
import { dayOf, type Day } from '../dating/day';
import { idOfDeed } from './credit/licence-mentions';
import { catalogued, ownTerms, type Terms } from './licences';
import { deedOf, metadataOut } from './metadata-out';
import type { PictureFields } from './records';

const own = ownTerms({ record: 'licence', id: 'own:b', name: 'Bright', purposes: ['news'], commercial: false, modify: false, line: 'Ann / Bright', sites: ['a.example'], until: dayOf(2027, 8, 31) as Day }); // oxfmt-ignore

it.each<[string, PictureFields, Terms | null, Parameters<typeof metadataOut>[2], object]>([
  ['nothing', {}, null, null, {}],
  ['a licence of Creative Commons', { title: 'Hall', creator: ['Ann Lee'], source: 'https://a.example/1' }, catalogued('CC-BY-SA-4.0'), null,
    { title: 'Hall', creators: ['Ann Lee'], credit: 'Ann Lee', source: 'https://a.example/1', attributionUrl: 'https://a.example/1', owner: 'Ann Lee', copyrightNotice: '© Ann Lee', usageTerms: 'CC BY-SA 4.0', webStatement: 'https://creativecommons.org/licenses/by-sa/4.0/', licence: 'https://creativecommons.org/licenses/by-sa/4.0/', isMarked: true }],
  ['a dedication', { creator: ['Ann'] }, catalogued('CC0-1.0'), null,
    { creators: ['Ann'], credit: 'Ann', usageTerms: 'CC0 1.0', webStatement: 'https://creativecommons.org/publicdomain/zero/1.0/', licence: 'https://creativecommons.org/publicdomain/zero/1.0/', isMarked: false }],
  ['own work', { holder: 'The school' }, catalogued('own-work'), 'nobody',
    { credit: 'The school', owner: 'The school', copyrightNotice: '© The school', isMarked: true, modelRelease: 'MR-NAP' }],
  ['own terms', { creator: ['Ann', 'Tom'], holder: 'Bright' }, own, 'limited',
    { creators: ['Ann', 'Tom'], credit: 'Ann / Bright', owner: 'Bright', copyrightNotice: '© Bright', usageTerms: 'Bright: for news only; not for commercial use; not to be changed; on a.example only', isMarked: true, licenceEnd: '2027-08-31', modelRelease: 'MR-LMR' }],
  ['its own end stands before the licence’s', { until: dayOf(2026, 1, 2) as Day }, own, 'none',
    { credit: 'Ann / Bright', usageTerms: 'Bright: for news only; not for commercial use; not to be changed; on a.example only', isMarked: true, licenceEnd: '2026-01-02', modelRelease: 'MR-NON' }],
  ['words where it was found', { source: 'a book', people: 'none' }, null, 'unlimited', { source: 'a book', modelRelease: 'MR-UMR' }],
])('%s', (_, fields, terms, releases, expected) => {
  expect(metadataOut(fields, terms, releases)).toEqual(expected);
}); // oxfmt-ignore

it.each(['CC-BY-4.0', 'CC-BY-NC-ND-3.0-DE', 'CC-BY-NC-SA-2.5', 'CC0-1.0', 'CC-BY-SA-3.0-AT'])(
  'the deed of %s is known again',
  (id) => {
    expect(idOfDeed(deedOf(catalogued(id) as Terms) ?? '')?.toLowerCase()).toBe(id.toLowerCase());
  },
);
