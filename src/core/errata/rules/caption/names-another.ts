import { isPicture } from '../../places';
import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import type { Finding, Rule } from '../../rule';
import { bareText } from '../../words/alike';
import { pageWords, type PictureWords } from '../../words/picture-words';

export const namesAnother: Rule = {
  id: 'caption/names-another',
  degree: 'should',
  level: 'read',
  title: 'The caption names somebody or something else',
  why: 'Readers take one for the other, and nobody tells them.',
  remedy: 'Give each picture its own caption, or say who is on it.',
  applies: isPicture,
  check: (placement, { page, picture }) =>
    neighbours(placement, page) ?? people(placement, page, picture?.people ?? []),
  examples: [
    {
      html: '<div><figure><img src="a.jpg" alt="Harp"><figcaption>Cello</figcaption></figure><figure><img src="b.jpg" alt="Cello"><figcaption>Cello</figcaption></figure></div>',
      evidence: 'The caption says “Cello”; that is what the alt text of the picture beside it says.',
    },
    {
      html: '<div><figure><img src="a.jpg" alt="Harp"><figcaption>Our harp</figcaption></figure><figure><img src="b.jpg" alt="Cello"><figcaption>Cello</figcaption></figure></div>',
      evidence: null,
    },
    {
      html: '<figure><img src="a.jpg" alt="At the piano"><figcaption>Orla Tansey at the piano</figcaption></figure>',
      evidence: 'The caption names Orla Tansey; on it, as somebody said, is Wendel Ashby.',
      files: { 'a.jpg': { people: ['Wendel Ashby'] } },
      people: ['Orla Tansey', 'Wendel Ashby'],
    },
    {
      html: '<figure><img src="a.jpg" alt="At the piano"><figcaption>Orla Tansey at the piano</figcaption></figure>',
      evidence: null,
      files: { 'a.jpg': { people: ['Orla Tansey', 'Wendel Ashby'] } },
      people: ['Orla Tansey', 'Wendel Ashby'],
    },
    {
      html: '<figure><img src="a.jpg" alt="At the piano"><figcaption>Orla Tansey at the piano</figcaption></figure>',
      evidence: null,
      people: ['Orla Tansey'],
    },
  ],
};

/** Captions that slipped by one: this one is what another picture of its group is called. */
function neighbours({ alt, caption, context }: PlacementToCheck, page: PageToCheck): Finding | null {
  const { group } = context;
  if (!caption || !alt || !group || sharesWord(caption, alt)) return null;
  const isBeside = ({ placement }: PictureWords) =>
    placement.context.group?.path === group.path && placement.context.group.index !== group.index;
  return pageWords(page).saying('alt', caption).some(isBeside)
    ? { evidence: `The caption says “${caption}”; that is what the alt text of the picture beside it says.` }
    : null;
}

/** A name that is known on the site, and not one of those that this picture is known to show. */
function people({ caption }: PlacementToCheck, page: PageToCheck, shown: readonly string[]): Finding | null {
  if (!caption || shown.length === 0) return null;
  const says = ` ${bareText(caption)} `;
  const isNamed = (name: string) => says.includes(` ${bareText(name)} `);
  const other = page.people.find((name) => isNamed(name) && !shown.includes(name));
  if (!other || shown.some(isNamed)) return null;
  return { evidence: `The caption names ${other}; on it, as somebody said, is ${shown.join(', ')}.` };
}

const LEAST_LETTERS = 4;

function sharesWord(a: string, b: string): boolean {
  const words = new Set(bareText(a).split(' '));
  return bareText(b)
    .split(' ')
    .some((word) => word.length >= LEAST_LETTERS && words.has(word));
}
