/** Recognises that a picture stands in a row of like items: list entries, figures, table cells, sibling links. */
import type { Element } from './attribute-value';
import { elementPath } from './element-path';
import { isElement } from './node-text';
import type { GroupAround } from './placement';

const groups = new WeakMap<Element, Map<string, readonly Element[]>>();

/** Children of a tag name that hold exactly one picture each, remembered so that long rows stay linear. */
function likeChildren(parent: Element, tag: string): readonly Element[] {
  let byTag = groups.get(parent);
  if (!byTag) {
    byTag = new Map();
    groups.set(parent, byTag);
  }
  let like = byTag.get(tag);
  if (!like) {
    like = parent.childNodes.filter(
      (child): child is Element => isElement(child) && child.tagName === tag && holdsOnePicture(child),
    );
    byTag.set(tag, like);
  }
  return like;
}

function holdsOnePicture(element: Element): boolean {
  let count = 0;
  const stack: Element[] = [element];
  for (let visited = 0; stack.length > 0 && visited < 40; visited++) {
    const next = stack.pop();
    if (!next) break;
    if (next.tagName === 'img') count++;
    for (const child of next.childNodes) if (isElement(child)) stack.push(child);
  }
  return count === 1;
}

/** The group that an element's picture belongs to, looking at most five ancestors up; `null` where it is alone. */
export function groupAround(element: Element): GroupAround | null {
  let at = element;
  for (let level = 0; level < 5; level++) {
    const parent = at.parentNode;
    if (!parent || !isElement(parent) || parent.tagName === 'html') return null;
    const like = likeChildren(parent, at.tagName);
    if (like.length >= 2) {
      const index = like.indexOf(at);
      return index < 0 ? null : { path: elementPath(parent), index: index + 1, size: like.length };
    }
    at = parent;
  }
  return null;
}
