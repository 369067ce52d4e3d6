/**
 * The name that assistive technology gives a picture, and what kind of alternative it has.
 * https://www.w3.org/TR/accname-1.2/ in its order: labelledby, label, alt, title.
 * It does not take generated content or CSS visibility into account.
 */
import { attributeText, type Element } from './attribute-value';
import { collapse, isElement, textOf } from './node-text';
import type { PageTree } from './page-tree';

const byId = new WeakMap<PageTree, Map<string, Element>>();

function elementById(tree: PageTree, id: string): Element | undefined {
  let map = byId.get(tree);
  if (!map) {
    map = new Map();
    for (const element of tree.elements) {
      const own = attributeText(element, 'id');
      if (own && !map.has(own)) map.set(own, element);
    }
    byId.set(tree, map);
  }
  return map.get(id);
}

function labelledBy(tree: PageTree, element: Element): string {
  const ids = attributeText(element, 'aria-labelledby');
  if (!ids?.trim()) return '';
  const parts = ids
    .trim()
    .split(/\s+/)
    .map((id) => {
      const target = elementById(tree, id);
      if (!target) return '';
      return attributeText(target, 'aria-label') ?? textOf(target, { pictures: true });
    });
  return collapse(parts.join(' '));
}

/** Elements whose alt attribute means something. */
const TAKES_ALT = new Set(['img', 'input', 'area']);

/** The `title` that an SVG element has for a child (SVG-AAM 1.0, §5.1). */
function drawnTitle(element: Element): string {
  const title = element.childNodes.find(
    (child): child is Element => isElement(child) && child.tagName === 'title',
  );
  return title && element.namespaceURI === SVG ? textOf(title) : '';
}

const SVG = 'http://www.w3.org/2000/svg';

/** The accessible name of an element that shows a picture; empty where it has none. */
export function accessibleName(tree: PageTree, element: Element): string {
  const labelled = labelledBy(tree, element) || collapse(attributeText(element, 'aria-label') ?? '');
  if (labelled) return labelled;
  const alt = TAKES_ALT.has(element.tagName) ? attributeText(element, 'alt') : null;
  // A picture may say that it has no name; a button and an area that leads somewhere must have one.
  if (alt !== null && (collapse(alt) || (alt === '' && element.tagName === 'img'))) return collapse(alt);
  return drawnTitle(element) || collapse(attributeText(element, 'title') ?? '');
}

/** The accessible name of a link: its label, else what it contains, else its title. */
export function linkName(tree: PageTree, link: Element): string {
  return (
    labelledBy(tree, link) ||
    collapse(attributeText(link, 'aria-label') ?? '') ||
    textOf(link, { pictures: true }) ||
    collapse(attributeText(link, 'title') ?? '')
  );
}

/**
 * What a link, or a button, says besides one picture in it: its other text, else its label or title; empty where it says
 * nothing else.
 *
 * @param options.pictures whether the alt texts of other pictures in it count
 */
export function textBesideIn(
  tree: PageTree,
  link: Element,
  picture: Element,
  options: { readonly pictures?: boolean } = {},
): string {
  return (
    textOf(link, { ...options, without: picture, limit: LONGEST }) ||
    (
      labelledBy(tree, link) ||
      collapse(attributeText(link, 'aria-label') ?? '') ||
      collapse(attributeText(link, 'title') ?? '')
    ).slice(0, LONGEST)
  );
}

const LONGEST = 200;

/**
 * Whether a picture is marked as decoration: an empty alt text, or a role that takes it out of the tree. An alt text of
 * blanks alone is not empty; a button and an area do something whatever they say.
 */
export function isDecorative(element: Element): boolean {
  if (element.tagName === 'area' || element.tagName === 'input') return false;
  const role = attributeText(element, 'role')?.trim().toLowerCase().split(/\s+/)[0];
  if (role === 'presentation' || role === 'none') return true;
  return (
    element.tagName === 'img' &&
    attributeText(element, 'alt') === '' &&
    !attributeText(element, 'aria-label')?.trim() &&
    !attributeText(element, 'aria-labelledby')?.trim()
  );
}
