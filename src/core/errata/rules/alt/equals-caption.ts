import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { alike } from '../../words/alike';

export const equalsCaption: Rule = {
  id: 'alt/equals-caption',
  degree: 'should',
  level: 'read',
  title: 'The alt text says the same as the caption',
  why: 'A listener hears the same words twice, and never what the picture adds to them.',
  remedy: 'Say in the alt text what is to be seen, and leave to the caption what it means.',
  standard: 'W3C, HTML: figures',
  applies: hasAlt,
  check: (placement) =>
    placement.caption && alike(placement.alt ?? '', placement.caption)
      ? { evidence: `Both say “${placement.caption}”.`, branch: altBranch(placement) }
      : null,
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="Red doors"><figcaption>Red doors.</figcaption></figure>',
      evidence: 'Both say “Red doors.”.',
    },
    {
      html: '<figure><img src="a.jpg" alt="Three red doors"><figcaption>Red doors</figcaption></figure>',
      evidence: null,
    },
  ],
};
