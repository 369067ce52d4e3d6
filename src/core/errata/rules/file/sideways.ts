import type { TurnedTwin } from '../../page-to-check';
import { isSeen } from '../../places';
import type { Rule } from '../../rule';

export const sideways: Rule = {
  id: 'file/sideways',
  degree: 'should',
  level: 'measured',
  title: 'The picture lies on its side',
  why: 'Readers tilt their heads, and take the site for one that nobody looks at.',
  remedy: 'Show the upright file, or turn this one and swap it in.',
  standard: 'Exif 2.32, Orientation: programs that make copies must turn them, or keep the note',
  applies: isSeen,
  check: (_placement, { picture }) => {
    const twin = picture?.twin;
    if (!twin || twin.upright === 'own') return null;
    const shown = `“${twin.path}” shows the same ${TURN[twin.quarters]}`;
    return twin.upright === 'other'
      ? { evidence: `${shown}, and its camera noted that this is upright.` }
      : { degree: 'note', evidence: `${shown}; one of them does not stand upright.` };
  },
  examples: [
    {
      html: '<img src="hall-300.jpg" alt="The hall">',
      evidence:
        '“hall.jpg” shows the same turned by a quarter to the right, and its camera noted that this is upright.',
      files: {
        'hall-300.jpg': { twin: { path: 'hall.jpg', quarters: 1, upright: 'other' } },
      },
    },
    {
      html: '<img src="scan-2.jpg" alt="The hall">',
      evidence: '“scan-1.jpg” shows the same turned upside down; one of them does not stand upright.',
      files: {
        'scan-2.jpg': { twin: { path: 'scan-1.jpg', quarters: 2, upright: null } },
      },
    },
    {
      html: '<img src="hall.jpg" alt="The hall">',
      evidence: null,
      files: {
        'hall.jpg': { twin: { path: 'hall-300.jpg', quarters: 3, upright: 'own' } },
      },
    },
    { html: '<img src="hall.jpg" alt="The hall">', evidence: null },
  ],
};

const TURN: Readonly<Record<TurnedTwin['quarters'], string>> = {
  1: 'turned by a quarter to the right',
  2: 'turned upside down',
  3: 'turned by a quarter to the left',
};
