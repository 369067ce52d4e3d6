import { altBranch, mayBeDecoration, takesAlt } from '../../alt-branch';
import type { PlacementToCheck } from '../../page-to-check';
import type { Rule } from '../../rule';

function evidenceOf(placement: PlacementToCheck, isBlank: boolean): string {
  const { kind, raw, alt } = placement;
  if (!takesAlt(placement)) {
    return kind === 'object'
      ? 'The embedded picture has no label.'
      : `The ${raw} says that it is a picture, and has no label.`;
  }
  if (isBlank) return 'The alt text holds nothing but blanks.';
  if (kind === 'area')
    return `The area that leads to “${raw}” has ${alt === null ? 'no' : 'an empty'} alt text.`;
  if (alt === null) return 'The alt attribute is not there.';
  return 'The alt text of the button is empty.';
}

export const absent: Rule = {
  id: 'alt/absent',
  degree: 'must',
  level: 'read',
  title: 'It has no alt text',
  why: 'A screen reader can only spell the file’s name; nobody who can’t see the picture knows what it is.',
  remedy: 'Say in a few words what it shows here, or where it leads. Decoration gets an empty alt text.',
  standard: 'WCAG 2.2, 1.1.1; F65',
  applies: ({ bearsWords, dormant }) => bearsWords && !dormant,
  check: (placement) => {
    const { alt, name, decorative, hidden } = placement;
    // A name given by a label or a title is one. An alt text of blanks alone is none, and is no empty one either.
    const isBlank = alt !== null && alt !== '' && alt.trim() === '' && !decorative && takesAlt(placement);
    const isAbsent = alt === null && name === '' && !decorative;
    const isNameless = name === '' && !decorative && !mayBeDecoration(placement);
    if (!isBlank && !isAbsent && !isNameless) return null;
    const evidence = evidenceOf(placement, isBlank);
    const branch = altBranch(placement);
    // A script may show it yet: then it is as wrong as any, and until then it hinders nobody.
    if (hidden)
      return { evidence: `${evidence} It is hidden as the page is written.`, branch, degree: 'note' };
    return { evidence, branch };
  },
  examples: [
    { html: '<img src="a.jpg">', evidence: 'The alt attribute is not there.' },
    { html: '<img src="a.jpg" alt=" ">', evidence: 'The alt text holds nothing but blanks.' },
    { html: '<input type="image" src="go.png">', evidence: 'The alt attribute is not there.' },
    { html: '<input type="image" src="go.png" alt="">', evidence: 'The alt text of the button is empty.' },
    { html: '<a href="x.html"><img src="a.jpg"> Lessons</a>', evidence: 'The alt attribute is not there.' },
    {
      html: '<img src="a.jpg" alt="Plan of the rooms" usemap="#m"><map name="m"><area href="x.html" alt=""></map>',
      evidence: 'The area that leads to “x.html” has an empty alt text.',
    },
    {
      html: '<svg role="img"><path d="M0 0h9"/></svg>',
      evidence: 'The svg says that it is a picture, and has no label.',
    },
    { html: '<svg role="img"><title>Bell</title></svg>', evidence: null },
    { html: '<i role="img" aria-label="Bell"></i>', evidence: null },
    { html: '<img src="a.jpg" alt="">', evidence: null },
    { html: '<img src="a.jpg" title="Both choirs">', evidence: null },
    { html: '<img src="a.jpg" aria-label="Both choirs">', evidence: null },
    { html: '<img src="a.jpg" role="presentation">', evidence: null },
    { html: '<div aria-hidden="true"><img src="a.jpg"></div>', evidence: null },
    {
      html: '<div hidden><img src="a.jpg"></div>',
      evidence: 'The alt attribute is not there. It is hidden as the page is written.',
    },
  ],
};
