import type { PlacementToCheck } from '../page-to-check';
import { bareText } from './alike';

/** Whether a text stands where readers of the page meet it: in the alt text, the caption, the link or what is around. */
export function isToldBeside({ alt, name, caption, link, context }: PlacementToCheck, text: string): boolean {
  const around = [alt, caption, name, link?.text, context.before, context.after, ...context.headings];
  const words = bareText(text);
  return words === '' || around.some((one) => ` ${bareText(one ?? '')} `.includes(` ${words} `));
}

/** Whether an alt text is the title that the figure has in the text: “Figure 7.25. How to use a gradient”. */
export function isTitleOfFigure({ alt, context }: PlacementToCheck): boolean {
  const title = bareText(alt ?? '');
  if (!title.includes(' ')) return false;
  return [context.before, context.after, context.entry].some((text) => {
    const words = ` ${bareText(text ?? '')} `;
    const at = words.indexOf(` ${title} `);
    return at > 0 && FIGURE_BEFORE.test(words.slice(0, at));
  });
}

const FIGURE_BEFORE =
  /(?<!\p{L})(?:figures?|fig|abb|abbildung|figura|tab|table|tabelle|tableau|tabla)(?: \d+)+$/u;
