import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { tokensOf } from '../../../words/content-words';
import { vocabulariesOf } from '../../../words/languages/known-languages';
import { pageWords } from '../../words/picture-words';

export const placeOnPage: Rule = {
  id: 'caption/place-on-page',
  degree: 'should',
  level: 'guessed',
  title: 'The caption finds the picture by its place on the page',
  why: 'On a phone nothing stands on the left or right, and a listener has no sides.',
  remedy: 'Give each picture its own caption, under it.',
  standard: 'WCAG 2.2, 1.3.3',
  applies: isPicture,
  check: (placement, { page }) => {
    const { caption } = placement;
    if (!caption) return null;
    for (const vocabulary of vocabulariesOf(page.language)) {
      const [words] = vocabulary.placeOnPage.exec(caption) ?? [];
      if (words) return { evidence: `It says “${words}”.` };
    }
    const missing = pointedAtNothing(placement, page);
    return missing ? { evidence: `It says “${missing}”, where no picture stands.` } : null;
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>In the picture on the right: the car park</figcaption></figure>',
      evidence: 'It says “picture on the right”.',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>Photo de gauche : le comptoir</figcaption></figure>',
      evidence: 'It says “Photo de gauche”.',
      language: 'fr',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The horn and the tower (plan below)</figcaption></figure>',
      evidence: 'It says “plan below”, where no picture stands.',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The ramp is to the left of the steps</figcaption></figure>',
      evidence: null,
    },
  ],
};

const UP = /above|oben|darüber|ci-dessus|haut|au-dessus|arriba/iu;

/** “Plan below” on the last picture of a page, “photo above” on the first; `null` where there is what it speaks of. */
function pointedAtNothing(placement: PlacementToCheck, page: PageToCheck): string | null {
  const caption = placement.caption ?? '';
  for (const { aboveBelow, pictureWords } of vocabulariesOf(page.language)) {
    const found = aboveBelow.exec(caption);
    const side = found?.groups?.['side'];
    if (!found || !side) continue;
    const before = caption.slice(0, found.index).trim().split(/\s+/u).at(-1) ?? '';
    const noun = before.toLowerCase().replace(/[^\p{L}]/gu, '');
    if (!pictureWords.includes(noun)) continue;
    const { pictures } = pageWords(page);
    const at = pictures.findIndex((one) => one.placement === placement);
    const others = UP.test(side) ? pictures.slice(0, at) : pictures.slice(at + 1);
    // “Plan below” under the plan itself finds another, or none.
    const isThis = tokensOf(`${placement.alt ?? ''} ${placement.raw}`.replace(/[-_./]/gu, ' ')).includes(
      noun,
    );
    if (others.length === 0 || (isThis && noun !== 'picture')) return `${noun} ${side}`;
  }
  return null;
}
