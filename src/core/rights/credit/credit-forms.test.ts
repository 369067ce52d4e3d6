import { describe, expect, it } from 'vitest';
import { catalogued } from '../licences';
import { creditLine, templateProblem, type CreditFields, type CreditForm } from './credit-forms';
import { lackingIn, wantedCredit } from './wanted-credit';
import { textAlone } from './credit-text';

const ALL: CreditFields = {
  ...{
    title: 'The hall',
    creators: ['Ann Lee', 'Tom Hay'],
    holder: 'Brightline',
    site: 'www.school.example',
  },
  ...{
    source: 'https://www.archive.example/1',
    deed: 'https://creativecommons.org/licenses/by/4.0/',
    isChanged: false,
  },
  licence: catalogued('CC-BY-4.0')?.commons ?? null,
};
const LITTLE: CreditFields = { ...ALL, title: null, creators: [], source: null, licence: null, deed: null };

it.each<[CreditForm, string, string]>([
  [{ name: 'plain' }, '“The hall” by Ann Lee, Tom Hay, CC BY 4.0', 'Photo by Brightline'],
  [{ name: 'short' }, 'Photo: Ann Lee, Tom Hay / CC BY 4.0', 'Photo: Brightline'],
  [{ name: 'title-author-source-licence' }, '“The hall” by Ann Lee, Tom Hay, https://www.archive.example/1, CC BY 4.0 (https://creativecommons.org/licenses/by/4.0/)', 'by Brightline'],
  [{ name: 'author-title-site-medium' }, 'Ann Lee, Tom Hay: “The hall” [photograph]. archive.example, https://www.archive.example/1. CC BY 4.0.', 'Brightline: [photograph].'],
  [{ template: 'Foto: {creator}[ ({licence})][, {source}]' }, 'Foto: Ann Lee, Tom Hay (CC BY 4.0), https://www.archive.example/1', 'Foto: Brightline'],
  [{ template: '[{title} – ]{holder}  für {site}' }, 'The hall – Brightline für www.school.example', 'Brightline für www.school.example'],
])('%j', (form, whole, little) => {
  expect(creditLine(form, ALL)).toBe(whole);
  expect(creditLine(form, LITTLE)).toBe(little);
}); // oxfmt-ignore

it('says that a picture was changed where there is room for it', () => {
  expect(creditLine({ name: 'title-author-source-licence' }, { ...ALL, isChanged: true })).toMatch(
    /, changed$/u,
  );
});

it.each([
  ['Foto: {creator}', null],
  ['{holder} / {licence}', null],
  ['Foto: {author}', 'There is no field {author}'],
  ['Foto', 'It names nobody'],
])('the template “%s”', (template, problem) => {
  if (problem === null) expect(templateProblem(template)).toBeNull();
  else expect(templateProblem(template)).toContain(problem);
});

describe('what a form writes is found again as the credit', () => {
  it.each<CreditForm>([
    { name: 'plain' },
    { name: 'short' },
    { name: 'title-author-source-licence' },
    { name: 'author-title-site-medium' },
    { template: 'Foto: {creator} ({licence})' },
  ])('%j', (form) => {
    const fields = { title: 'The hall', creator: ['Ann Lee', 'Tom Hay'], source: 'https://www.archive.example/1', licence: 'CC-BY-4.0' };
    const wanted = wantedCredit(fields, catalogued('CC-BY-4.0'), { creditsAlways: false, changes: () => [], form });
    if (!wanted?.words) throw new Error('no credit is wanted');
    const lacking = lackingIn(textAlone(wanted.words), wanted);
    expect(lacking.filter((part) => part === 'creator' || part === 'licence')).toEqual([]);
  }); // oxfmt-ignore
});
