import { isPicture } from '../../places';
import type { Rule } from '../../rule';

export const emptyButton: Rule = {
  id: 'alt/empty-button',
  degree: 'must',
  level: 'read',
  title: 'A button has nothing but this picture, and its alt text is empty',
  why: 'The button has no name: who listens hears that there is one, and not what it does.',
  remedy: 'Say in the alt text what the button does.',
  standard: 'WCAG 2.2, 1.1.1 and 4.1.2',
  applies: isPicture,
  check: ({ decorative, alt, context, link }) =>
    decorative && alt !== null && context.button === '' && !link
      ? { evidence: 'The button says nothing else, and has no label.', branch: 'functional' }
      : null,
  examples: [
    {
      html: '<button><img src="close.png" alt=""></button>',
      evidence: 'The button says nothing else, and has no label.',
    },
    {
      html: '<span role="button" tabindex="0"><img src="next.png" alt=""></span>',
      evidence: 'The button says nothing else, and has no label.',
    },
    { html: '<button><img src="close.png" alt=""> Close</button>', evidence: null },
    { html: '<button aria-label="Close"><img src="close.png" alt=""></button>', evidence: null },
    { html: '<button><img src="close.png" alt="Close"></button>', evidence: null },
    { html: '<button><img src="a.png" alt=""><img src="b.png" alt="Close"></button>', evidence: null },
  ],
};
