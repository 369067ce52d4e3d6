import { isPicture } from '../../places';
import type { Rule } from '../../rule';

/** Stretched to more than so many times its own pixels it looks blurred on any screen. */
const BLURRED = 1.25;
/** Icons and rules are stretched on purpose. */
const LEAST_PX = 64;

export const tooSmall: Rule = {
  id: 'file/too-small',
  degree: 'should',
  level: 'measured',
  title: 'It has too few pixels for its place',
  why: 'Readers see it blurred.',
  remedy: 'Swap it for the large one of its family, or for another picture.',
  applies: isPicture,
  check: ({ declared, kind }, { picture }) => {
    const width = picture?.widthPx ?? null;
    if (kind === 'input' || picture?.format === 'svg' || !declared.widthPx || !width || width < LEAST_PX)
      return null;
    return declared.widthPx > width * BLURRED
      ? { evidence: `${width} pixels wide in a place of ${declared.widthPx}.` }
      : null;
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="x" width="800">',
      evidence: '300 pixels wide in a place of 800.',
      files: { 'a.jpg': { widthPx: 300, heightPx: 200 } },
    },
    {
      html: '<img src="a.svg" alt="x" width="800">',
      evidence: null,
      files: { 'a.svg': { widthPx: 300, format: 'svg' } },
    },
    {
      html: '<img src="line.gif" alt="" width="600" height="2">',
      evidence: null,
      files: { 'line.gif': { widthPx: 1, heightPx: 1 } },
    },
    { html: '<img src="a.jpg" alt="x" width="320">', evidence: null, files: { 'a.jpg': { widthPx: 300 } } },
  ],
};
