import { hasAlt } from '../../places';
import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import type { Rule } from '../../rule';
import { alike } from '../../words/alike';
import { contentWords, sharedWords } from '../../../words/content-words';
import { pageWords, sentencesAround } from '../../words/picture-words';
import { namesIn, nameOthers } from '../../../words/proper-names';
import { endsAsFile, isFileName, saysOnly } from '../../words/empty-texts';

export const otherWordsElsewhere: Rule = {
  id: 'alt/other-words-elsewhere',
  degree: 'note',
  level: 'read',
  title: 'The same picture has another alt text elsewhere',
  why: 'That is right where it serves another purpose there; often one of the two is old, or wrong.',
  remedy: 'Look at both, and take the better one for all places where it shows the same.',
  applies: hasAlt,
  check: (placement, { page, picture }) => {
    const { alt, link, raw } = placement;
    // A leftover has the words of whatever it stands for.
    if (!picture || link || picture.leftoverClues.length > 0) return null;
    const others = Object.entries(picture.altTexts).filter(
      ([text]) =>
        text.trim() !== '' &&
        !alike(text, alt ?? '') &&
        !isFileName(text, raw) &&
        // Of another file, it may be: nobody takes it over.
        !endsAsFile(text) &&
        saysOnly(text, page.language) === null,
    );
    const [most] = others.sort((a, b) => b[1] - a[1]);
    if (!most) return null;
    const [text, places] = most;
    const degree = degreeOf(
      placement,
      page,
      others.map(([text]) => text),
    );
    const own = Object.entries(picture.altTexts).filter(([one]) => alike(one, alt ?? ''));
    const isCommoner = own.reduce((sum, [, count]) => sum + count, 0) > places;
    // Of two texts that can’t both be right the rarer is told of, but where what stands around bears out the other.
    if (degree === 'must' || (degree && !isCommoner)) {
      const says = places === 1 ? 'In another place' : `In ${places} other places`;
      return {
        evidence: `${says} it says “${most[0]}”; both can’t be right.`,
        branch: 'informative',
        degree,
      };
    }
    // Its place is where to look, and the other one is its evidence.
    if (isCommoner) return null;
    return {
      evidence: `In ${places === 1 ? 'one place' : `${places} places`} it says “${text}”.`,
      branch: 'informative',
    };
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="The front">',
      evidence: 'In 2 places it says “Red doors”.',
      files: { 'a.jpg': { altTexts: { 'The front': 1, 'Red doors': 2, '': 3 } } },
    },
    {
      html: '<img src="a.jpg" alt="The front">',
      evidence: 'In one place it says “Red doors”.',
      files: { 'a.jpg': { altTexts: { 'The front': 1, 'Red doors': 1 } } },
    },
    {
      html: '<img src="a.jpg" alt="The front">',
      evidence: null,
      files: { 'a.jpg': { altTexts: { 'The front': 2, 'Red doors': 1 } } },
    },
    {
      html: '<img src="a.jpg" alt="The hall at Christmas">',
      evidence: null,
      files: { 'a.jpg': { altTexts: { 'The hall at Christmas': 3, 'Winter concert': 1 } } },
    },
    {
      html: '<img src="a.jpg" alt="Winter concert">',
      evidence: 'In 3 other places it says “The hall at Christmas”; both can’t be right.',
      files: { 'a.jpg': { altTexts: { 'The hall at Christmas': 3, 'Winter concert': 1 } } },
    },
    {
      html: '<img src="a.jpg" alt="The front">',
      evidence: null,
      files: { 'a.jpg': { altTexts: { 'the front.': 3 } } },
    },
    {
      html: '<img src="a.jpg" alt="The front">',
      evidence: null,
      files: { 'a.jpg': { altTexts: { image: 2, 'IMG_2041.jpg': 1, 'Red doors.jpg': 1 } } },
    },
  ],
};

/** Fewer words of its own leave a text too little to be held against another. */
const LEAST_WORDS = 2;

/**
 * How surely a picture that is described otherwise elsewhere has the wrong words here: `must` where what stands around
 * bears out the others and not these, `should` where nothing does and they have no word in common.
 */
function degreeOf(
  placement: PlacementToCheck,
  page: PageToCheck,
  others: readonly string[],
): 'must' | 'should' | null {
  const words = pageWords(page);
  const own = contentWords(placement.alt ?? '', words.small);
  const texts = others.map((text) => contentWords(text, words.small));
  if (
    own.length < LEAST_WORDS ||
    texts.some((text) => text.length < LEAST_WORDS || sharedWords(own, text).length > 0)
  )
    return null;
  const { caption, context } = placement;
  const around = contentWords(
    `${caption ?? ''} ${context.entry ?? ''} ${context.headings.join(' ')} ${sentencesAround(placement).before} ${page.title}`,
    words.small,
  );
  if (sharedWords(own, around).length > 0) return null;
  const isBorneOut = texts.some((text) => sharedWords(text, around).length > 0);
  const isSomebodyElse = others.some((text) => nameOthers(namesIn(placement.alt ?? ''), namesIn(text)));
  return isBorneOut || isSomebodyElse ? 'must' : 'should';
}
