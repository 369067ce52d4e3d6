/** The line break that a picture leaves before or behind nothing. */
import type { Element } from '../markup/attribute-value';
import { isElement } from '../markup/node-text';
import { parentOf } from './written-tree';

/** A line break that would be left before or behind nothing. */
export function breakBeside(element: Element): Element | null {
  let whole = element;
  for (let parent = parentOf(whole); parent && INLINE.has(parent.tagName); parent = parentOf(whole)) {
    if (parent.childNodes.some((node) => node !== whole && !isBlankNode(node))) break;
    whole = parent;
  }
  const siblings = (parentOf(whole)?.childNodes ?? []).filter((node) => !isBlankNode(node));
  const at = siblings.indexOf(whole);
  const before = siblings[at - 1];
  const after = siblings[at + 1];
  const isBreak = (node: unknown): node is Element =>
    isElement(node as Element) && (node as Element).tagName === 'br';
  if (isBreak(after) && (before === undefined || isBreak(before))) return after;
  return after === undefined && isBreak(before) ? before : null;
}

const INLINE = new Set(['a', 'picture', 'span', 'b', 'i', 'em', 'strong', 'font', 'small']);

const isBlankNode = (node: { nodeName: string }): boolean =>
  node.nodeName === '#comment' ||
  (node.nodeName === '#text' && /^\s*$/u.test((node as unknown as { value: string }).value));
