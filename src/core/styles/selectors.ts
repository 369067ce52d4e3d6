/**
 * Makes a rule's selectors ready to be asked "does this meet an element of that page?": states that come and go
 * (`:hover`) count as met, pseudo-elements stand for their element, nesting is written out.
 */
import { clone, generate, walk, type CssNode, type List, type Selector, type SelectorList } from 'css-tree';

/** Pseudo-classes that depend on what the reader does or on time, and old spellings of pseudo-elements. */
const STATES = new Set([
  'active', 'active-view-transition', 'after', 'autofill', 'before', 'blank', 'buffering', 'checked',
  'current', 'default', 'defined', 'dir', 'disabled', 'enabled', 'first-letter', 'first-line', 'focus',
  'focus-visible', 'focus-within', 'fullscreen', 'future', 'hover', 'in-range', 'indeterminate', 'invalid',
  'link', 'local-link', 'modal', 'muted', 'open', 'optional', 'out-of-range', 'past', 'paused',
  'picture-in-picture', 'placeholder-shown', 'playing', 'popover-open', 'read-only', 'read-write', 'required',
  'seeking', 'stalled', 'state', 'target', 'target-current', 'target-within', 'user-invalid', 'user-valid',
  'valid', 'visited', 'volume-locked',
]); // oxfmt-ignore

const isPassing = (node: CssNode): boolean =>
  node.type === 'PseudoElementSelector' ||
  (node.type === 'PseudoClassSelector' &&
    (STATES.has(node.name.toLowerCase()) || node.name.startsWith('-') || isNegatedState(node)));

/** `:not(:hover)` is met whenever nobody points at it. */
function isNegatedState(node: CssNode): boolean {
  if (node.type !== 'PseudoClassSelector' || node.name.toLowerCase() !== 'not' || !node.children)
    return false;
  let states = false;
  walk(node.children.first ?? node, (inner) => {
    if (inner !== node && isPassing(inner)) states = true;
  });
  return states;
}

function strip(children: List<CssNode>): void {
  let compound = 0;
  children.forEach((node, item) => {
    if (node.type === 'Combinator') {
      compound = 0;
      return;
    }
    if (isOfLinks(node)) {
      // Whether it was followed is a state; that it is a link is none.
      item.data = { type: 'PseudoClassSelector', name: 'any-link', children: null };
      compound++;
      return;
    }
    if (!isPassing(node)) {
      compound++;
      if (node.type === 'PseudoClassSelector') node.children?.forEach((list) => stripList(list, node.name));
      return;
    }
    const next = item.next?.data;
    const endsCompound = !next || next.type === 'Combinator';
    if (compound === 0 && endsCompound) {
      item.data = { type: 'TypeSelector', name: '*' };
      compound++;
    } else {
      children.remove(item);
    }
  });
}

const isOfLinks = (node: CssNode): boolean =>
  node.type === 'PseudoClassSelector' && /^(?:link|visited)$/iu.test(node.name);

function stripList(list: CssNode, of: string): void {
  if (list.type !== 'SelectorList') return;
  if (FORGIVING.test(of)) dropPseudoElements(list.children);
  list.children.forEach((selector) => {
    if (selector.type === 'Selector') strip(selector.children);
  });
}

/** Lists of which browsers leave out what they do not understand, and no more (Selectors 4, §18.1). */
const FORGIVING = /^(?:is|where)$/iu;

/** No pseudo-element may be one of a list: where others are, it is left out. */
function dropPseudoElements(selectors: List<CssNode>): void {
  selectors.forEach((selector, item) => {
    const isOne =
      selector.type === 'Selector' && selector.children.some((part) => part.type === 'PseudoElementSelector');
    if (isOne && selectors.size > 1) selectors.remove(item);
  });
}

/**
 * A selector written out against its outer rule: `&` stands for it, and is understood where it is missing. Outside of all rules it
 * stands for the whole page (CSS Nesting 1, §4).
 */
function unnest(selector: Selector, outer: readonly string[]): string {
  const parent = outer.length > 1 ? `:is(${outer.join(',')})` : (outer[0] ?? ':root');
  let isNested = false;
  walk(selector, (node, item) => {
    if (node.type !== 'NestingSelector') return;
    isNested = true;
    item.data = { type: 'Raw', value: parent };
  });
  const own = generate(selector);
  if (isNested || outer.length === 0) return own;
  return /^[>+~]/.test(own) ? `${parent}${own}` : `${parent} ${own}`;
}

/**
 * The selectors of a rule as texts, states taken out.
 *
 * @param outer the selectors of the rule around it, already written out
 */
export function writtenSelectors(prelude: SelectorList, outer: readonly string[] = []): string[] {
  const written: string[] = [];
  const list = clone(prelude) as SelectorList;
  list.children.forEach((selector) => {
    if (selector.type !== 'Selector') return;
    strip(selector.children);
    written.push(unnest(selector, outer));
  });
  return written;
}
