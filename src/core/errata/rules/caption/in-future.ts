import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { vocabulariesOf } from '../../../words/languages/known-languages';
import { isFileName } from '../../words/empty-texts';
import { timesIn } from '../../words/time-words';

export const inFuture: Rule = {
  id: 'caption/in-future',
  degree: 'must',
  level: 'measured',
  title: 'The caption gives a time that is still to come',
  why: 'What is shown has been: the date is mistyped, and readers are told something impossible.',
  remedy: 'Look the date up, and correct it.',
  applies: isPicture,
  check: ({ caption, raw }, { page }) => {
    if (!caption || isFileName(caption, raw)) return null;
    if (vocabulariesOf(page.language).some(({ toCome }) => toCome.test(caption))) return null;
    const [wrong] = futureTimes(caption, page.today);
    return wrong ? { evidence: `It says “${wrong}”.` } : null;
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>Collecting at the fair, August 2052</figcaption></figure>',
      evidence: 'It says “August 2052”.',
      today: '2026-11-27',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>How the porch may look in 2031</figcaption></figure>',
      evidence: null,
      today: '2026-11-27',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>To be opened in 2076: the capsule</figcaption></figure>',
      evidence: null,
      today: '2026-11-27',
    },
  ],
};

/** Years beside an “until” of the past are given as such, so that these are read without it. */
const futureTimes = (caption: string, today: number): string[] =>
  timesIn(caption.replace(/jusqu[’']?(?:en|à)|bis|until|hasta/giu, ',')).flatMap(({ from, text }) =>
    from !== null && from > today ? [text] : [],
  );
