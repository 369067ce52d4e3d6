import { expect, it } from 'vitest';
import type { LicenceRecord } from './records';
import { webUnsaid } from './web-unsaid';

const OWN: LicenceRecord = { record: 'licence', id: 'own:a' };

it.each<[string, Partial<LicenceRecord>]>([
  ['a name alone', { name: 'Volunteers’ pictures' }],
  ['a name for print', { name: 'Programme of the summer concert, printed' }],
  ['a part of the world', { name: 'For our web site', territory: 'Great Britain' }],
  ['words that only begin so', { name: 'Webster’s portraits' }],
])('%s leaves the web open', (_, said) => {
  expect(webUnsaid({ ...OWN, ...said })).toMatch(/web is meant|about the web/u);
});

it.each<[string, Partial<LicenceRecord>]>([
  ['sites', { sites: ['www.school.example'] }],
  ['purposes, which are those of pages', { purposes: ['teaching'] }],
  ['a name in English', { name: 'For our web site' }],
  ['a name in German', { name: 'Fotos für die Website' }],
  ['a name in French', { name: 'Photos en ligne' }],
  ['the whole world', { name: 'Brightline', territory: 'worldwide' }],
])('%s mean it', (_, said) => {
  expect(webUnsaid({ ...OWN, ...said })).toBeNull();
});
