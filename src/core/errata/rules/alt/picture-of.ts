import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { wordLists } from '../../words/word-lists';

export const pictureOf: Rule = {
  id: 'alt/picture-of',
  degree: 'should',
  level: 'read',
  title: 'The alt text begins by saying that it is a picture',
  why: 'A screen reader says so itself; the listener hears it twice before anything of what is shown.',
  remedy: 'Leave the beginning away, unless it matters that it is a painting or a drawing.',
  standard: 'W3C, Images tutorial: tips',
  applies: hasAlt,
  check: (placement, { page }) => {
    const text = (placement.alt ?? '').trim();
    for (const { pictureOf: pattern } of wordLists(page.language)) {
      const [beginning] = pattern.exec(text) ?? [];
      const rest = beginning ? text.slice(beginning.length).trim() : '';
      if (!beginning || rest === '') continue;
      const shorter = rest.charAt(0).toUpperCase() + rest.slice(1);
      return {
        evidence: `The alt text begins with “${beginning.trim()}”.`,
        branch: altBranch(placement),
        fix: { field: 'alt', text: shorter },
      };
    }
    return null;
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="picture of the guitar group">',
      evidence: 'The alt text begins with “picture of”.',
    },
    {
      html: '<img src="a.jpg" alt="Foto vom Schulhaus">',
      evidence: 'The alt text begins with “Foto vom”.',
      language: 'de',
    },
    {
      html: '<img src="a.jpg" alt="Photo d’une flûte">',
      evidence: 'The alt text begins with “Photo d’”.',
      language: 'fr',
    },
    { html: '<img src="a.jpg" alt="The picture gallery">', evidence: null },
  ],
};
