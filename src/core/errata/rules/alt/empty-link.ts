import { isOnlyContent } from '../../alt-branch';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';

export const emptyLink: Rule = {
  id: 'alt/empty-link',
  degree: 'must',
  level: 'read',
  title: 'A link has nothing but this picture, and its alt text is empty',
  why: 'The link has no name: a screen reader reads its address, and a person can’t know where it leads.',
  remedy: 'Say in the alt text where the link leads.',
  standard: 'WCAG 2.2, 2.4.4 and 4.1.2; F89',
  applies: isPicture,
  check: ({ alt, name, link, kind }, { page }) => {
    if (kind === 'input' || alt?.trim() !== '' || name !== '' || !link || !isOnlyContent(link)) return null;
    // Several pictures of one link: it has a name if one of them has.
    const beside = page.placements.some(
      (other) =>
        other.bearsWords && other.link?.href === link.href && other.link.text === '' && other.name !== '',
    );
    return beside ? null : { evidence: `The link leads to “${link.href}”.`, branch: 'functional' };
  },
  examples: [
    { html: '<a href="x.html"><img src="a.jpg" alt=""></a>', evidence: 'The link leads to “x.html”.' },
    { html: '<a href="x.html"><img src="a.jpg" alt=""> Lessons</a>', evidence: null },
    { html: '<a href="x.html" title="Lessons"><img src="a.jpg" alt=""></a>', evidence: null },
    { html: '<a href="x.html"><img src="a.jpg" alt="Lessons"></a>', evidence: null },
    { html: '<img src="a.jpg" alt="">', evidence: null },
  ],
};
