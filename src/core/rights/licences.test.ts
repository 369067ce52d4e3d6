import { expect, it } from 'vitest';
import { catalogued } from './licences';

it.each<[string, string | null, boolean, boolean, boolean]>([
  ['CC0-1.0', 'CC0 1.0', false, true, true],
  ['cc-by-4.0', 'CC BY 4.0', true, true, true],
  ['CC-BY-SA-3.0-DE', 'CC BY-SA 3.0 DE', true, true, true],
  ['CC-BY-NC-4.0', 'CC BY-NC 4.0', true, false, true],
  ['CC-BY-ND-4.0', 'CC BY-ND 4.0', true, true, false],
  ['CC-BY-NC-ND-3.0-IGO', 'CC BY-NC-ND 3.0 IGO', true, false, false],
  ['PDM-1.0', 'Public Domain Mark 1.0', false, true, true],
  ['public-domain', 'Public domain', false, true, true],
  ['own-work', 'Own work', false, true, true],
])('%s is %s', (id, name, needsCredit, mayBeSold, mayBeModified) => {
  expect(catalogued(id)).toMatchObject({ name, needsCredit, mayBeSold, mayBeModified });
});

it.each(['MIT', 'GPL-3.0-only', 'CC-BY', 'CC-BY-5.0', 'CC-BY-3.0-FR', 'CC-BY-ND-SA-4.0', 'own:bright', ''])(
  '“%s” is not in the catalogue',
  (id) => {
    expect(catalogued(id)).toBeNull();
  },
);
