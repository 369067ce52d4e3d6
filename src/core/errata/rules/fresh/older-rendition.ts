import { showsFile } from '../../places';
import type { Rule } from '../../rule';

/** Files that are written together come within minutes; a copy to another server may take a day. */
const APART_MS = 2 * 86_400_000;

export const olderRendition: Rule = {
  id: 'fresh/older-rendition',
  degree: 'note',
  level: 'measured',
  title: 'This size of the picture is older than the large one',
  why: 'The large one was changed, perhaps corrected, and readers still see how it was before.',
  remedy: 'Look at both, and make this size anew from the large one.',
  applies: showsFile,
  check: (_, { picture }) => {
    if (!picture?.masterPath || picture.masterPath === picture.path) return null;
    const { modifiedMs, masterModifiedMs, masterPath } = picture;
    if (modifiedMs === null || masterModifiedMs === null || masterModifiedMs - modifiedMs < APART_MS)
      return null;
    const days = Math.round((masterModifiedMs - modifiedMs) / 86_400_000);
    return { evidence: `“${masterPath}” was written ${days} days later.` };
  },
  examples: [
    {
      html: '<img src="a-300.jpg" alt="x">',
      evidence: '“a.jpg” was written 9 days later.',
      files: {
        'a-300.jpg': { masterPath: 'a.jpg', modifiedMs: 1e12, masterModifiedMs: 1e12 + 9 * 86_400_000 },
      },
    },
    {
      html: '<img src="a-300.jpg" alt="x">',
      evidence: null,
      files: { 'a-300.jpg': { masterPath: 'a.jpg', modifiedMs: 1e12, masterModifiedMs: 1e12 + 9000 } },
    },
  ],
};
