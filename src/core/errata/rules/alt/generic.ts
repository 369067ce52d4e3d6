import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Finding, Rule } from '../../rule';
import { isFileName, saysOnly } from '../../words/empty-texts';

export const generic: Rule = {
  id: 'alt/generic',
  degree: 'must',
  level: 'read',
  title: 'The alt text says only that there is a picture',
  why: 'A screen reader has said that already; what is on it stays unknown.',
  remedy: 'Say in a few words what it shows here.',
  standard: 'WCAG 2.2, 1.1.1; F30',
  applies: hasAlt,
  check: (placement, { page }): Finding | null => {
    const text = (placement.alt ?? '').trim();
    // A camera’s name is another rule’s.
    const only = isFileName(text, placement.raw) ? null : saysOnly(text, page.language);
    if (!only) return null;
    const branch = altBranch(placement);
    if (only === 'picture') return { evidence: `The alt text is “${text}”.`, branch };
    // “Logo” at least tells what it is.
    return { evidence: `The alt text is “${text}”, whatever is on it.`, branch, degree: 'should' };
  },
  examples: [
    { html: '<img src="a.jpg" alt="image">', evidence: 'The alt text is “image”.' },
    { html: '<img src="a.jpg" alt="Photo 3">', evidence: 'The alt text is “Photo 3”.' },
    { html: '<img src="a.jpg" alt="Bild" >', evidence: 'The alt text is “Bild”.', language: 'de-CH' },
    { html: '<img src="a.jpg" alt="imagen">', evidence: 'The alt text is “imagen”.', language: 'es' },
    { html: '<img src="a.jpg" alt="Plus">', evidence: 'The alt text is “Plus”.', language: 'fr' },
    { html: '<img src="a.jpg" alt="poster">', evidence: 'The alt text is “poster”, whatever is on it.' },
    { html: '<img src="a.jpg" alt="Plus">', evidence: null },
    { html: '<img src="a.jpg" alt="Image processing lab">', evidence: null },
    { html: '<img src="a.jpg" alt="IMG_3381">', evidence: null },
  ],
};
