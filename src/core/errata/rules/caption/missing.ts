import { isPicture } from '../../places';
import { onceFor } from '../../once-for';
import type { Rule } from '../../rule';
import { pageWords, type PictureWords } from '../../words/picture-words';

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
  check: (placement, { page }) => {
    const { caption, context } = placement;
    const { group } = context;
    if (caption || !group || group.size < LEAST_SIZE) return null;
    const row = captionsOf(pageWords(page).row(placement));
    const own = row.items.get(group.index) ?? { all: 0, having: 0 };
    const [others, having] = [row.all - own.all, row.having - own.having];
    return others >= LEAST_SIZE - 1 && having >= MOST_HAVE * others
      ? { evidence: `${having} of the ${others} others have one.` }
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

/** How many pictures of a row there are, and how many have a caption: in all, and in each of its items. */
const captionsOf = onceFor((row: readonly PictureWords[]) => {
  const items = new Map<number, { all: number; having: number }>();
  for (const { placement } of row) {
    const { index = 0 } = placement.context.group ?? {};
    const item = items.get(index) ?? { all: 0, having: 0 };
    item.all += 1;
    item.having += placement.caption ? 1 : 0;
    items.set(index, item);
  }
  const all = row.length;
  return { items, all, having: row.filter(({ placement }) => placement.caption).length };
});
