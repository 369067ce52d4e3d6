import { NOTHING_DECLARED } from './declared-slot';
import type { PlacementSurroundings } from './placement';

/** What is said of a place that no element of a page stands around. */
export const NOWHERE: PlacementSurroundings = {
  elementPath: '',
  thread: '',
  alt: null,
  name: '',
  caption: null,
  link: null,
  decorative: true,
  hidden: true,
  context: { headings: [], before: '', after: '', inFigure: false, group: null, meets: 0 },
  declared: NOTHING_DECLARED,
  words: { alt: null, addAttribute: null, caption: null },
};
