import { isPicture } from '../../places';
import type { Rule } from '../../rule';

/** Of the pictures of a group so many must have one, and so few lack it, that it was forgotten. */
const MOST_HAVE = 0.6;
const LEAST_SIZE = 3;

export const missingCaption: Rule = {
  id: 'caption/missing',
  degree: 'note',
  level: 'read',
  title: 'The others of its group have a caption',
  why: 'The row looks unfinished, and readers miss what they learn of all the others.',
  remedy: 'Write a caption as the others have one.',
  applies: isPicture,
  check: ({ caption, context }, { page }) => {
    const { group } = context;
    if (caption || !group || group.size < LEAST_SIZE) return null;
    const others = page.placements.filter(
      (other) =>
        isPicture(other) &&
        other.context.group?.path === group.path &&
        other.context.group.index !== group.index,
    );
    const having = others.filter((other) => other.caption).length;
    return others.length >= LEAST_SIZE - 1 && having >= MOST_HAVE * others.length
      ? { evidence: `${having} of the ${others.length} others have one.` }
      : null;
  },
  examples: [
    {
      html: '<div><figure><img src="a.jpg" alt="x"><figcaption>One</figcaption></figure><figure><img src="b.jpg" alt="y"><figcaption>Two</figcaption></figure><figure><img src="c.jpg" alt="z"></figure></div>',
      evidence: '2 of the 2 others have one.',
    },
    {
      html: '<div><figure><img src="a.jpg" alt="x"></figure><figure><img src="b.jpg" alt="y"></figure><figure><img src="c.jpg" alt="z"></figure></div>',
      evidence: null,
    },
    { html: '<figure><img src="c.jpg" alt="z"></figure>', evidence: null },
  ],
};
