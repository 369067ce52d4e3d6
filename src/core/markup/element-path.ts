/**
 * Where an element stands in the structure of its page, as a text that survives edits elsewhere on the page:
 * tag names with their number among siblings of that name, starting from the nearest `id`.
 */
import { attributeText, type Element } from './attribute-value';
import { longRow, MANY_SIBLINGS } from './long-row';
import { isElement } from './node-text';

const MAX_STEPS = 24;

/** 1 for the first of its tag name among its siblings. */
function ordinal(element: Element): number {
  const siblings = element.parentNode?.childNodes ?? [];
  if (siblings.length > MANY_SIBLINGS) return longRow(siblings).ordinal(element);
  let count = 0;
  for (const sibling of siblings) {
    if (sibling.nodeName === element.nodeName) count++;
    if (sibling === element) break;
  }
  return count;
}

/** For example `#gallery>li:3>a:1>img:1`. Very deep paths keep their innermost 24 steps. */
export function elementPath(element: Element): string {
  const steps: string[] = [];
  let at: Element | null = element;
  while (at && steps.length < MAX_STEPS) {
    const id: string | null = at === element ? null : attributeText(at, 'id');
    if (id) {
      steps.push(`#${id}`);
      break;
    }
    steps.push(`${at.tagName}:${ordinal(at)}`);
    const parent: Element['parentNode'] = at.parentNode;
    at = parent && isElement(parent) ? parent : null;
  }
  return steps.reverse().join('>');
}

/** An element's path, out of the name of one of its spots. */
export const elementOfSpot = (spot: string): string => spot.split('|', 1)[0] ?? spot;
