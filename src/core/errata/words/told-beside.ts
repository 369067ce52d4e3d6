import type { PlacementToCheck } from '../page-to-check';
import { bareText } from './alike';

/** Whether a text stands where readers of the page meet it: in the alt text, the caption, the link or what is around. */
export function isToldBeside({ alt, name, caption, link, context }: PlacementToCheck, text: string): boolean {
  const around = [alt, caption, name, link?.text, context.before, context.after, ...context.headings];
  const words = bareText(text);
  return words === '' || around.some((one) => ` ${bareText(one ?? '')} `.includes(` ${words} `));
}
