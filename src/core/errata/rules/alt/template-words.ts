import { SAMPLE_NAMES, SAMPLE_TEXT } from '../../../picture/placeholder-words';
import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';

export const templateWords: Rule = {
  id: 'alt/template-words',
  degree: 'must',
  level: 'read',
  title: 'The alt text was left by a template',
  why: 'A listener hears an instruction to whoever made the page, and nothing of what is shown.',
  remedy: 'Say what it shows here, or swap the picture first if it is a leftover as well.',
  standard: 'WCAG 2.2, 1.1.1; F30',
  applies: hasAlt,
  check: (placement) => {
    const text = (placement.alt ?? '').trim();
    // Within a sentence a placeholder may be a thing: a frame that stands for a portrait.
    const isShort = text.split(/\s+/u).length <= MOST_WORDS;
    return SAMPLE_TEXT.test(text) || (isShort && SAMPLE_NAMES.test(text))
      ? { evidence: `The alt text is “${text}”.`, branch: altBranch(placement) }
      : null;
  },
  examples: [
    { html: '<img src="a.jpg" alt="placeholder image">', evidence: 'The alt text is “placeholder image”.' },
    { html: '<img src="a.jpg" alt="Insert image here">', evidence: 'The alt text is “Insert image here”.' },
    { html: '<img src="a.jpg" alt="Platzhalter">', evidence: 'The alt text is “Platzhalter”.' },
    { html: '<img src="a.jpg" alt="A sample lesson on the flute">', evidence: null },
  ],
};

const MOST_WORDS = 7;
