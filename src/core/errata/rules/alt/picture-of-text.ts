import { altBranch } from '../../alt-branch';
import { contentWords } from '../../../words/content-words';
import { wordsFor } from '../../../words/languages/known-languages';
import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { pageWords } from '../../words/picture-words';
import { countingWords, wordsNotCarried } from '../../words/read-words';
import { monthsIn } from '../../words/time-words';

/** Names and signs within a photograph, and logos, have fewer: they need not be told word for word. */
const LEAST_WORDS = 4;
/** Of its words so many must be missing, so that one left out on purpose is no fault. */
const MISSING = 0.4;
/** From here on the picture is there for its text. */
const ALL_BUT = 0.7;
/** What one listens to in one breath: a longer text belongs on the page. */
const MOST_CHARACTERS = 150;

export const pictureOfText: Rule = {
  id: 'alt/picture-of-text',
  degree: 'must',
  level: 'measured',
  title: 'The picture holds text that stands nowhere else',
  why: 'Who can’t see it, enlarges it, or searches for its words learns nothing of what it announces.',
  remedy: 'Put its words into the alt text; those of a poster or a flyer also into the page, for everybody.',
  standard: 'WCAG 2.2, 1.1.1 and 1.4.5',
  applies: isPicture,
  check: (placement, { page, picture }) => {
    const read = (picture?.readText ?? '').replace(/\s+/gu, ' ');
    const words = countingWords(read);
    if (!picture || words.length < LEAST_WORDS || picture.leftoverClues.length > 0) return null;
    const { alt, caption, name, link, context } = placement;
    const around = [alt, name, caption, link?.text, context.before, context.after, ...context.headings];
    const missing = wordsNotCarried(read, around.filter(Boolean).join(' '));
    const share = missing.length / words.length;
    if (share < MISSING) return null;
    return {
      evidence: `It says “${read}”; “${missing.join(' ')}” stands nowhere beside it.`,
      branch: altBranch(placement),
      ...(share < ALL_BUT || (!announces(read) && tellsItself(placement, page))
        ? { degree: 'should' as const }
        : {}),
      ...(read.length <= MOST_CHARACTERS ? { fix: { field: 'alt' as const, text: read } } : {}),
    };
  },
  examples: [
    {
      html: '<img src="a.png" alt="poster">',
      evidence:
        'It says “Summer concert 14 June, 7 pm Old Fire Station”; “Summer concert 14 June Old Fire Station” stands nowhere beside it.',
      files: { 'a.png': { readText: 'Summer concert 14 June, 7 pm Old Fire Station' } },
    },
    {
      html: '<h2>Summer concert</h2><img src="a.png" alt="14 June, 7 pm"><p>At the Old Fire Station.</p>',
      evidence: null,
      files: { 'a.png': { readText: 'Summer concert 14 June, 7 pm Old Fire Station' } },
    },
    {
      html: '<img src="a.png" alt="The menu of the layer dialog, unfolded">',
      evidence:
        'It says “Add Tab Close Tab Detach Tab Preview Size”; “Add Tab Close Detach Preview Size” stands nowhere beside it.',
      files: { 'a.png': { readText: 'Add Tab Close Tab Detach Tab Preview Size' } },
    },
    {
      html: '<img src="a.png" alt="Our sign at the door">',
      evidence: null,
      files: { 'a.png': { readText: 'Music School' } },
    },
    { html: '<img src="a.png" alt="Both choirs">', evidence: null },
  ],
};

/** An hour, a price, a number to call: what somebody must know to come, to pay, to ask. */
const FACTS =
  /(?<!\d)\d{1,2}[:.h]\d{2}(?!\d)|(?<!\d)\d{1,2}\s?(?:am|pm|uhr|h|o[’']clock)(?!\p{L})|[€£$]\s?\d|\d\s?(?:€|eur)(?!\p{L})|(?<!\d)0\d[\d /-]{5,}\d/iu;

const announces = (read: string): boolean => FACTS.test(read) || monthsIn(read, null).size > 0;

/** Whether the alt text tells what it is, beyond its sort: of the parts of a screen a reader needs no word for word. */
function tellsItself({ alt }: PlacementToCheck, page: PageToCheck): boolean {
  const sorts = wordsFor(page.language, 'holdsText', 'tooGeneral', 'ornaments');
  const { small } = pageWords(page);
  const words = contentWords(alt ?? '', small);
  return words.length >= LEAST_TOLD && !words.some((word) => sorts.has(word));
}

const LEAST_TOLD = 2;
