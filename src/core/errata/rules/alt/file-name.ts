import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { isFileName } from '../../words/empty-texts';

export const fileName: Rule = {
  id: 'alt/file-name',
  degree: 'must',
  level: 'read',
  title: 'The alt text is the name of a file',
  why: 'A screen reader spells it letter by letter; it says nothing of what is shown.',
  remedy: 'Say in a few words what it shows here.',
  standard: 'WCAG 2.2, 1.1.1; F30',
  applies: hasAlt,
  check: (placement) => {
    const text = (placement.alt ?? '').trim();
    return isFileName(text, placement.raw)
      ? { evidence: `The alt text is “${text}”.`, branch: altBranch(placement) }
      : null;
  },
  examples: [
    {
      html: '<img src="img/cello-case_thumb.jpg" alt="cello-case_thumb.jpg">',
      evidence: 'The alt text is “cello-case_thumb.jpg”.',
    },
    { html: '<img src="d.jpg" alt="IMG_3381">', evidence: 'The alt text is “IMG_3381”.' },
    { html: '<img src="d.jpg" alt="DSC_0417.jpg">', evidence: 'The alt text is “DSC_0417.jpg”.' },
    { html: '<img src="img/hall_2019.png" alt="hall_2019">', evidence: 'The alt text is “hall_2019”.' },
    {
      html: '<img src="220px-Choir_on_stage.jpg" alt="Choir on stage.jpg">',
      evidence: 'The alt text is “Choir on stage.jpg”.',
    },
    { html: '<img src="flute.jpg" alt="Flute">', evidence: null },
    { html: '<img src="1.png" alt="1">', evidence: null },
    { html: '<img src="a.jpg" alt="Photo 3">', evidence: null },
    { html: '<img src="open-day.jpg" alt="Open day">', evidence: null },
    { html: '<img src="a.jpg" alt="Screenshot of the menu with the file notes.txt open">', evidence: null },
  ],
};
