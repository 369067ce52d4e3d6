import { SAMPLE_NAMES, SAMPLE_TEXT } from '../../../picture/placeholder-words';
import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { PageToCheck } from '../../page-to-check';
import type { Rule } from '../../rule';
import { contentWords } from '../../../words/content-words';
import { vocabulariesOf } from '../../../words/languages/known-languages';
import { pageWords } from '../../words/picture-words';

export const templateWords: Rule = {
  id: 'alt/template-words',
  degree: 'must',
  level: 'read',
  title: 'The alt text was left by a template',
  why: 'A listener hears an instruction to whoever made the page, and nothing of what is shown.',
  remedy: 'Say what it shows here, or swap the picture first if it is a leftover as well.',
  standard: 'WCAG 2.2, 1.1.1; F30',
  applies: hasAlt,
  check: (placement, { page }) => {
    const text = (placement.alt ?? '').trim();
    // Within a sentence a placeholder may be a thing: a frame that stands for a portrait.
    const isShort = text.split(/\s+/u).length <= MOST_WORDS;
    return SAMPLE_TEXT.test(text) || (isShort && isSample(text, page))
      ? { evidence: `The alt text is “${text}”.`, branch: altBranch(placement) }
      : null;
  },
  examples: [
    { html: '<img src="a.jpg" alt="placeholder image">', evidence: 'The alt text is “placeholder image”.' },
    { html: '<img src="a.jpg" alt="Insert image here">', evidence: 'The alt text is “Insert image here”.' },
    { html: '<img src="a.jpg" alt="Platzhalter">', evidence: 'The alt text is “Platzhalter”.' },
    { html: '<img src="a.jpg" alt="A sample lesson on the flute">', evidence: null },
    { html: '<img src="a.jpg" alt="How to add title and labels to a plot">', evidence: null },
    {
      html: '<img src="a.jpg" alt="Add a description of the picture">',
      evidence: 'The alt text is “Add a description of the picture”.',
    },
    { html: '<img src="a.jpg" alt="Example image with two layers">', evidence: null },
    { html: '<img src="a.jpg" alt="Example image 2">', evidence: 'The alt text is “Example image 2”.' },
  ],
};

const MOST_WORDS = 7;

/** Words that are a template's own only where nothing else is told: an example image may well be one of something. */
const MAY_BE_MEANT =
  /^\W*(?:example|unknown|unbekannt|inconnu|desconocid|avatar|sample|dummy|blank|default|demo|beispiel|muster|exemple|ejemplo|spacer|marcador)/iu;

function isSample(text: string, page: PageToCheck): boolean {
  const [said] = SAMPLE_NAMES.exec(text) ?? [];
  if (said === undefined) return false;
  if (!MAY_BE_MEANT.test(said)) return true;
  const { small } = pageWords(page);
  const pictures = vocabulariesOf(page.language).flatMap(({ pictureWords }) => pictureWords);
  return contentWords(text.replace(said, ' '), small).every(
    (word) => /\d/u.test(word) || pictures.includes(word),
  );
}
