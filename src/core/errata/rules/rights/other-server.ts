import { parseUrl } from '../../../address/parse-url';
import type { PlacementKind } from '../../../markup/kinds/kind';
import type { Rule } from '../../rule';

/** Kinds of places whose file a reader's browser asks for when the page is opened. */
const LOADED = new Set<PlacementKind>([
  'img', 'input', 'poster', 'svg-image', 'object', 'embed', 'css', 'attribute-background', 'lazy', 'video', 'audio', 'icon',
]); // oxfmt-ignore

const HALL = 'https://pictures.example/hall.jpg';

export const otherServer: Rule = {
  id: 'rights/other-server',
  degree: 'should',
  level: 'read',
  title: 'The picture is loaded from another server',
  why: 'Whoever runs that server can change it or take it away, learns of each of your readers, and has seldom been asked.',
  remedy: 'Ask for it, or buy it, and put a copy of your own in its place; else take it off the page.',
  applies: ({ kind, dormant }) => LOADED.has(kind) && !dormant,
  check: ({ url }) => {
    const parsed = url === null ? null : parseUrl(url);
    if (!parsed || !/^https?:$/u.test(parsed.protocol)) return null;
    return { evidence: `It comes from ${parsed.host}.` };
  },
  examples: [
    { html: `<img src="${HALL}" alt="The hall">`, evidence: 'It comes from pictures.example.' },
    { html: `<p style="background:url(${HALL})">Words</p>`, evidence: 'It comes from pictures.example.' },
    { html: '<img src="hall.jpg" alt="The hall">', evidence: null },
    { html: '<img src="data:image/gif;base64,R0lGODlhAQABAAAAACw=" alt="">', evidence: null },
    { html: `<a href="${HALL}">Large</a>`, evidence: null },
  ],
};
