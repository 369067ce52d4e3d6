import { describe, expect, it } from 'vitest';
import { checkPage, type RuleLevels } from './check-page';
import { examplePage } from './example-page';
import type { Degree, Example, RuleId } from './rule';

const page = (html: string, more: Partial<Example> = {}) => examplePage({ html, evidence: null, ...more });
const levels = (...pairs: readonly (readonly [RuleId, Degree | 'off'])[]): RuleLevels => new Map(pairs);
const found = (html: string, more: Partial<Example> = {}) =>
  checkPage(page(html, more)).map(({ rule, degree }) => `${degree} ${rule}`);

describe('checkPage', () => {
  it.each<[string, string, readonly string[]]>([
    ['nothing', '<p>Words alone.</p>', []],
    ['a picture that is well described', '<img src="a.jpg" alt="Both choirs on the stage">', []],
    ['two rules at one place', '<img src="IMG_1.jpg">', ['must alt/absent', 'note file/camera-name']],
    [
      'places in their order',
      '<img src="b.jpg" alt="image"><img src="a.jpg">',
      ['must alt/generic', 'must alt/absent'],
    ],
    ['a milder case of a rule', '<img src="a.jpg" alt="poster">', ['should alt/generic']],
    ['what a comment holds', '<!-- <img src="a.jpg"> -->', []],
    ['a style that meets nothing', '<style>.none { background: url(a.jpg) }</style>', []],
  ])('finds %s', (_, html, expected) => expect(found(html)).toEqual(expected));

  it.each([
    ['several sizes', '<img src="a.jpg" srcset="a-2.jpg 2x, a-3.jpg 3x">'],
    [
      'a picture for some screens',
      '<picture><source srcset="b.jpg" media="(min-width: 1px)"><img src="a.jpg"></picture>',
    ],
    ['an address for a script', '<img src="a.jpg" data-src="b.jpg">'],
    ['only an address for a script', '<img data-src="b.jpg">'],
    ['only a list of sizes', '<img srcset="a.jpg 1x, b.jpg 2x">'],
  ])('tells an element with %s once', (_, html) => expect(found(html)).toEqual(['must alt/absent']));

  it('leaves out a rule that is off, and takes another degree where it is set, even for a milder case', () => {
    const two = page('<img src="a.jpg"><img src="b.jpg" alt="poster">');
    expect(checkPage(two, levels(['alt/absent', 'off'])).map(({ rule }) => rule)).toEqual(['alt/generic']);
    expect(checkPage(two, levels(['alt/generic', 'note'])).map(({ degree }) => degree)).toEqual([
      'must',
      'note',
    ]);
  });

  it('gives an erratum the same key as long as its place and evidence are the same', () => {
    const keys = (html: string) => checkPage(page(html)).map(({ key }) => key);
    const [key] = keys('<img src="a.jpg" alt="image">');
    expect(keys('<p>More before it.</p><img src="a.jpg" alt="image">')).toEqual([key]);
    expect(keys('<img src="a.jpg" alt="photo">')).not.toEqual([key]);
    const both = keys('<img src="a.jpg" alt="image"><img src="b.jpg" alt="image">');
    expect(new Set(both).size).toBe(both.length);
  });

  it('says which branch of the decision tree was taken, and proposes a text where it can', () => {
    const [linked] = checkPage(page('<a href="x.html"><img src="a.jpg"></a>'));
    expect(linked).toMatchObject({ branch: 'functional', fix: null });
    const [wordy] = checkPage(page('<img src="a.jpg" alt="picture of a bell">'));
    expect(wordy).toMatchObject({ branch: 'informative', fix: { field: 'alt', text: 'A bell' } });
  });

  it('takes the words of the page’s language, and all where it says none', () => {
    expect(found('<img src="a.jpg" alt="Bild">', { language: 'de' })).toEqual(['must alt/generic']);
    expect(found('<img src="a.jpg" alt="Bild">', { language: 'en' })).toEqual([]);
    expect(found('<img src="a.jpg" alt="Bild">', { language: 'la' })).toEqual(['must alt/generic']);
    expect(found('<img src="a.jpg" alt="image">', { language: 'fr-CH' })).toEqual(['must alt/generic']);
  });
});
