import { describe, expect, it } from 'vitest';
import { catalogued, ownTerms, type Terms } from '../licences';
import type { Modification } from '../modification';
import type { PictureFields } from '../records';
import { textAlone } from './credit-text';
import { isCredit, lackingIn, wantedCredit, type CreditPart } from './wanted-credit';

const BY = catalogued('CC-BY-SA-4.0') as Terms;
const LINE = ownTerms({ record: 'licence', id: 'own:b', credit: true, line: 'Ann Lee / Brightline' });
const NAMED = ownTerms({ record: 'licence', id: 'own:n', credit: true });
const HALL: PictureFields = { title: 'The hall', creator: ['Ann Lee'], source: 'https://archive.example/1' };

const wanted = (fields: PictureFields, terms: Terms | null, changes: readonly Modification[] = [], creditsAlways = false) =>
  wantedCredit(fields, terms, { creditsAlways, changes: () => changes }); // oxfmt-ignore

describe('what is wanted', () => {
  it.each<[string, PictureFields, Terms | null, boolean, string | null | undefined]>([
    ['of a licence with a credit', HALL, BY, false, '“The hall” by Ann Lee, CC BY-SA 4.0'],
    ['without a title', { creator: ['Ann Lee', 'Tom Hay'] }, BY, false, 'Photo by Ann Lee, Tom Hay, CC BY-SA 4.0'],
    ['of the holder where nobody made it', { holder: 'Brightline' }, BY, false, 'Photo by Brightline, CC BY-SA 4.0'],
    ['of nobody: the licence alone', {}, BY, false, 'Photo, CC BY-SA 4.0'],
    ['of its own words', HALL, LINE, false, 'Ann Lee / Brightline'],
    ['of terms without words', HALL, NAMED, false, 'Ann Lee'],
    ['of terms that name nobody', {}, NAMED, false, null],
    ['of own work', HALL, catalogued('own-work'), false, undefined],
    ['of the public domain', HALL, catalogued('CC0-1.0'), false, undefined],
    ['of own work in a house that names everybody', HALL, catalogued('own-work'), true, 'Ann Lee'],
    ['of nobody in such a house', {}, null, true, undefined],
  ])('%s', (_, fields, terms, always, words) => {
    const found = wanted(fields, terms, [], always);
    if (words === undefined) expect(found).toBeNull();
    else expect(found?.words).toBe(words);
  }); // oxfmt-ignore
});

describe('what a text lacks of “The hall” by Ann Lee, CC BY-SA 4.0', () => {
  it.each<[string, readonly CreditPart[], boolean]>([
    ['“The hall” by Ann Lee, CC BY-SA 4.0, https://archive.example/1', [], true],
    ['Photo: Ann Lee, CC BY-SA 4.0', ['title', 'source'], true],
    ['The hall, a photograph by A. Lee under CC-BY-SA-4.0', ['source'], true],
    ['Ann Lee / Creative Commons Attribution-ShareAlike 4.0 International', ['title', 'source'], true],
    ['Photo: Ann Lee', ['licence', 'title', 'source'], false],
    ['Photo: Ann Lee, CC BY-SA 3.0', ['licence', 'title', 'source'], false],
    ['Photo: Ann Lee, CC BY 4.0', ['licence', 'title', 'source'], false],
    ['Photo: Joann Leeson, CC BY-SA 4.0', ['creator', 'title', 'source'], false],
    ['The hall, CC BY-SA 4.0', ['creator', 'source'], false],
    ['', ['creator', 'licence', 'title', 'source'], false],
  ])('%s', (text, lacking, isOne) => {
    const credit = wanted(HALL, BY);
    if (!credit) throw new Error('none is wanted');
    const found = lackingIn(textAlone(text), credit);
    expect(found).toEqual(lacking);
    expect(isCredit(found)).toBe(isOne);
  }); // oxfmt-ignore
});

describe('that a picture was changed', () => {
  const CHANGED: readonly Modification[] = ['cut' as never];
  it.each([
    ['The hall, Ann Lee, CC BY-SA 4.0, cropped', true],
    ['The hall, Ann Lee, CC BY-SA 4.0 (cut to shape)', true],
    ['Die Halle, Ann Lee, CC BY-SA 4.0, bearbeitet', true],
    ['Le hall, Ann Lee, CC BY-SA 4.0, recadré', true],
    ['The hall, Ann Lee, CC BY-SA 4.0, recortada', true],
    ['The hall, Ann Lee, CC BY-SA 4.0', false],
  ])('is told by “%s”: %s', (text, told) => {
    const credit = wanted(HALL, BY, CHANGED);
    if (!credit) throw new Error('none is wanted');
    expect(lackingIn(textAlone(text), credit).includes('changes')).toBe(!told);
  });
});

describe('the very words of a line', () => {
  it.each([
    ['Ann Lee / Brightline', []],
    ['Photo: ANN LEE/BRIGHTLINE', []],
    ['Ann Lee (Brightline)', []],
    ['Photo by Ann Lee / Brightline, 2024', []],
    ['Brightline / Ann Lee', ['line']],
    ['Ann Lee', ['line']],
    ['Ann Lee at Brightline House', ['line']],
  ])('%s', (text, lacking) => {
    const credit = wanted(HALL, LINE);
    if (!credit) throw new Error('none is wanted');
    expect(lackingIn(textAlone(text), credit)).toEqual(lacking);
  });
});
