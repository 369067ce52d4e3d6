import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { isOnlyCredit } from '../../words/credit-lines';
import { isFileName } from '../../words/empty-texts';
import { sharedWords } from '../../../words/content-words';
import { namesIn, nameOthers } from '../../../words/proper-names';
import { onceForText, tallySaying } from '../../words/others-saying';
import { pageWords, telling } from '../../words/picture-words';
import { isOfTemplate } from './template-words';

export const sameCaption: Rule = {
  id: 'caption/same-words',
  degree: 'should',
  level: 'read',
  title: 'Other pictures on this page have the same caption',
  why: 'It tells none of them from the others.',
  remedy: 'Say of each what is special about it, or give the row one caption.',
  applies: isPicture,
  check: (placement, { page }) => {
    const { caption, raw } = placement;
    if (!caption || !/\p{L}/u.test(caption) || isOnlyCredit(caption) || isFileName(caption, raw)) return null;
    if (isOfTemplate(caption, page.language)) return null;
    const words = pageWords(page);
    const own = words.of(placement);
    // Of a copy and what it was copied from, the one that fits its picture is right.
    const fits = own !== null && sharedWords(telling(own.alt, words), own.caption).length > 0;
    if (fits) return null;
    const count = saying(page, caption).others(placement);
    // Names are looked for last: most captions stand once.
    if (count === 0 || strangers(page, caption).others(placement) === 0) return null;
    const more = count === 1 ? 'One other picture has' : `${count} other pictures have`;
    return { evidence: `${more} “${caption}” too.` };
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="A ring"><figcaption>Door knocker</figcaption></figure><figure><img src="b.jpg" alt="A hand"><figcaption>Door knocker</figcaption></figure>',
      evidence: 'One other picture has “Door knocker” too.',
    },
    {
      html: '<figure><img src="a.jpg" alt="A ring"><figcaption>Photo: Lise Amblard</figcaption></figure><figure><img src="b.jpg" alt="A hand"><figcaption>Photo: Lise Amblard</figcaption></figure>',
      evidence: null,
    },
  ],
};

const saying = onceForText((page, text) => tallySaying(page, { field: 'caption', text }));

/** Those of them whose alt text names nobody but whom the caption names, or nobody at all. */
const strangers = onceForText((page, text) =>
  tallySaying(page, { field: 'caption', text }, ({ placement }) => {
    return !nameOthers(namesIn(text), namesIn(placement.alt ?? ''));
  }),
);
