import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { bareText } from '../../words/alike';
import { CREDIT } from '../../words/credit-lines';

export const creditForm: Rule = {
  id: 'caption/credit-form',
  degree: 'should',
  level: 'read',
  title: 'The credit names nobody, or somebody else than the file does',
  why: 'Whoever made it has a right to be named, and rightly.',
  remedy: 'Write the name as the file or the licence gives it.',
  applies: isPicture,
  check: ({ caption }, { picture }) => {
    const found = CREDIT.exec(caption ?? '');
    if (!found) return null;
    const name = (found.groups?.['name'] ?? '').replace(/^\s*(?:\d{4}\s*)+/u, '').trim();
    const line = found[0].trim();
    if (!/\p{L}/u.test(name)) return { evidence: `The credit “${line}” names nobody.` };
    const credit = picture?.credit?.trim() ?? '';
    if (credit === '' || !isName(name) || isSame(name, credit)) return null;
    return { evidence: `The caption credits “${name}”, the file “${credit}”.` };
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The hall. Photo:</figcaption></figure>',
      evidence: 'The credit “Photo:” names nobody.',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The hall © 2024</figcaption></figure>',
      evidence: 'The credit “© 2024” names nobody.',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The hall. Photo: Orla Tansey</figcaption></figure>',
      evidence: 'The caption credits “Orla Tansey”, the file “Wendel Ashby”.',
      files: { 'a.jpg': { credit: 'Wendel Ashby' } },
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The hall. Foto von W. Ashby</figcaption></figure>',
      evidence: null,
      files: { 'a.jpg': { credit: 'Wendel Ashby / Ferndrake' } },
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The hall. Photo: Orla Tansey</figcaption></figure>',
      evidence: null,
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>Picture: the hall in May</figcaption></figure>',
      evidence: null,
      files: { 'a.jpg': { credit: 'Wendel Ashby' } },
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>A photo by the river in May</figcaption></figure>',
      evidence: null,
    },
  ],
};

/** Words as a person or a studio has them: all in capitals at their beginning, but for what stands between names. */
const isName = (text: string) =>
  text
    .split(/\s+/u)
    .every((word) => /^\p{Lu}/u.test(word) || /^(?:and|und|et|y|von|van|der|den|de|du|la|&)$/u.test(word));

/** The same person: the last of the names is in both, however the first ones are written. */
function isSame(name: string, credit: string): boolean {
  const words = new Set(bareText(credit).split(' '));
  const last = bareText(name).split(' ').at(-1) ?? '';
  return words.has(last) || bareText(name).includes(bareText(credit));
}
