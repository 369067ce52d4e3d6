import { showsFile } from '../../places';
import type { Rule } from '../../rule';

export const wrongCase: Rule = {
  id: 'file/wrong-case',
  degree: 'must',
  level: 'read',
  title: 'The name differs from the file’s in capitals',
  why: 'On most web servers readers see a gap; it works only where capitals do not count, as on many desks.',
  remedy: 'Write the name as the file has it.',
  applies: showsFile,
  check: (_, { picture }) =>
    picture && !picture.isThere && picture.near?.kind === 'case'
      ? { evidence: `“${picture.path}” is asked for; the file is “${picture.near.path}”.` }
      : null,
  examples: [
    {
      html: '<img src="Flute.jpg" alt="x">',
      evidence: '“Flute.jpg” is asked for; the file is “flute.jpg”.',
      files: { 'Flute.jpg': { isThere: false, near: { path: 'flute.jpg', kind: 'case' } } },
    },
    { html: '<img src="flute.jpg" alt="x">', evidence: null },
  ],
};
