import { describe, expect, it } from 'vitest';
import type { DeskItem, DeskPlaces } from '@/app/_data/words/text-desk-item';
import {
  altOfField,
  isTouched,
  untouched,
  withAlt,
  withBlock,
  withCaption,
  withGathered,
  withOwn,
  wordsBefore,
  wordsToGather,
} from './desk-words';

interface Place {
  alt: string | null;
  caption?: string | null;
  /** A rule that asks for another alt text. */
  asks?: boolean;
  branch?: DeskPlaces['branch'];
  href?: string;
  ids?: number[];
  takes?: DeskPlaces['takes'];
  gathered?: DeskPlaces['gathered'];
}

function item(...places: Place[]): DeskItem {
  return {
    key: 'p1',
    places: places.map(
      ({ alt, caption = null, asks, branch = 'informative', href, ids, takes, gathered }, at) => ({
        ids: ids ?? [at + 1],
        place: { alt, caption, link: href === undefined ? null : { href, text: '' } },
        takes: takes ?? { alt: true, caption: caption !== null, block: true },
        branch,
        gathered: gathered ?? null,
        findings: asks ? [{ rule: 'alt/absent', degree: 'must', stands: false }] : [],
      }),
    ),
  } as unknown as DeskItem;
}

const alts = (typed: ReturnType<typeof untouched>) => typed.map(({ alt }) => alt);
const owns = (typed: ReturnType<typeof untouched>) => typed.map(({ isOwn }) => isOwn);

describe('which places go with the first', () => {
  it.each<[string, Place[], boolean[]]>([
    ['those that say the same', [{ alt: 'x' }, { alt: 'x' }], [false, false]],
    [
      'those at fault',
      [
        { alt: null, asks: true },
        { alt: 'image', asks: true },
      ],
      [false, false],
    ],
    [
      'not those that say something else, rightly',
      [{ alt: null, asks: true }, { alt: 'The hall' }],
      [false, true],
    ],
    [
      'not one that is pressed, beside one that is not',
      [
        { alt: null, asks: true },
        { alt: null, asks: true, branch: 'functional', href: 'x' },
        { alt: 'photo', asks: true, branch: 'functional', href: 'x' },
      ],
      [false, false, true],
    ],
    [
      'not one that takes none',
      [
        { alt: null, asks: true },
        { alt: 'x', takes: { alt: false, caption: true, block: false } },
      ],
      [false, true],
    ],
  ])('%s', (_name, places, wanted) => expect(owns(untouched(item(...places)))).toEqual(wanted));
});

describe('typing', () => {
  const two = item({ alt: null, asks: true }, { alt: 'image', asks: true }, { alt: 'The hall' });

  it('goes to all places that have no words of their own', () => {
    const typed = withAlt(untouched(two), 0, 'Red doors');
    expect(alts(typed)).toEqual(['Red doors', 'Red doors', 'The hall']);
    expect(alts(withAlt(typed, 2, 'Doors'))).toEqual(['Red doors', 'Red doors', 'Doors']);
  });

  it('leaves a place alone that got its own, and takes it along again', () => {
    const own = withOwn(withAlt(untouched(two), 0, 'Red doors'), 1, true);
    const typed = withAlt(withAlt(own, 0, 'Doors'), 1, 'A door');
    expect(alts(typed)).toEqual(['Doors', 'A door', 'The hall']);
    expect(alts(withOwn(typed, 1, false))).toEqual(['Doors', 'Doors', 'The hall']);
  });

  it('captions are each their own', () => {
    const typed = withCaption(
      untouched(item({ alt: 'x', caption: 'a' }, { alt: 'x', caption: 'b' })),
      1,
      'c',
    );
    expect(typed.map(({ caption }) => caption)).toEqual(['a', 'c']);
  });

  it.each([
    ['', null, null],
    ['', 'The hall', ''],
    ['', '', ''],
    ['x', null, 'x'],
  ])('“%s” where the site has %j is %j', (text, before, alt) => expect(altOfField(text, before)).toBe(alt));
});

describe('what is gathered', () => {
  const given = item(
    { alt: null, ids: [4, 5] },
    { alt: 'x', caption: 'In May', gathered: { alt: 'y', caption: null } },
    { alt: null, takes: { alt: false, caption: false, block: false } },
  );

  it('is said for every single place, without blanks around, and only where it is taken', () => {
    const typed = withAlt(untouched(given), 0, ' Doors ');
    expect(wordsToGather(given, typed)).toEqual([
      { ids: [4, 5], alt: 'Doors', caption: null, block: null },
      { ids: [2], alt: 'y', caption: 'In May', block: null },
      { ids: [3], alt: null, caption: null, block: null },
    ]);
  });

  it('can be put back', () => {
    expect(wordsBefore(given)[1]).toEqual({ ids: [2], alt: 'y', caption: null, block: null });
    expect(wordsBefore(given)[0]).toEqual({
      ids: [4, 5],
      alt: null,
      caption: null,
      block: null,
    });
  });

  it('has the text that is to stand below the picture, and not where a place takes none', () => {
    const typed = withBlock(withBlock(untouched(given), 0, ' 14 June\n7 pm '), 2, 'x');
    expect(isTouched(given, typed)).toBe(true);
    expect(wordsToGather(given, typed).map(({ block }) => block)).toEqual(['14 June\n7 pm', null, null]);
    const kept = withGathered(given, wordsToGather(given, typed));
    expect(kept.places[0]?.gathered).toEqual({ alt: null, caption: null, block: '14 June\n7 pm' });
    expect(isTouched(given, withBlock(untouched(given), 0, ''))).toBe(false);
  });

  it('is touched only where something differs from the edition, or else from the site', () => {
    const typed = untouched(given);
    expect(isTouched(given, typed)).toBe(false);
    expect(isTouched(given, withAlt(typed, 1, 'x'))).toBe(true);
    const kept = withGathered(given, wordsToGather(given, withAlt(typed, 1, 'x')));
    // What the site says itself is no change.
    expect(kept.places[1]?.gathered).toBeNull();
    expect(isTouched(kept, withAlt(typed, 1, 'x'))).toBe(false);
  });
});
