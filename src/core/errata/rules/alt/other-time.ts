import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { contentWords, sharedWords } from '../../../words/content-words';
import { vocabulariesOf } from '../../../words/languages/known-languages';
import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import { pageWords, textAround } from '../../words/picture-words';
import {
  areOfOtherMonths,
  areOfOtherYears,
  monthsIn,
  seasonsIn,
  yearsIn,
  type Years,
} from '../../words/time-words';

export const otherTime: Rule = {
  id: 'alt/other-time',
  degree: 'must',
  level: 'guessed',
  title: 'The alt text tells of another time than what stands around it',
  why: 'A listener is told of another event than everybody else.',
  remedy: 'Correct the alt text, or swap the picture if it is the wrong one.',
  standard: 'WCAG 2.2, 1.1.1',
  applies: hasAlt,
  check: (placement, { page }) => {
    const { alt, caption } = placement;
    const heading = placement.context.headings.at(-1) ?? page.title;
    const said = yearsIn(alt ?? '');
    const below = yearsIn(caption ?? '');
    const over = yearsIn(heading);
    const branch = altBranch(placement);
    const agrees = below.length > 0 && !areOfOtherYears(said, below);
    const isOther =
      below.length > 0
        ? areOfOtherYears(said, below) && isBacked(said, below, textAround(placement, page))
        : areOfOtherYears(said, over);
    if (!agrees && isOther) {
      const beside = (below.length > 0 ? below : over).map(({ text }) => text).join(', ');
      const own = said.map(({ text }) => text).join(', ');
      return { evidence: `It says “${own}”, and beside it stands “${beside}”.`, branch };
    }
    if (said.length > 0 || agrees) return null;
    const months = monthsIn(alt ?? '', page.language);
    // A season is told in months as well.
    if (months.size === 0) return null;
    const own = monthsIn(caption ?? '', page.language);
    const isOtherMonth =
      areOfOtherMonths(months, monthsIn(heading, page.language)) || isOfOtherSeason(placement, page, heading);
    return isOtherMonth && (own.size === 0 || areOfOtherMonths(months, own))
      ? { evidence: `It says “${alt?.trim()}” under the heading “${heading}”.`, branch }
      : null;
  },
  examples: [
    {
      html: '<h2>Summer party 2025</h2><figure><img src="a.jpg" alt="Party 2017: dancing in the barn"><figcaption>We danced till two</figcaption></figure>',
      evidence: 'It says “2017”, and beside it stands “2025”.',
    },
    {
      html: '<h2>February: first flight</h2><img src="a.jpg" alt="Bees on heather in late summer">',
      evidence: 'It says “Bees on heather in late summer” under the heading “February: first flight”.',
    },
    {
      html: '<h1>Summer regatta</h1><img src="a.jpg" alt="Finish of the spring regatta">',
      evidence: 'It says “Finish of the spring regatta” under the heading “Summer regatta”.',
    },
    {
      html: '<h1>Summer regatta</h1><p>After the spring regatta came this one.</p><img src="a.jpg" alt="Finish of the spring regatta">',
      evidence: null,
    },
    {
      html: '<h2>1957: Electric light</h2><figure><img src="a.jpg" alt="The tower in 1912"><figcaption>For comparison: the Point in 1912</figcaption></figure>',
      evidence: null,
    },
    { html: '<h2>Open day, June 2024</h2><img src="a.jpg" alt="Visitors, summer 2024">', evidence: null },
  ],
};

/** Where caption and alt text are at odds, the one that heading and text bear out is right. */
function isBacked(said: readonly Years[], below: readonly Years[], text: string): boolean {
  const around = yearsIn(text);
  return around.length > 0 && !areOfOtherYears(below, around) && areOfOtherYears(said, around);
}

/** Whether both tell of one thing, each with a season, and not the same one; not where the text speaks of both. */
function isOfOtherSeason(placement: PlacementToCheck, page: PageToCheck, heading: string): boolean {
  const { language } = page;
  const [mine, over] = [seasonsIn(placement.alt ?? '', language), seasonsIn(heading, language)];
  const [own] = mine;
  if (own === undefined || mine.size > 1 || over.size === 0 || over.has(own)) return false;
  if (seasonsIn(textAround(placement, page), language).has(own)) return false;
  const seasons = new Set(vocabulariesOf(language).flatMap((list) => list.seasons.flat()));
  const { small } = pageWords(page);
  const things = (text: string) => contentWords(text, small).filter((word) => !seasons.has(word));
  return sharedWords(things(placement.alt ?? ''), things(heading)).length > 0;
}
