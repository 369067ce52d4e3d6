import { isPicture } from '../../places';
import type { Rule } from '../../rule';

/** Shapes that differ by more than this part look wrong. */
const OFF = 0.05;
const LEAST_PX = 32;

export const stretched: Rule = {
  id: 'file/stretched',
  degree: 'should',
  level: 'measured',
  title: 'It is squeezed into another shape',
  why: 'People look fat or thin, circles are eggs.',
  remedy: 'Crop it to the shape of its place, or leave one of the two sizes away.',
  applies: isPicture,
  check: ({ declared, kind }, { picture }) => {
    const { widthPx: across, heightPx: down } = declared;
    const { widthPx, heightPx } = picture ?? { widthPx: null, heightPx: null };
    if (kind === 'input' || !across || !down || !widthPx || !heightPx || Math.min(across, down) < LEAST_PX)
      return null;
    // A style sheet may fit it: then the sizes are no promise.
    if (/(?:^|\s)(?:object-|img-fluid|cover|contain)/u.test(declared.classes)) return null;
    const ratio = (across / down) * (heightPx / widthPx);
    return Math.abs(Math.log(ratio)) > Math.log(1 + OFF)
      ? { evidence: `${widthPx} × ${heightPx} shown at ${across} × ${down}.` }
      : null;
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="x" width="1040" height="420">',
      evidence: '1200 × 380 shown at 1040 × 420.',
      files: { 'a.jpg': { widthPx: 1200, heightPx: 380 } },
    },
    {
      html: '<img src="a.jpg" alt="x" width="300" height="200">',
      evidence: null,
      files: { 'a.jpg': { widthPx: 1200, heightPx: 800 } },
    },
    {
      html: '<img src="a.jpg" alt="x" width="300">',
      evidence: null,
      files: { 'a.jpg': { widthPx: 1200, heightPx: 80 } },
    },
    {
      html: '<img src="dot.gif" alt="" width="300" height="2">',
      evidence: null,
      files: { 'dot.gif': { widthPx: 1, heightPx: 1 } },
    },
  ],
};
