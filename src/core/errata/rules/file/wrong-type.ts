import { showsFile } from '../../places';
import type { Rule } from '../../rule';

const ENDINGS: Readonly<Record<string, readonly string[]>> = {
  jpeg: ['jpg', 'jpeg', 'jpe', 'jfif'],
  png: ['png'],
  gif: ['gif'],
  webp: ['webp'],
  avif: ['avif'],
  svg: ['svg'],
  tiff: ['tif', 'tiff'],
  ico: ['ico'],
};
const KNOWN = new Set(Object.values(ENDINGS).flat());

export const wrongType: Rule = {
  id: 'file/wrong-type',
  degree: 'should',
  level: 'read',
  title: 'Its name says another type than it has',
  why: 'Servers send it under the wrong type; some programs refuse it.',
  remedy: 'Save it under the ending of its type, and swap it in.',
  applies: showsFile,
  check: (_, { picture }) => {
    const ending = /\.(\w+)$/u.exec(picture?.path ?? '')?.[1]?.toLowerCase() ?? '';
    const own = ENDINGS[picture?.format ?? ''];
    return own && KNOWN.has(ending) && !own.includes(ending)
      ? { evidence: `It is a ${picture?.format?.toUpperCase()} and called “.${ending}”.` }
      : null;
  },
  examples: [
    {
      html: '<img src="a.png" alt="x">',
      evidence: 'It is a JPEG and called “.png”.',
      files: { 'a.png': { format: 'jpeg' } },
    },
    { html: '<img src="a.JPG" alt="x">', evidence: null, files: { 'a.JPG': { format: 'jpeg' } } },
    { html: '<img src="photo.php" alt="x">', evidence: null, files: { 'photo.php': { format: 'jpeg' } } },
  ],
};
