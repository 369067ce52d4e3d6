import { isCameraName } from '../../../picture/title-from-name';
import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';

const ENDING =
  /^[^\s/]+\.(?:jpe?g|jfif|png|gif|webp|avif|svg|bmp|tiff?|heic|ico)$|[^\s/]+[_-][^\s/]*\.(?:jpe?g|png|gif|webp)$/iu;
/** Nobody writes a sentence with underscores, or with hyphens and digits and no blank. */
const WRITTEN_BY_MACHINE = /^[\p{L}\d]+(?:[_-][\p{L}\d]+)+$/u;

const bareName = (path: string) => (path.split('/').at(-1) ?? path).replace(/\.\w{2,5}$/u, '');

/** Whether a text is the name of a file rather than words: by its ending, by a camera’s way of naming, or word for word. */
function isFileName(text: string, raw: string): boolean {
  if (ENDING.test(text) || (isCameraName(text) && !/^\d{1,7}$/u.test(text))) return true;
  return (
    WRITTEN_BY_MACHINE.test(text) && /[_\d]/u.test(text) && text.toLowerCase() === bareName(raw).toLowerCase()
  );
}

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
    { html: '<img src="flute.jpg" alt="Flute">', evidence: null },
    { html: '<img src="1.png" alt="1">', evidence: null },
    { html: '<img src="open-day.jpg" alt="Open day">', evidence: null },
    { html: '<img src="a.jpg" alt="Screenshot of the menu with the file notes.txt open">', evidence: null },
  ],
};
