import { altBranch } from '../../alt-branch';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';

export const absent: Rule = {
  id: 'alt/absent',
  degree: 'must',
  level: 'read',
  title: 'It has no alt text',
  why: 'A screen reader can only spell the file’s name; nobody who can’t see the picture knows what it is.',
  remedy: 'Say in a few words what it shows here, or mark it as decoration with an empty alt text.',
  standard: 'WCAG 2.2, 1.1.1; F65',
  applies: isPicture,
  check: (placement) => {
    const { alt, name, decorative, kind } = placement;
    // A name given by a label or a title is one. An alt text of blanks alone is none, and is no empty one either.
    const isBlank = alt !== null && alt !== '' && alt.trim() === '' && !decorative;
    const isAbsent = alt === null && name === '' && !decorative;
    const isButton = kind === 'input' && name === '';
    if (!isBlank && !isAbsent && !isButton) return null;
    const evidence = isBlank
      ? 'The alt text holds nothing but blanks.'
      : isButton && alt !== null
        ? 'The alt text of the button is empty.'
        : 'The alt attribute is not there.';
    return { evidence, branch: altBranch(placement) };
  },
  examples: [
    { html: '<img src="a.jpg">', evidence: 'The alt attribute is not there.' },
    { html: '<img src="a.jpg" alt=" ">', evidence: 'The alt text holds nothing but blanks.' },
    { html: '<input type="image" src="go.png">', evidence: 'The alt attribute is not there.' },
    { html: '<input type="image" src="go.png" alt="">', evidence: 'The alt text of the button is empty.' },
    { html: '<a href="x.html"><img src="a.jpg"> Lessons</a>', evidence: 'The alt attribute is not there.' },
    { html: '<img src="a.jpg" alt="">', evidence: null },
    { html: '<img src="a.jpg" title="Both choirs">', evidence: null },
    { html: '<img src="a.jpg" aria-label="Both choirs">', evidence: null },
    { html: '<img src="a.jpg" role="presentation">', evidence: null },
    { html: '<div aria-hidden="true"><img src="a.jpg"></div>', evidence: null },
    { html: '<div hidden><img src="a.jpg"></div>', evidence: null },
  ],
};
