import { isOnlyContent } from '../../alt-branch';
import { isPicture } from '../../places';
import { onceFor } from '../../once-for';
import type { PageToCheck } from '../../page-to-check';
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
  check: ({ decorative, alt, link, kind }, { page }) => {
    // An anchor without an address is no link, and a picture without any alt text is another rule’s.
    if (kind === 'input' || alt === null || !decorative || !link?.href || !isOnlyContent(link)) return null;
    // Several pictures of one link: it has a name if one of them has.
    return namedLinks(page).has(link.href)
      ? null
      : { evidence: `The link leads to “${link.href}”.`, branch: 'functional' };
  },
  examples: [
    { html: '<a href="x.html"><img src="a.jpg" alt=""></a>', evidence: 'The link leads to “x.html”.' },
    { html: '<a href="x.html"><img src="a.jpg" alt=""> Lessons</a>', evidence: null },
    { html: '<a href="x.html" title="Lessons"><img src="a.jpg" alt=""></a>', evidence: null },
    { html: '<a href="x.html"><img src="a.jpg" alt="Lessons"></a>', evidence: null },
    { html: '<img src="a.jpg" alt="">', evidence: null },
    { html: '<a name="top"><img src="a.jpg" alt=""></a>', evidence: null },
    {
      html: '<a href="x.html"><img src="a.jpg" alt="Lessons" role="none"></a>',
      evidence: 'The link leads to “x.html”.',
    },
  ],
};

/** Where the links of a page lead that have nothing but pictures, one of which names them. */
const namedLinks = onceFor(
  (page: PageToCheck): ReadonlySet<string | null> =>
    new Set(
      page.placements.flatMap(({ bearsWords, link, decorative, name }) =>
        bearsWords && link?.text === '' && !decorative && name !== '' ? [link.href] : [],
      ),
    ),
);
