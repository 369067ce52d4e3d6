import { onceFor } from '../../once-for';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { creditedIn } from '../../words/credit-lines';
import type { PageToCheck } from '../../page-to-check';
import { pageWords, textAround, type PictureWords } from '../../words/picture-words';

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
    if (isCredited(caption)) return null;
    const { captions, credited } = creditsOf(pageWords(page).row(placement));
    const others = captions - 1;
    const isLeftOut = others >= LEAST_OTHERS && credited >= MOST_HAVE * others;
    // A word on the page for all of them is a credit as well.
    return isLeftOut && !isCreditedForAll(page)
      ? { evidence: `${credited} of the ${others} others of its row have one.` }
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
/** How many pictures of a row have a caption, and a credit in it. */
const creditsOf = onceFor((row: readonly PictureWords[]) => {
  const captions = row.flatMap(({ placement: { caption } }) => caption ?? []).filter(Boolean);
  return { captions: captions.length, credited: captions.filter(isCredited).length };
});

const isCreditedForAll = onceFor((page: PageToCheck) =>
  pageWords(page).pictures.some(({ placement }) => FOR_ALL.test(textAround(placement, page))),
);
const FOR_ALL =
  /(?<!\p{L})(?:pictures|photos|photographs|images|bilder|fotos|aufnahmen|images|imágenes|fotografías|clichés)(?!\p{L})[^.!?|]{0,60}(?<!\p{L})(?:by|von|par|de|por)\s+\p{Lu}\p{L}+/u;
