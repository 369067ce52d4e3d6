import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { isFileName } from '../../words/empty-texts';

export const captionFileName: Rule = {
  id: 'caption/file-name',
  degree: 'should',
  level: 'read',
  title: 'The caption is the name of a file',
  why: 'Every reader sees what a camera or a program called it.',
  remedy: 'Write a caption, or take it away.',
  applies: isPicture,
  check: ({ caption, raw }) =>
    caption && isFileName(caption.trim(), raw) ? { evidence: `The caption is “${caption}”.` } : null,
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="A door"><figcaption>IMG_2041</figcaption></figure>',
      evidence: 'The caption is “IMG_2041”.',
    },
    {
      html: '<figure><img src="a.jpg" alt="A door"><figcaption>Figure 1</figcaption></figure>',
      evidence: null,
    },
  ],
};
