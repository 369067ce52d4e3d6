import { isOnlyContent } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Finding, Rule } from '../../rule';
import { areRelated, contentWords, sharedWords } from '../../../words/content-words';
import { wordsFor } from '../../../words/languages/known-languages';
import { pageWords } from '../../words/picture-words';

const MOST_WORDS = 3;
/** A line or a bullet is thin, or small. */
const THIN_PX = 32;
/** What is larger in both directions is a picture, whatever its name. */
const MOST_PX = 100;
const NAMED =
  /(?:^|[-_/])(?:line|rule|divider|spacer|pixel|pix|bullet|dot|ornament|border|sep(?:arator)?|hr|deco|frise|filet|puce|raya|punto|linie|trenner|punkt|strich)[-_\d]*\./iu;

/** A sign before a text is as high as its letters, or twice. */
const SMALL_PX = 40;

const finding = (text: string): Finding => ({
  evidence: `The alt text is “${text}”.`,
  branch: 'decorative',
  fix: { field: 'alt', text: '' },
});

export const ornament: Rule = {
  id: 'alt/ornament',
  degree: 'should',
  level: 'guessed',
  title: 'An ornament is read aloud',
  why: 'A listener is told of a line or a dot in the middle of the text.',
  remedy: 'Empty the alt text: screen readers then pass it over.',
  standard: 'W3C, Images tutorial: decorative images',
  applies: (placement) => hasAlt(placement) && !isOnlyContent(placement.link),
  check: ({ alt, raw, declared, context, caption }, { page, picture }) => {
    const { small } = pageWords(page);
    const text = (alt ?? '').trim();
    const words = contentWords(text, small);
    const width = declared.widthPx ?? picture?.widthPx ?? null;
    const height = declared.heightPx ?? picture?.heightPx ?? null;
    const isLarge = Math.min(width ?? 0, height ?? 0) > MOST_PX;
    const isThin = Math.min(width ?? THIN_PX + 1, height ?? THIN_PX + 1) <= THIN_PX;
    if (caption || words.length > MOST_WORDS || !(isThin || (NAMED.test(raw) && !isLarge))) return null;
    const names = [...wordsFor(page.language, 'ornaments')];
    const isOrnament = (word: string) => names.some((name) => name === word || areRelated(name, word));
    // Where the text speaks of it, it is a thing and no ornament: a pair of dividers, a spacer ring.
    const around = contentWords(`${context.entry ?? ''} ${context.headings.at(-1) ?? ''}`, small);
    const isSmall = Math.max(width ?? SMALL_PX + 1, height ?? SMALL_PX + 1) <= SMALL_PX;
    const looks = wordsFor(page.language, 'iconLooks', 'commonWords');
    const isSign =
      isSmall &&
      around.length > 0 &&
      words.length > 0 &&
      words.every((word) => looks.has(word) || isOrnament(word));
    if (isSign && sharedWords(words, around).length === 0) return finding(text);
    if (!words.some(isOrnament) || sharedWords(words.filter(isOrnament), around).length > 0) return null;
    return finding(text);
  },
  examples: [
    {
      html: '<img src="rope-line.png" width="600" height="14" alt="decorative rope line">',
      evidence: 'The alt text is “decorative rope line”.',
    },
    {
      html: '<ul><li><img src="b.png" width="9" height="9" alt="blue bullet"> Chapel</li></ul>',
      evidence: 'The alt text is “blue bullet”.',
    },
    {
      html: '<ul><li><img src="d.jpg" width="30" height="30" alt="Dividers"> Dividers for circles</li></ul>',
      evidence: null,
    },
    { html: '<img src="flow_line.png" width="400" height="300" alt="flow line">', evidence: null },
    { html: '<img src="hall.jpg" width="600" height="400" alt="Shadow of the tower">', evidence: null },
  ],
};
