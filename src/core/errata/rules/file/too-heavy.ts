import { isPicture } from '../../places';
import type { Rule } from '../../rule';

/** Pixels that a slot can use on a dense screen, each way; and how many more are too many. */
const DENSE = 2;
const TOO_MANY = 2;
/** Bytes below which it does not matter. */
const LIGHT = 200_000;

export const tooHeavy: Rule = {
  id: 'file/too-heavy',
  degree: 'should',
  level: 'measured',
  title: 'It is far larger than its place',
  why: 'Readers wait for pixels that they do not see, and pay for them on a phone.',
  remedy: 'Swap it for itself in the sizes that the place needs.',
  applies: isPicture,
  check: ({ declared, kind }, { picture }) => {
    const { widthPx, sizeBytes } = picture ?? { widthPx: null, sizeBytes: null };
    if (kind === 'input' || !declared.widthPx || !widthPx || !sizeBytes || sizeBytes < LIGHT) return null;
    const needed = declared.widthPx * DENSE;
    if (widthPx < needed * TOO_MANY) return null;
    const kb = Math.round(sizeBytes / 1000).toLocaleString('en');
    return {
      evidence: `${widthPx} pixels wide and ${kb} kB in a place of ${declared.widthPx}; ${needed} would do on the densest screens.`,
    };
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="x" width="200" height="133">',
      evidence: '3000 pixels wide and 840 kB in a place of 200; 400 would do on the densest screens.',
      files: { 'a.jpg': { widthPx: 3000, heightPx: 2000, sizeBytes: 840_000 } },
    },
    {
      html: '<img src="a.jpg" alt="x" width="600" height="400">',
      evidence: null,
      files: { 'a.jpg': { widthPx: 1200, sizeBytes: 300_000 } },
    },
    {
      html: '<img src="a.jpg" alt="x">',
      evidence: null,
      files: { 'a.jpg': { widthPx: 3000, sizeBytes: 840_000 } },
    },
  ],
};
