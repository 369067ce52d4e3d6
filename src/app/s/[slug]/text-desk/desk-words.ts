/** What is being written for one picture: words for each of its places, some of them together. */
import type { DeskItem, DeskPlaces } from '@/app/_data/words/text-desk-item';
import type { PlaceWords } from '@/core/edit/word-edits';
import type { WordsOfPlaces } from '@/server/work/words/gather-words';

export interface TypedPlace extends PlaceWords {
  /** Whether it has an alt text of its own; the others have the one of the first. */
  readonly isOwn: boolean;
}

/** By the places of the item, in their order; the first leads those that have none of their own. */
export type Typed = readonly TypedPlace[];

/** What stands there now: what the edition has, else what the site says. */
const standing = ({ gathered, place }: DeskPlaces): PlaceWords => ({
  alt: gathered?.alt ?? place.alt,
  caption: gathered?.caption ?? place.caption,
  block: gathered?.block ?? null,
});

/** Before anything is typed: places at fault go with the first, and so do those that say the same. */
export function untouched({ places }: DeskItem): Typed {
  const [lead] = places;
  return places.map((one, at) => {
    const words = standing(one);
    const isLike = lead !== undefined && words.alt === standing(lead).alt;
    const asks = one.findings.some(
      ({ rule, degree, stands }) => rule.startsWith('alt/') && degree !== 'note' && !stands,
    );
    const isSamePurpose = one.branch === lead?.branch && one.place.link?.href === lead.place.link?.href;
    return { ...words, isOwn: at > 0 && !(one.takes.alt && (isLike || (asks && isSamePurpose))) };
  });
}

/** Types an alt text: it goes to all places that have none of their own, where the place is one of them. */
export function withAlt(typed: Typed, at: number, alt: string | null): Typed {
  const isOwn = typed[at]?.isOwn ?? false;
  return typed.map((one, i) => (i === at || (!isOwn && !one.isOwn) ? { ...one, alt } : one));
}

export function withCaption(typed: Typed, at: number, caption: string): Typed {
  return typed.map((one, i) => (i === at ? { ...one, caption } : one));
}

/** Types the text that is to stand below the picture at a place. */
export function withBlock(typed: Typed, at: number, block: string | null): Typed {
  return typed.map((one, i) => (i === at ? { ...one, block } : one));
}

/** Gives a place words of its own, or lets it go with the first again. */
export function withOwn(typed: Typed, at: number, isOwn: boolean): Typed {
  const lead = typed.find((one) => !one.isOwn);
  return typed.map((one, i) =>
    i === at ? { ...one, isOwn, alt: isOwn ? one.alt : (lead?.alt ?? one.alt) } : one,
  );
}

/**
 * What an alt text field holds as what is to be written. Nothing where there was no alt text stays nothing; nothing
 * where there was one marks the picture as decoration.
 */
export function altOfField(text: string, before: string | null): string | null {
  return text === '' && before === null ? null : text;
}

/** The words of all places, to be gathered. */
export function wordsToGather({ places }: DeskItem, typed: Typed): WordsOfPlaces[] {
  return places.flatMap(({ ids, takes }, at) => {
    const words = typed[at];
    if (!words) return [];
    const alt = takes.alt ? (words.alt?.trim() ?? null) : null;
    const caption = takes.caption ? (words.caption?.trim() ?? null) : null;
    const block = takes.block ? words.block?.trim() || null : null;
    return [{ ids, alt, caption, block }];
  });
}

/** What the edition has for all places now, so that it can be put back. */
export function wordsBefore({ places }: DeskItem): WordsOfPlaces[] {
  return places.map(({ ids, gathered }) => ({
    ids,
    alt: gathered?.alt ?? null,
    caption: gathered?.caption ?? null,
    block: gathered?.block ?? null,
  }));
}

export function isTouched(item: DeskItem, typed: Typed): boolean {
  return item.places.some((one, at) => {
    const now = typed[at];
    const was = standing(one);
    return (
      now !== undefined &&
      (now.alt !== was.alt || now.caption !== was.caption || (now.block || null) !== was.block)
    );
  });
}

/** The item with what was gathered for it. */
export function withGathered(item: DeskItem, words: readonly WordsOfPlaces[]): DeskItem {
  const byPlace = new Map(words.map((one) => [one.ids[0], one]));
  return {
    ...item,
    places: item.places.map((one) => {
      const own = byPlace.get(one.ids[0]);
      if (!own) return one;
      const alt = own.alt === one.place.alt ? null : own.alt;
      const caption = own.caption === one.place.caption ? null : own.caption;
      const block = own.block ?? null;
      const isNone = alt === null && caption === null && block === null;
      return { ...one, gathered: isNone ? null : { alt, caption, block } };
    }),
  };
}
