import { describe, expect, it } from 'vitest';
import { contradictions, proposedRights, type EmbeddedRights } from './embedded-rights';

it.each<[EmbeddedRights, object | null]>([
  [{}, null],
  [{ creator: 'Ann Lee' }, { creator: 'Ann Lee', holder: '', licence: '', says: [] }],
  [
    { creator: 'Ann Lee', copyright: '© 2024 Brightline. All rights reserved.' },
    { creator: 'Ann Lee', holder: 'Brightline', says: ['© 2024 Brightline. All rights reserved.'] },
  ],
  [{ creator: 'Ann Lee', credit: 'Ann Lee / Brightline' }, { holder: 'Ann Lee / Brightline' }],
  [
    { creator: 'Ann Lee', copyright: 'Copyright 2020-23 Ann Lee' },
    { creator: 'Ann Lee', holder: '' },
  ],
  [{ licenceUrl: 'http://creativecommons.org/licenses/by-sa/4.0/' }, { licence: 'CC-BY-SA-4.0' }],
  [{ licenceUrl: 'https://creativecommons.org/licenses/by/3.0/de/deed.de' }, { licence: 'CC-BY-3.0-DE' }],
  [{ licenceUrl: 'https://creativecommons.org/publicdomain/zero/1.0/' }, { licence: 'CC0-1.0' }],
  [
    { usageTerms: 'Licensed under https://creativecommons.org/licenses/by-nc/4.0/legalcode' },
    {
      licence: 'CC-BY-NC-4.0',
      says: ['Licensed under https://creativecommons.org/licenses/by-nc/4.0/legalcode'],
    },
  ],
  [{ usageTerms: 'Ask first' }, { licence: '', says: ['Ask first'] }],
])('%j', (file, expected) => {
  const proposed = proposedRights(file);
  if (expected === null) expect(proposed).toBeNull();
  else expect(proposed).toMatchObject(expected);
});

describe('a file contradicts its record', () => {
  const FILE = { creator: 'Ánn Lee', holder: 'Brightline', licence: 'CC-BY-4.0' };
  it.each<[string, object, readonly string[]]>([
    ['nowhere', { creator: ['ann lee'], holder: 'BRIGHTLINE.', licence: 'cc-by-4.0' }, []],
    ['not where only one says something', { creator: [], holder: null }, []],
    ['in who made it', { creator: ['Tom Hay'] }, ['Who made it']],
    ['in no name of several', { creator: ['Tom Hay', 'Ann Lee'] }, []],
    ['in licence and holder', { holder: 'The school', licence: 'own-work' }, ['Whose it is', 'Licence']],
  ])('%s', (_, record, fields) => {
    expect(contradictions(FILE, record as Record<string, unknown>).map(({ field }) => field)).toEqual(fields);
  });
});
