import { describe, expect, it } from 'vitest';
import { altBranch, isOnlyContent } from './alt-branch';
import { examplePage } from './example-page';

const branchOf = (html: string) => {
  const [placement] = examplePage({ html, evidence: null }).placements.filter(({ bearsWords }) => bearsWords);
  if (!placement) throw new Error(`no picture in ${html}`);
  return altBranch(placement);
};

describe('altBranch', () => {
  it.each([
    ['functional', '<a href="x.html"><img src="a.png" alt="Lessons"></a>'],
    ['functional', '<input type="image" src="go.png" alt="Go">'],
    ['functional', '<button><img src="go.png" alt="Go"></button>'],
    ['functional', '<div role="button"><img src="go.png" alt="Go"></div>'],
    ['decorative', '<button><img src="go.png" alt=""> Go</button>'],
    ['decorative', '<img src="line.gif" alt="">'],
    ['decorative', '<a href="x.html"><img src="a.png" alt=""> Lessons</a>'],
    ['complex', '<img src="floor-plan.png" alt="The ground floor">'],
    ['complex', '<img src="a.png" alt="Map of the river path">'],
    ['complex', '<figure><img src="a.png" alt="x"><figcaption>Timetable of the choirs</figcaption></figure>'],
    ['informative', '<img src="a.png" alt="Both choirs">'],
    ['informative', '<img src="a.png" alt="The mapmaker’s workshop">'],
  ])('is %s for %s', (branch, html) => expect(branchOf(html)).toBe(branch));

  it('takes a link with a label for one that says something', () => {
    expect(isOnlyContent({ href: 'x', text: '' })).toBe(true);
    expect(isOnlyContent({ href: 'x', text: 'Lessons' })).toBe(false);
    expect(isOnlyContent(null)).toBe(false);
  });
});
