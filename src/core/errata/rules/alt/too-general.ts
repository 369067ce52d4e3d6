import { altBranch, isAllOfControl } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Finding, Rule } from '../../rule';
import { areRelated, contentWords } from '../../../words/content-words';
import { saysOnly } from '../../words/empty-texts';
import { wordsFor } from '../../../words/languages/known-languages';
import { pageWords } from '../../words/picture-words';
import { namesIn } from '../../../words/proper-names';

const MOST_WORDS = 3;
const DEFINITE =
  /^(?:the|our|der|die|das|unsere?|le|la|les|l['’]|notre|nos|el|los|las|nuestr[oa]s?)(?:\s|(?<=['’]))/iu;

export const tooGeneral: Rule = {
  id: 'alt/too-general',
  degree: 'should',
  level: 'guessed',
  title: 'The alt text holds for any picture of its sort',
  why: 'On a page of birds “bird” tells nothing; of a person it matters who it is.',
  remedy: 'Say which one it is, or what is to be seen on it.',
  standard: 'WCAG 2.2, 1.1.1',
  applies: (placement) => hasAlt(placement) && !isAllOfControl(placement),
  check: (placement, { page }): Finding | null => {
    const { small, topic } = pageWords(page);
    const alt = (placement.alt ?? '').trim();
    const words = contentWords(alt, small);
    if (words.length === 0 || saysOnly(alt, page.language) !== null) return null;
    const branch = altBranch(placement);
    const persons = wordsFor(page.language, 'anyPerson');
    if (words.every((word) => persons.has(word))) {
      // Who it is stands beside: then it is only clumsy.
      const { entry, headings } = placement.context;
      const beside = `${entry ?? ''} ${placement.caption ?? ''} ${headings.slice(1).join('. ')}`;
      if (namesIn(beside).length > 0) return words.length === 1 ? finding(alt, branch, 'should') : null;
      return finding(alt, branch, placement.context.group || headings.length > 0 ? 'must' : 'should');
    }
    // “The hall” is one that readers know.
    if (words.length > MOST_WORDS || DEFINITE.test(alt) || /\d/u.test(alt)) return null;
    const general = wordsFor(page.language, 'tooGeneral');
    const isOfPage = (word: string) => topic.some((other) => areRelated(word, other));
    const isGeneral = words.every((word) => general.has(word) || (words.length === 1 && isOfPage(word)));
    return isGeneral && (words.length === 1 || words.every((word) => general.has(word)))
      ? finding(alt, branch, 'should')
      : null;
  },
  examples: [
    { html: '<h1>Birds of the Point</h1><img src="a.jpg" alt="Bird">', evidence: 'The alt text is “Bird”.' },
    {
      html: '<h1>Candlesticks</h1><img src="a.jpg" alt="Candlestick">',
      evidence: 'The alt text is “Candlestick”.',
    },
    {
      html: '<h1>Friends</h1><ul><li><img src="a.jpg" alt="a person smiling at the camera"> Cash desk</li></ul>',
      evidence: 'The alt text is “a person smiling at the camera”.',
    },
    { html: '<h1>Birds</h1><img src="a.jpg" alt="Fulmar gliding with stiff wings">', evidence: null },
    { html: '<h1>Trainers</h1><p><img src="a.jpg" alt="Obi Marchbank with two pads"></p>', evidence: null },
  ],
};

const finding = (alt: string, branch: Finding['branch'], degree: 'must' | 'should'): Finding => ({
  evidence: `The alt text is “${alt}”.`,
  degree,
  ...(branch ? { branch } : {}),
});
