import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { creditedIn } from '../../words/credit-lines';
import { pageWords, textAround } from '../../words/picture-words';

/** Of the others so many must have one. */
const MOST_HAVE = 0.75;
const LEAST_OTHERS = 2;

export const creditMissing: Rule = {
  id: 'caption/credit-missing',
  degree: 'should',
  level: 'read',
  title: 'The credit is missing, or names two',
  why: 'Whoever made it has a right to be named, and rightly; the others of its row name theirs.',
  remedy: 'Find out who made it, and name them.',
  applies: isPicture,
  check: (placement, { page }) => {
    const { caption } = placement;
    if (!caption) return null;
    const own = creditedIn(caption);
    if (own.length > 1) return { evidence: `It credits “${own.join('” and “')}”.`, degree: 'must' };
    const others = pageWords(page)
      .beside(placement)
      .filter((one) => one.placement.caption);
    const credited = others.filter((one) => isCredited(one.placement.caption ?? '')).length;
    // A word on the page for all of them is a credit as well.
    if (
      FOR_ALL.test(
        pageWords(page)
          .pictures.map((one) => textAround(one.placement, page))
          .join(' '),
      )
    )
      return null;
    return !isCredited(caption) && others.length >= LEAST_OTHERS && credited >= MOST_HAVE * others.length
      ? { evidence: `${credited} of the ${others.length} others of its row have one.` }
      : null;
  },
  examples: [
    {
      html: '<div><figure><img src="a.jpg" alt="x"><figcaption>Dial. Photo: Enid Farrow</figcaption></figure><figure><img src="b.jpg" alt="y"><figcaption>Ring. Photo: Enid Farrow</figcaption></figure><figure><img src="c.jpg" alt="z"><figcaption>Cross</figcaption></figure></div>',
      evidence: '2 of the 2 others of its row have one.',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>Stones, photographed by Owen Slade. Photograph: Enid Farrow</figcaption></figure>',
      evidence: 'It credits “Enid Farrow” and “Owen Slade”.',
    },
    {
      html: '<div><figure><img src="a.jpg" alt="x"><figcaption>Dial</figcaption></figure><figure><img src="b.jpg" alt="y"><figcaption>Ring. Photo: Enid Farrow</figcaption></figure></div>',
      evidence: null,
    },
  ],
};

/** By a credit line, or by a name in brackets at the end. */
const isCredited = (caption: string): boolean => creditedIn(caption).length > 0 || IN_BRACKETS.test(caption);
const IN_BRACKETS = /\(\p{Lu}[\p{L}.’'-]+(?:\s+\p{Lu}[\p{L}.’'-]+)+\)\.?$/u;
const FOR_ALL =
  /(?<!\p{L})(?:pictures|photos|photographs|images|bilder|fotos|aufnahmen|images|imágenes|fotografías|clichés)(?!\p{L})[^.!?|]{0,60}(?<!\p{L})(?:by|von|par|de|por)\s+\p{Lu}\p{L}+/u;
