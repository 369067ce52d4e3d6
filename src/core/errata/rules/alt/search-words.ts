import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { isSearchWords } from '../../words/search-words';

export const searchWords: Rule = {
  id: 'alt/search-words',
  degree: 'should',
  level: 'guessed',
  title: 'The alt text is a list of search words',
  why: 'A listener sits through words that tell nothing of this picture.',
  remedy: 'Say in one phrase what it shows here.',
  standard: 'WCAG 2.2, 1.1.1',
  applies: hasAlt,
  check: (placement, { page }) =>
    isSearchWords(placement.alt ?? '', page.language)
      ? { evidence: `The alt text is “${placement.alt?.trim()}”.`, branch: altBranch(placement) }
      : null,
  examples: [
    { html: '<img src="a.png" alt="r.clump example Landsat fuzzy clumping result">', evidence: null },
    {
      html: '<img src="a.jpg" alt="karate judo fitness sport beginners adults seniors">',
      evidence: 'The alt text is “karate judo fitness sport beginners adults seniors”.',
    },
    {
      html: '<img src="a.jpg" alt="brass, candlestick, antique, Georgian, museum, candle, light">',
      evidence: 'The alt text is “brass, candlestick, antique, Georgian, museum, candle, light”.',
    },
    {
      html: '<img src="a.jpg" alt="White, yellow, orange, green, brown, black: six belts in a row">',
      evidence: null,
    },
    {
      html: '<img src="a.jpg" alt="Pads, gloves, shin guards and a mouth guard on a towel">',
      evidence: null,
    },
  ],
};
