import { hasAlt } from '../../places';
import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import type { Rule } from '../../rule';
import { sharedWords } from '../../../words/content-words';
import { pageWords, telling } from '../../words/picture-words';

export const sameWords: Rule = {
  id: 'alt/same-words',
  degree: 'should',
  level: 'read',
  title: 'Other pictures on this page have the same alt text',
  why: 'Whoever can’t see them can’t tell them apart.',
  remedy: 'Say what each shows; or mark those as decoration that only accompany another.',
  standard: 'WCAG 2.2, 1.1.1',
  applies: hasAlt,
  check: (placement, { page, picture }) => {
    const { alt, filePath, url, link } = placement;
    const others = pageWords(page)
      .saying('alt', alt ?? '')
      .map((one) => one.placement)
      .filter((other) => {
        const isOtherFile = (other.filePath ?? other.url) !== (filePath ?? url);
        const otherPicture = page.pictures.get(other.filePath ?? '')?.pictureId ?? null;
        const isOtherPicture = otherPicture === null || otherPicture !== (picture?.pictureId ?? null);
        // Two links to one place may well have one name.
        const isSameLink = link !== null && other.link?.href === link.href;
        return isOtherFile && isOtherPicture && !isSameLink;
      });
    if (others.length === 0 || fitsAlone(placement, others, page)) return null;
    const more = others.length === 1 ? 'One other picture has' : `${others.length} other pictures have`;
    return { evidence: `${more} “${(alt ?? '').trim()}” too.`, branch: 'informative' };
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

/** Whether the words fit what stands beside this picture, and beside none of the others: those were copied from it. */
function fitsAlone(
  placement: PlacementToCheck,
  others: readonly PlacementToCheck[],
  page: PageToCheck,
): boolean {
  const words = pageWords(page);
  const fits = (one: PlacementToCheck) => {
    const own = words.of(one);
    const beside = own ? [...own.entry, ...own.caption, ...own.heading] : [];
    return own !== null && sharedWords(telling(own.alt, words), beside).length > 0;
  };
  return fits(placement) && !others.some(fits);
}
