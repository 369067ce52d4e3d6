import { SAMPLE_TEXT } from '../../../picture/placeholder-words';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { vocabulariesOf } from '../../../words/languages/known-languages';

export const templateCaption: Rule = {
  id: 'caption/template-words',
  degree: 'must',
  level: 'read',
  title: 'The caption was left by a template',
  why: 'Every reader sees an instruction to whoever made the page.',
  remedy: 'Write the caption, or take it away.',
  applies: isPicture,
  check: ({ caption }, { page }) => {
    const text = caption?.trim() ?? '';
    return text !== '' && isOfTemplate(text, page.language)
      ? { evidence: `The caption says “${text}”.` }
      : null;
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>Caption goes here</figcaption></figure>',
      evidence: 'The caption says “Caption goes here”.',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The engine room</figcaption></figure>',
      evidence: null,
    },
  ],
};

/** Whether a caption is a template's: sample text, or what asks for a caption. */
export const isOfTemplate = (caption: string, language: string | null): boolean =>
  SAMPLE_TEXT.test(caption) ||
  vocabulariesOf(language).some(({ captionPrompts }) => captionPrompts.test(caption));
