import { hasAlt } from '../../places';
import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import type { Rule } from '../../rule';
import { sharedWords } from '../../../words/content-words';
import { onceFor } from '../../once-for';
import { onceForText, tallySaying } from '../../words/others-saying';
import { pageWords, telling, type PictureWords } from '../../words/picture-words';

export const sameWords: Rule = {
  id: 'alt/same-words',
  degree: 'should',
  level: 'read',
  title: 'Other pictures on this page have the same alt text',
  why: 'Whoever can’t see them can’t tell them apart.',
  remedy: 'Say what each shows; or mark those as decoration that only accompany another.',
  standard: 'WCAG 2.2, 1.1.1',
  applies: hasAlt,
  check: (placement, { page }) => {
    const alt = placement.alt ?? '';
    // Two links to one place may well have one name.
    const count = saying(page, alt).othersElsewhere(placement);
    if (count === 0 || fitsAlone(placement, page)) return null;
    const more = count === 1 ? 'One other picture has' : `${count} other pictures have`;
    return { evidence: `${more} “${alt.trim()}” too.`, branch: 'informative' };
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="Rehearsal"><img src="b.jpg" alt="rehearsal.">',
      evidence: 'One other picture has “Rehearsal” too.',
    },
    { html: '<img src="a.jpg" alt="Bell"><img src="a.jpg" alt="Bell">', evidence: null },
    {
      html: '<img src="a.jpg" alt="Bell"><img src="a-300.jpg" alt="Bell">',
      evidence: null,
      files: { 'a.jpg': { pictureId: 1 }, 'a-300.jpg': { pictureId: 1 } },
    },
    {
      html: '<a href="x"><img src="a.jpg" alt="Shop"></a><a href="x"><img src="b.jpg" alt="Shop"></a>',
      evidence: null,
    },
  ],
};

const saying = onceForText((page, text) => tallySaying(page, { field: 'alt', text }));
const fittingOnes = onceForText((page, text) => tallySaying(page, { field: 'alt', text }, fitsOn(page)));

/** Whether the words fit what stands beside this picture, and beside none of the others: those were copied from it. */
function fitsAlone(placement: PlacementToCheck, page: PageToCheck): boolean {
  const own = pageWords(page).of(placement);
  if (own === null || !fitsOn(page)(own)) return false;
  return fittingOnes(page, placement.alt ?? '').othersElsewhere(placement) === 0;
}

/** Whether what is said of a picture of the page fits what stands beside it. */
const fitsOn = onceFor((page: PageToCheck) => {
  const words = pageWords(page);
  return ({ alt, entry, caption, heading }: PictureWords) =>
    sharedWords(telling(alt, words), [...entry, ...caption, ...heading]).length > 0;
});
