import { describe, expect, it } from 'vitest';
import { textAlone } from './credit-text';
import { NameBook, partOf, type NamedPicture } from './name-book';

const picture = (key: string, titles: readonly string[], files: readonly string[] = [], numbers: readonly number[] = []): NamedPicture => ({ key, titles, files, numbers }); // oxfmt-ignore

const BOOK = new NameBook([
  picture('hall', ['The hall', 'Hall in May'], ['hall.jpg', 'hall-960.jpg'], [1]),
  picture('choir', ['Young choir'], ['choir.jpg'], [2]),
  picture('both', ['The hall and stage'], ['IMG_0412.JPG'], [3]),
  picture('cafe', ['Café'], [], [12]),
]);

describe('the names in a text', () => {
  it.each<[string, readonly string[]]>([
    ['The hall: Ann Lee', ['hall@The hall']],
    ['THE HALL by Ann Lee', ['hall@THE HALL']],
    ['“Hall in May”, Ann Lee', ['hall@Hall in May']],
    ['Ann Lee took the hall and stage', ['both@the hall and stage']],
    ['hall.jpg: Ann Lee; choir.jpg: Tom', ['hall@hall.jpg', 'choir@choir.jpg']],
    ['img_0412.jpg by Ann', ['both@img_0412.jpg']],
    ['The Young Choir and the hall', ['choir@Young Choir', 'hall@the hall']],
    ['Cafe: Ann', ['cafe@Cafe']],
    ['The halls of fame', []],
    ['Young choirs', []],
    ['myhall.jpg', []],
    ['', []],
  ])('%j', (written, names) => {
    const text = textAlone(written);
    const found = BOOK.namesIn(text, false).map(({ keys, start, end }) => `${keys.join('+')}@${text.text.slice(start, end)}`);
    expect(found).toEqual(names);
  }); // oxfmt-ignore

  it.each<[string, readonly string[]]>([
    ['Fig. 1: Ann Lee', ['hall']],
    ['Pictures 1–3: Ann Lee', ['hall', 'choir', 'both']],
    ['1, 2 and 12: Ann', ['hall', 'choir', 'cafe']],
  ])('numbers of %j', (written, keys) => {
    const found = BOOK.namesIn(textAlone(written), true).flatMap((span) => span.keys);
    expect(found).toEqual(keys);
    expect(BOOK.namesIn(textAlone(written), false)).toEqual([]);
  });

  it('of two pictures with one title name both', () => {
    const twins = new NameBook([picture('a', ['The river']), picture('b', ['the River'])]);
    expect(twins.namesIn(textAlone('The river: Ann'), false).map(({ keys }) => keys)).toEqual([['a', 'b']]);
  });

  it('are found by number alone', () => {
    expect(BOOK.numbered(12)).toEqual(['cafe']);
    expect(BOOK.numbered(99)).toEqual([]);
  });
});

describe('the part of a line that is about a picture', () => {
  const part = (written: string, key: string) => {
    const text = textAlone(written);
    return partOf(text, BOOK.namesIn(text, true), key)?.text.trim() ?? null;
  };
  it.each<[string, string, RegExp | null]>([
    ['hall.jpg: Ann Lee; choir.jpg: Tom Hay', 'hall', /^(?=.*Ann Lee)(?!.*Tom)/u],
    ['hall.jpg: Ann Lee; choir.jpg: Tom Hay', 'choir', /^(?=.*Tom Hay)(?!.*Ann)/u],
    ['hall.jpg, choir.jpg: Ann Lee', 'hall', /Ann Lee/u],
    ['hall.jpg, choir.jpg: Ann Lee', 'choir', /Ann Lee/u],
    ['hall.jpg: Ann Lee', 'choir', null],
  ])('%j, %s', (written, key, expected) => {
    if (expected === null) expect(part(written, key)).toBeNull();
    else expect(part(written, key)).toMatch(expected);
  });
});
