/** Recognises that a picture stands in a row of like items: list entries, figures, table cells, sibling links. */
import type { Element } from './attribute-value';
import { elementPath } from './element-path';
import { PlacesInRow } from './long-row';
import { isElement } from './node-text';
import type { PageTree } from './page-tree';
import type { LikeChildren } from './remembered';
import type { GroupAround } from './placement';

/** Children of a tag name that hold exactly one picture each; remembered, so long rows stay linear. */
function likeChildren({ remembered: { groups } }: PageTree, parent: Element, tag: string): LikeChildren {
  let byTag = groups.get(parent);
  if (!byTag) {
    byTag = new Map();
    groups.set(parent, byTag);
  }
  let like = byTag.get(tag);
  if (!like) {
    const children = parent.childNodes.filter(
      (child): child is Element => isElement(child) && child.tagName === tag && holdsOnePicture(child),
    );
    like = { path: children.length >= 2 ? elementPath(parent) : '', places: new PlacesInRow(children) };
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
export function groupAround(tree: PageTree, element: Element): GroupAround | null {
  let at = element;
  for (let level = 0; level < 5; level++) {
    const parent = at.parentNode;
    if (!parent || !isElement(parent) || parent.tagName === 'html') return null;
    const like = likeChildren(tree, parent, at.tagName);
    const { length: size } = like.places.row;
    if (size >= 2) {
      const index = like.places.indexOf(at) + 1;
      return index === 0 ? null : { path: like.path, index, size };
    }
    at = parent;
  }
  return null;
}
