import { showsFile } from '../../places';
import type { Rule } from '../../rule';

export const missing: Rule = {
  id: 'file/missing',
  degree: 'must',
  level: 'read',
  title: 'The file is not there',
  why: 'Readers see a gap, or the alt text in its place.',
  remedy: 'Swap it for another picture, or put the file back.',
  applies: showsFile,
  check: (_, { picture }) =>
    picture && !picture.isThere && picture.near?.kind !== 'case'
      ? {
          evidence: picture.near
            ? `“${picture.path}” is asked for; there is “${picture.near.path}”.`
            : `“${picture.path}” is asked for.`,
        }
      : null,
  examples: [
    {
      html: '<img src="a.jpg" alt="x">',
      evidence: '“a.jpg” is asked for.',
      files: { 'a.jpg': { isThere: false } },
    },
    { html: '<img src="a.jpg" alt="x">', evidence: null },
  ],
};
