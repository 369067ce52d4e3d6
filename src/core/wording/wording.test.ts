import { describe, expect, it } from 'vitest';
import { examplePage } from '../errata/example-page';
import { checkPage } from '../errata/check-page';
import type { PictureFacts } from '../errata/page-to-check';
import type { PlaceWords } from '../edit/word-edits';
import { draftsOf, type KnownWords } from './drafts';
import { spoken } from './spoken';
import { withWords } from './with-words';

const page = (html: string, files: Record<string, Partial<PictureFacts>> = {}) =>
  examplePage({ html, evidence: null, files });

describe('withWords', () => {
  const words = (alt: string | null, caption: string | null = null): PlaceWords => ({ alt, caption });
  const rulesWith = (html: string, own: PlaceWords, files: Record<string, Partial<PictureFacts>> = {}) =>
    checkPage(withWords(page(html, files), new Map([[0, own]])))
      .map(({ rule }) => rule)
      .filter((rule) => rule.startsWith('alt/') || rule.startsWith('caption/'));

  it.each([
    ['<img src="a.jpg">', null, ['alt/absent']],
    ['<img src="a.jpg">', 'Both choirs on the stage', []],
    ['<img src="a.jpg">', '', []],
    ['<img src="a.jpg">', 'a.jpg', ['alt/file-name']],
    ['<img src="a.jpg" alt="a.jpg">', 'Photo', ['alt/generic']],
    ['<a href="x.html"><img src="a.jpg" alt="Choir"></a>', '', ['alt/empty-link']],
    ['<input type="image" src="go.png" alt="Go">', '', ['alt/absent']],
    ['<img src="a.jpg" alt="x" role="presentation">', 'Both choirs', []],
    [
      '<figure><img src="a.jpg" alt="Doors"><figcaption>Red doors</figcaption></figure>',
      '',
      ['alt/empty-caption'],
    ],
  ])('%s with “%s”', (html, alt, rules) => {
    expect(rulesWith(html, words(alt))).toEqual(rules);
  });

  it('a label goes on naming it, whatever the alt text says', () => {
    const [labelled] = withWords(
      page('<img src="a.jpg" alt="x" aria-label="Both choirs">'),
      new Map([[0, words('')]]),
    ).placements;
    expect(labelled).toMatchObject({ alt: '', name: 'Both choirs', decorative: false });
  });

  it('captions are looked at as well', () => {
    const html = '<figure><img src="a.jpg" alt="Doors"><figcaption>Caption goes here</figcaption></figure>';
    expect(rulesWith(html, words(null))).toEqual(['caption/template-words']);
    expect(rulesWith(html, words(null, 'The hall in May'))).toEqual([]);
  });

  it('counts the texts that a picture has elsewhere without the old one', () => {
    const files = { 'a.jpg': { altTexts: { 'Red doors': 1, 'The front': 2 } } };
    const html = '<img src="a.jpg" alt="Red doors">';
    expect(rulesWith(html, words(null), files)).toEqual(['alt/other-words-elsewhere']);
    expect(rulesWith(html, words('The front'), files)).toEqual([]);
    const { pictures } = withWords(page(html, files), new Map([[0, words('The front')]]));
    expect(pictures.get('a.jpg')?.altTexts).toEqual({ 'The front': 3 });
  });

  it('what is written in a picture may stand below it', () => {
    const files = { 'a.jpg': { readText: 'Summer concert 14 June\nOld Fire Station' } };
    const html = '<div><img src="a.jpg" alt="The poster of the concert"></div>';
    expect(rulesWith(html, words(null), files)).toEqual(['alt/picture-of-text']);
    const block = 'Summer concert, 14 June, Old Fire Station';
    expect(rulesWith(html, { ...words(null), block }, files)).toEqual([]);
  });

  it('leaves the page alone that it was given', () => {
    const given = page('<img src="a.jpg" alt="x">');
    withWords(given, new Map([[0, words('y')]]));
    expect(given.placements[0]?.alt).toBe('x');
  });
});

describe('spoken', () => {
  it.each([
    ['<img src="img/hall-300.jpg?v=2">', 'Image, hall-300.jpg.'],
    ['<img src="a.jpg" alt="The hall">', 'Image, The hall.'],
    ['<img src="a.jpg" alt="">', ''],
    ['<div aria-hidden="true"><img src="a.jpg" alt="The hall"></div>', ''],
    ['<img src="a.jpg" alt="x" aria-label="The hall in May">', 'Image, The hall in May.'],
    ['<a href="/rooms/hall.html"><img src="a.jpg" alt="The hall"></a>', 'Link, image, The hall.'],
    ['<a href="/rooms/hall.html"><img src="a.jpg" alt=""></a>', 'Link, hall.html.'],
    ['<a href="/rooms/hall.html"><img src="a.jpg"></a>', 'Link, image, a.jpg.'],
    ['<a href="x.html"><img src="a.jpg" alt="Doors"> The hall</a>', 'Link, image, Doors, The hall.'],
    ['<button><img src="img/go.png" alt="Go"></button>', 'Button, Go.'],
    ['<button><img src="img/go.png" alt=""> Search</button>', 'Button, Search.'],
    ['<button><img src="img/go.png" alt=""></button>', 'Button.'],
    ['<input type="image" src="img/go.png">', 'Button, go.png.'],
    ['<input type="image" src="img/go.png" alt="Search">', 'Button, Search.'],
    ['<map><area href="stage.html" alt="Stage"></map>', 'Link, Stage.'],
    ['<map><area href="rooms/stage.html"></map>', 'Link, stage.html.'],
    ['<svg role="img"></svg>', 'Image.'],
    ['<svg role="img"><title>Bell</title></svg>', 'Image, Bell.'],
  ])('%s', (html, said) => {
    expect(page(html).placements.map((placement) => spoken(placement).said)[0]).toBe(said);
  });

  it('tells what stands before and after, each once', () => {
    const long =
      'We play on Monday and on Friday, and sometimes on Sunday when the hall is free for it. '.repeat(3);
    const html = `<h2>Rooms</h2><p>${long}</p><figure><img src="a.jpg" alt="The hall"><figcaption>In May</figcaption></figure><p>${long}</p>`;
    const [first] = page(html).placements;
    if (!first) throw new Error('no place was read');
    const { before, after } = spoken(first);
    expect(before).toMatch(/^Heading, Rooms\. … .*free for it\.$/);
    expect(after).toMatch(/^Caption, In May\. We play .* …$/);
    expect(before.length).toBeLessThan(130);
  });
});

describe('draftsOf', () => {
  const known: KnownWords = {
    ...{ language: 'en', alt: null, caption: null, raw: 'img/hall.jpg', link: null, targetTitle: null },
    ...{ altTexts: {}, embedded: null, title: null, people: [], places: [], things: [] },
    ...{ readText: null, headings: [], stored: [] },
  };
  const texts = (more: Partial<KnownWords>) => draftsOf({ ...known, ...more }).map(({ text }) => text);

  it('puts what a press leads to first, then other places, the file, names, title, heading', () => {
    const drafts = draftsOf({
      ...known,
      ...{ link: { href: 'hall.html', text: '' }, targetTitle: 'Hire the hall' },
      altTexts: { 'Red doors': 1, 'Doors of the hall': 4, '': 2 },
      ...{ embedded: 'The hall from the yard', title: 'Hall, front', headings: ['Rooms', 'The hall'] },
      ...{ people: ['Anna Fiel', 'Ben Roth'], places: ['the hall'] },
    });
    expect(drafts).toEqual([
      { text: 'Hire the hall', from: 'link target' },
      { text: 'Doors of the hall', from: 'elsewhere', places: 4 },
      { text: 'Red doors', from: 'elsewhere', places: 1 },
      { text: 'The hall from the yard', from: 'file' },
      { text: 'Anna Fiel, Ben Roth, the hall', from: 'people' },
      { text: 'Hall, front', from: 'title' },
    ]);
  });

  it.each<[string, Partial<KnownWords>, readonly string[]]>([
    ['nothing is known', {}, []],
    ['what stands there already', { alt: 'The hall.', title: 'The hall' }, []],
    [
      'what an attribute keeps',
      { stored: [{ attribute: 'title', text: 'The hall at night' }] },
      ['The hall at night'],
    ],
    ['the same twice', { title: 'The hall', headings: ['the hall'] }, ['The hall']],
    ['names of files', { title: 'IMG_2041', altTexts: { 'hall.jpg': 2 } }, []],
    ['words that say nothing', { altTexts: { photo: 3, Foto: 1 }, headings: ['Poster'] }, ['Foto']],
    ['a target of a link that says more', { link: { href: 'x', text: 'More' }, targetTitle: 'Hire' }, []],
    ['a letter seen in leaves', { readText: 'g || A' }, []],
    ['words of a poster', { readText: 'Summer concert 14 June' }, ['Summer concert 14 June']],
    [
      'more than one breath, by sentences',
      { embedded: `${'One two three four five. '.repeat(5)}${'Six '.repeat(30)}.` },
      ['One two three four five. '.repeat(5).trim()],
    ],
  ])('%s', (_name, more, wanted) => expect(texts(more)).toEqual(wanted));

  it('cuts a sentence that is too long at a word', () => {
    const [draft] = texts({ embedded: 'word '.repeat(60) });
    expect(draft).toMatch(/^(?:word )+…$/);
    expect(draft?.length).toBeLessThanOrEqual(152);
  });
});
