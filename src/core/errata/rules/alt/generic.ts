import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Finding, Rule } from '../../rule';
import { bareText } from '../../words/alike';
import { isFileName, saysOnly } from '../../words/empty-texts';

/** A logo of nobody. */
const OF_LOGO =
  /^(?:(?:our |the |unser |notre |nuestro )?(?:sponsor|partner|partenaire|patrocinador|client|kunden?|firmen?|vereins?|club|donor|member)s?[\s-]*)?(?:logo|logotipo|logotype)s?(?:[\s-]*(?:\d+|sponsor|partner|partenaire|patrocinador|du partenaire|del patrocinador))?$/iu;

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
    const branch = altBranch(placement);
    const { entry } = placement.context;
    const beside = `${entry ?? ''} ${placement.caption ?? ''}`.trim();
    // Whose logo it is must stand somewhere.
    if (OF_LOGO.test(text) && beside === '' && !only)
      return { evidence: `The alt text is “${text}”.`, branch };
    if (!only) return null;
    if (only === 'picture') return { evidence: `The alt text is “${text}”.`, branch };
    // Where the entry is about an arrow, “arrow” is its name.
    if (bareText(beside).split(' ').includes(bareText(text))) return null;
    if (OF_LOGO.test(text) && beside === '') return { evidence: `The alt text is “${text}”.`, branch };
    // “Poster” at least tells what it is.
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
