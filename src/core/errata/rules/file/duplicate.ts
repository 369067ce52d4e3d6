import { isSeen } from '../../places';
import type { Rule } from '../../rule';

/** Marks and buttons of a template weigh nothing, and lie in many folders on purpose. */
const LEAST_BYTES = 10_000;

export const duplicate: Rule = {
  id: 'file/duplicate',
  degree: 'note',
  level: 'measured',
  title: 'The same file lies on the site twice',
  why: 'Readers load it twice, and whoever replaces one forgets the other.',
  remedy: 'Let all places show one of them, and take the other off.',
  applies: isSeen,
  check: (_placement, { picture }) => {
    if (!picture?.sameBytes || picture.leftoverClues.length > 0) return null;
    if ((picture.sizeBytes ?? 0) < LEAST_BYTES) return null;
    return { evidence: `“${picture.sameBytes}” has the very same bytes.` };
  },
  examples: [
    {
      html: '<img src="hall copy.jpg" alt="The hall">',
      evidence: '“img/hall.jpg” has the very same bytes.',
      files: { 'hall copy.jpg': { sameBytes: 'img/hall.jpg', sizeBytes: 48_000 } },
    },
    {
      html: '<img src="x/note.png" alt="Note">',
      evidence: null,
      files: { 'x/note.png': { sameBytes: 'note.png', sizeBytes: 900 } },
    },
    { html: '<img src="hall.jpg" alt="The hall">', evidence: null },
  ],
};
