import { isPicture } from '../../places';
import type { Rule } from '../../rule';

export const emptyCaption: Rule = {
  id: 'alt/empty-caption',
  degree: 'should',
  level: 'read',
  title: 'It is marked as decoration and has a caption',
  why: 'A screen reader passes the picture over and reads a caption that belongs to nothing.',
  remedy: 'Say what it shows; the caption need not be said again.',
  standard: 'WCAG 2.2, 1.1.1',
  applies: isPicture,
  check: ({ alt, name, caption, context }) =>
    alt?.trim() === '' && name === '' && context.inFigure && caption
      ? { evidence: `The caption says “${caption}”.`, branch: 'informative' }
      : null,
  examples: [
    {
      html: '<figure><img src="a.jpg" alt=""><figcaption>Red doors</figcaption></figure>',
      evidence: 'The caption says “Red doors”.',
    },
    {
      html: '<figure><img src="a.jpg" alt="The front"><figcaption>Red doors</figcaption></figure>',
      evidence: null,
    },
    { html: '<figure><img src="a.jpg" alt=""></figure>', evidence: null },
  ],
};
