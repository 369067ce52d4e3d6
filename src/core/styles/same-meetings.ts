/** Tells whether a page's style sheets say the same of its elements after an edit that puts others in. */
import { walk, type CssNode, type Rule } from 'css-tree';
import type { Element } from '../markup/attribute-value';
import type { PageTree } from '../markup/page-tree';
import { eachMeeting, type Selecting } from './match-elements';
import { parseCss } from './parse-css';
import { writtenSelectors } from './selectors';

/** The rules of a style sheet, whatever they say, nesting written out. Never throws. */
export function readRules(text: string): Selecting[] {
  const rules: Selecting[] = [];
  const around: Selecting[] = [];
  walk(parseCss(text, { parseAtrulePrelude: false, parseValue: false }), {
    enter(node: CssNode) {
      if (node.type !== 'Rule') return;
      const rule = { selectors: selectorsOf(node, around.at(-1)?.selectors) };
      around.push(rule);
      if (rule.selectors.length > 0) rules.push(rule);
    },
    leave(node: CssNode) {
      if (node.type === 'Rule') around.pop();
    },
  });
  return rules;
}

/** Those of steps of an animation are none. */
const selectorsOf = ({ prelude }: Rule, outer: readonly string[] | undefined): string[] =>
  prelude.type === 'Raw' ? [] : writtenSelectors(prelude, outer);

/**
 * Whether every element of a page is met by the same rules before and after an edit, by the same selectors.
 *
 * @param rules of every sheet of the page, by sheet
 * @param isNew whether an element came with the edit; those are not compared
 */
export function areMeetingsTheSame(
  rules: readonly (readonly Selecting[])[],
  [before, after]: readonly [PageTree, PageTree],
  isNew: (element: Element) => boolean,
): boolean {
  const kept = after.elements.filter((element) => !isNew(element));
  const isSame =
    kept.length === before.elements.length &&
    kept.every(({ tagName }, at) => tagName === before.elements[at]?.tagName);
  if (!isSame) return false;
  return rules.every((sheet) => {
    const was = meetingsOf(sheet, before, before.elements);
    const is = meetingsOf(sheet, after, kept);
    return was.size === is.size && [...was].every((meeting) => is.has(meeting));
  });
}

/** Which rule meets which of some elements, each by its number, and by which selector: that is its weight. */
function meetingsOf(
  rules: readonly Selecting[],
  tree: PageTree,
  elements: readonly Element[],
): ReadonlySet<string> {
  const numbers = new Map(elements.map((element, at) => [element, at]));
  const names = new Map(rules.map((rule, at) => [rule, at]));
  const met = new Set<string>();
  eachMeeting(rules, tree, {
    onMeet(rule, at, selector) {
      const number = numbers.get(tree.elements[at] as Element);
      if (number !== undefined) met.add(`${names.get(rule)}:${number}:${selector}`);
    },
  });
  return met;
}
