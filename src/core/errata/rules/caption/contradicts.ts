import { partsOf } from '../../../dating/day';
import { onceFor } from '../../once-for';
import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { contentWords, sharedWords, tokensOf } from '../../../words/content-words';
import { vocabulariesOf } from '../../../words/languages/known-languages';
import { standsAgainst } from '../../words/opposites';
import { pageWords, sentencesAround, telling, textAround } from '../../words/picture-words';
import { mayBeOne, namesIn, nameOthers, type NameFound } from '../../../words/proper-names';
import { areOfOtherMonths, areOfOtherYears, monthsIn, timesIn, yearsIn } from '../../words/time-words';

export const contradicts: Rule = {
  id: 'caption/contradicts',
  degree: 'must',
  level: 'guessed',
  title: 'The caption contradicts what stands around it',
  why: 'Readers are told two things of one picture, and one of them is wrong.',
  remedy: 'Find out which is right, and correct the caption.',
  applies: isPicture,
  check: (placement, { page }) => {
    const { caption } = placement;
    if (!caption) return null;
    const beside = otherTimes(placement, page) ?? otherNames(placement, page) ?? otherSide(placement, page);
    return beside ? { evidence: `It says “${caption}”; beside it stands “${beside}”.` } : null;
  },
  examples: [
    {
      html: '<h1>History</h1><h2>1984: The last keeper leaves</h2><figure><img src="a.jpg" alt="The door is locked, October 1984"><figcaption>The door is locked, March 1948</figcaption></figure>',
      evidence: 'It says “The door is locked, March 1948”; beside it stands “1984: The last keeper leaves”.',
    },
    {
      html: '<p>Nuria Sandoval won the race.</p><figure><img src="a.jpg" alt="Nuria Sandoval at the finish"><figcaption>The winner, Piet Haverkamp</figcaption></figure>',
      evidence: 'It says “The winner, Piet Haverkamp”; beside it stands “Nuria Sandoval at the finish”.',
    },
    {
      html: '<h1>Rhona Tibbit retires</h1><p>Rhona Tibbit hands over to Callum Brisk.</p><figure><img src="a.jpg" alt="Rhona Tibbit at the pool"><figcaption>Callum Brisk at the pool</figcaption></figure>',
      evidence: 'It says “Callum Brisk at the pool”; beside it stands “Rhona Tibbit at the pool”.',
    },
    {
      html: '<h1>Open day, June 2024</h1><figure><img src="a.jpg" alt="Singers on a cart"><figcaption>They sing in the snow</figcaption></figure>',
      evidence: 'It says “They sing in the snow”; beside it stands “Open day, June 2024”.',
    },
    {
      html: '<figure><img src="a.jpg" alt="Lamp with a cracked shade"><figcaption>After: as new</figcaption></figure>',
      evidence: 'It says “After: as new”; beside it stands “Lamp with a cracked shade”.',
    },
    {
      html: '<h1>July: harvest</h1><figure><img src="a.jpg" alt="Combs in the sun"><figcaption>By mid-July all is capped</figcaption></figure>',
      evidence: null,
    },
  ],
};

function otherTimes(placement: PlacementToCheck, page: PageToCheck): string | null {
  const { alt, caption, context } = placement;
  // What is to come, and what an old thing of today is, are told as such.
  if (vocabulariesOf(page.language).some(({ toCome }) => toCome.test(caption ?? ''))) return null;
  if (STILL.test(caption ?? '')) return null;
  const heading = context.headings.at(-1) ?? page.title;
  const said = yearsIn(caption ?? '');
  const own = yearsIn(alt ?? '');
  const over = yearsIn(heading);
  if (said.length > 0 && own.length > 0 && !areOfOtherYears(said, own)) return null;
  if (areOfOtherYears(said, over)) return heading;
  // The heading bears the caption out: it is the alt text that is wrong, and another rule says so.
  if (said.length > 0 && over.length > 0) return null;
  if (areOfOtherYears(said, own)) {
    const around = yearsIn(textAround(placement, page));
    return over.length === 0 && !areOfOtherYears(said, around) && around.length > 0 ? null : alt;
  }
  const event = said.length > 0 && over.length === 0 && own.length === 0 ? dayOfPage(page) : null;
  if (event && areOfOtherYears(said, yearsIn(event))) return event;
  if (said.length > 0) return null;
  const months = monthsIn(caption ?? '', page.language);
  if (months.size === 0) return null;
  const isBacked = !areOfOtherMonths(monthsIn(alt ?? '', page.language), monthsIn(heading, page.language));
  if (isBacked && areOfOtherMonths(months, monthsIn(heading, page.language))) return heading;
  return areOfOtherMonths(months, monthsIn(alt ?? '', page.language)) && isBacked ? alt : null;
}

/** The one day that a page tells of, in its words; `null` where it tells of none, or of more. */
const dayOfPage = onceFor((page: PageToCheck): string | null => {
  const texts = pageWords(page).pictures.map(({ placement }) => textAround(placement, page));
  const days = texts.flatMap((text) => timesIn(text)).filter(({ precision }) => precision !== 'school-year');
  const exact = new Set(days.filter(({ precision }) => precision === 'day').map(({ text }) => text));
  const years = new Set(days.map(({ from }) => (from === null ? 0 : partsOf(from).year)));
  return exact.size === 1 && years.size === 1 ? ([...exact][0] as string) : null;
});

/** Words by which an old thing is told to be there today. */
const STILL =
  /(?<!\p{L})(?:still|comparison|compare|noch (?:heute|immer)|vergleich|toujours|encore|comparaison|comparer|todavía|aún|comparar|comparación)(?!\p{L})/iu;

/** Somebody else than the alt text names, who is named around as well. */
function otherNames(placement: PlacementToCheck, page: PageToCheck): string | null {
  const { alt, caption } = placement;
  const [mine, theirs] = [namesIn(caption ?? ''), namesIn(alt ?? '')];
  const isNamedIn = (text: string, names: readonly NameFound[]) => {
    const there = namesIn(text);
    return names.some((one) => there.some((other) => mayBeOne(one, other)));
  };
  if (nameOthers(mine, theirs) && isSaidAlike(caption ?? '', mine, alt ?? '', theirs)) {
    const over = placement.context.headings.join('. ');
    return isNamedIn(over, theirs) && !isNamedIn(over, mine) ? alt : null;
  }
  if (!nameOthers(mine, theirs) || sharedWords(tokensOf(caption ?? ''), tokensOf(alt ?? '')).some(isLong))
    return null;
  const words = pageWords(page);
  const isCopied = (field: 'alt' | 'caption') => words.saying(field, placement[field] ?? '').length > 1;
  // Of an alt text that was copied another rule speaks.
  if (isCopied('alt')) return null;
  if (isCopied('caption')) return alt;
  const around = textAround(placement, page);
  return isNamedIn(around, theirs) && !isNamedIn(around, mine) ? alt : null;
}

/** Whether two texts differ by whom they name and in nothing else. */
function isSaidAlike(
  one: string,
  itsNames: readonly NameFound[],
  other: string,
  theirNames: readonly NameFound[],
): boolean {
  const rest = (text: string, names: readonly NameFound[]) => {
    const named = new Set(names.flatMap(({ words }) => words));
    return tokensOf(text).filter((word) => !named.has(word)).join(' '); // oxfmt-ignore
  };
  return rest(one, itsNames) !== '' && rest(one, itsNames) === rest(other, theirNames);
}

const isLong = (word: string) => word.length >= LEAST_LETTERS;
const LEAST_LETTERS = 5;

/** Before and after, first and third, broken and mended. */
function otherSide(placement: PlacementToCheck, page: PageToCheck): string | null {
  const { alt, caption } = placement;
  if (!caption) return null;
  if (alt && standsAgainst(caption, alt, page.language) && !isToldOfPair(caption)) return alt;
  const { before } = sentencesAround(placement);
  // Captions of other pictures run into each other; a sentence has an end.
  if (!/[.!?]$/u.test(before)) return null;
  const words = pageWords(page);
  const shared = sharedWords(
    telling(contentWords(caption, words.small), words),
    contentWords(before, words.small),
  );
  return shared.length > 0 && standsAgainst(caption, before, page.language) ? before : null;
}

/** A caption that compares two has both sides by right. */
const isToldOfPair = (caption: string) => tokensOf(caption).length > MOST_WORDS;
const MOST_WORDS = 14;
