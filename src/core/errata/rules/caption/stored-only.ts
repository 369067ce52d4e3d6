import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { alike } from '../../words/alike';

const LEAST_LETTERS = 12;

export const storedOnly: Rule = {
  id: 'caption/stored-only',
  degree: 'note',
  level: 'read',
  title: 'The file carries a description that no reader sees',
  why: 'Somebody described it, the photographer or an agency; the page says nothing of it.',
  remedy: 'Take it as the caption or for the alt text, if it holds.',
  standard: 'IPTC Photo Metadata: Description, Alt Text',
  applies: isPicture,
  check: ({ caption, alt }, { picture }) => {
    const stored = picture?.embedded?.trim() ?? '';
    if (stored.length < LEAST_LETTERS || caption || alike(alt ?? '', stored)) return null;
    return { evidence: `The file says “${stored}”.`, fix: { field: 'caption', text: stored } };
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="Piano">',
      evidence: 'The file says “A piano beside a tall window”.',
      files: { 'a.jpg': { embedded: 'A piano beside a tall window' } },
    },
    {
      html: '<img src="a.jpg" alt="A piano beside a tall window">',
      evidence: null,
      files: { 'a.jpg': { embedded: 'A piano beside a tall window' } },
    },
  ],
};
