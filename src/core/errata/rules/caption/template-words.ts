import { SAMPLE_TEXT } from '../../../picture/placeholder-words';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';

export const templateCaption: Rule = {
  id: 'caption/template-words',
  degree: 'must',
  level: 'read',
  title: 'The caption was left by a template',
  why: 'Every reader sees an instruction to whoever made the page.',
  remedy: 'Write the caption, or take it away.',
  applies: isPicture,
  check: ({ caption }) =>
    caption && SAMPLE_TEXT.test(caption) ? { evidence: `The caption says “${caption}”.` } : null,
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
