/** Names of people and groups within a text: words in capitals beside each other. */
import { everyMatch } from './every-match';
import { remembered } from './remembered';

/** A run of words in capitals; what joins them in names may stand between. */
const RUN =
  /\p{Lu}[\p{L}\p{M}'’-]*\.?(?:\s+(?:(?:von|van|de|der|den|du|la|le|del|of|y)\s+)?(?:[“"(]\p{Lu}[\p{L}\p{M}]*[”")]\s+)?\p{Lu}[\p{L}\p{M}'’-]*)+/gu;
/** Titles and offices before a name are no part of it. */
const TITLE =
  /^(?:former|the|our|his|her|mr|mrs|ms|miss|dr|prof|sir|lady|master|captain|keeper|chair|president|class|der|die|das|den|unsere?|herr|frau|ehemalige[rn]?|le|la|les|notre|nos|monsieur|madame|mme|m|el|los|las|nuestr[oa]|señora?|don|doña|photo|foto|left|right|links|rechts|in|at|on|with|mit|avec|con|after|before|und|and|et)\.?$/iu;

export interface NameFound {
  readonly text: string;
  /** Its words in lower case. */
  readonly words: readonly string[];
}

/**
 * Runs of two words and more in capitals, as persons and places have them.
 *
 * @param text of a caption, an alt text, an entry
 */
export const namesIn: (text: string) => readonly NameFound[] = remembered((text) =>
  everyMatch(RUN, text).flatMap(([run]) => {
    const parts = run.split(/\s+/u);
    while (parts.length > 0 && TITLE.test(parts[0] as string)) parts.shift();
    if (parts.length < 2) return [];
    const words = parts.map((part) => part.toLowerCase().replace(/[^\p{L}\p{M}]/gu, ''));
    return [{ text: parts.join(' '), words: words.filter((word) => word.length > 1) }];
  }),
);

/** Whether two names may be one: they share a word, or two that differ in a letter. */
export const mayBeOne = (a: NameFound, b: NameFound): boolean =>
  a.words.some((word) => b.words.some((other) => word === other || isMisspelt(word, other)));

const LEAST_LETTERS = 5;

function isMisspelt(a: string, b: string): boolean {
  if (a.length !== b.length || a.length < LEAST_LETTERS) return false;
  let differing = 0;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) differing++;
  return differing === 1;
}

/** Whether both texts name somebody, and none of the names of one may be one of the other's. */
export function nameOthers(a: readonly NameFound[], b: readonly NameFound[]): boolean {
  return a.length > 0 && b.length > 0 && !a.some((one) => b.some((other) => mayBeOne(one, other)));
}
