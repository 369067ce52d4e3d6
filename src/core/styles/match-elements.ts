/**
 * Tells which elements of a page a style sheet's picture rules meet. Rules are filed under the id, class or tag
 * name that their last compound asks for, as browsers do, so that most elements are asked nothing.
 */
import { compile, type Options } from 'css-select';
import { isTraversal, parse, type PseudoSelector, type Selector } from 'css-what';
import { attributeText, type Element } from '../markup/attribute-value';
import { isElement, textOf, type Node } from '../markup/node-text';
import type { PageTree } from '../markup/page-tree';
import type { StyleReading, StyleReference } from './read-sheet';

type Test = (element: Element) => boolean;

interface FiledRule<R> {
  readonly test: Test;
  /** Whether it looks at the siblings of an element. */
  readonly isDear: boolean;
  readonly rule: R;
  readonly selector: string;
}

/** A sheet's rules, filed. */
interface FiledRules<R> {
  readonly byKey: ReadonlyMap<string, readonly FiledRule<R>[]>;
}

const adapter: NonNullable<Options<Node, Element>['adapter']> = {
  isTag: isElement,
  getAttributeValue: (element, name) => attributeText(element, name) ?? undefined,
  getChildren: (node) => ('childNodes' in node ? node.childNodes : []),
  getName: (element) => element.tagName,
  getParent: (element) => element.parentNode,
  getSiblings: (node) => ('parentNode' in node && node.parentNode ? node.parentNode.childNodes : [node]),
  getText: (node) => textOf(node),
  hasAttrib: (element, name) => element.attrs.some((attribute) => attribute.name === name),
  removeSubsets: (nodes) => nodes,
};

const filed = {
  quirks: new WeakMap<readonly Selecting[], FiledRules<Selecting>>(),
  strict: new WeakMap<readonly Selecting[], FiledRules<Selecting>>(),
};

/**
 * For each picture reference of a sheet that meets something on the page: the first element it meets, and how many.
 *
 * @param reading one sheet (its imports are the caller's business)
 */
export function matchSheet(
  reading: StyleReading,
  tree: PageTree,
): Map<StyleReference, { readonly at: number; readonly count: number }> {
  const met = new Map<StyleReference, { at: number; count: number }>();
  if (reading.references.length === 0) return met;
  eachMeeting(reading.references, tree, {
    isAsked: (reference) => (met.get(reference)?.count ?? 0) < MANY,
    onMeet(reference, at) {
      const known = met.get(reference);
      if (known) known.count++;
      else met.set(reference, { at, count: 1 });
    },
  });
  return met;
}

/** A rule of a style sheet: for which elements, as `writtenSelectors` writes them. */
export interface Selecting {
  readonly selectors: readonly string[];
}

/**
 * Goes through the elements of a page and tells which rules meet each.
 *
 * @param rules kept by the caller: they are filed once
 * @param how.isAsked whether a rule's further meetings matter
 * @param how.onMeet `at` is the element's place in `tree.elements`; a rule of several selectors may meet one twice
 */
export function eachMeeting<R extends Selecting>(
  rules: readonly R[],
  tree: PageTree,
  how: {
    readonly isAsked?: (rule: R) => boolean;
    readonly onMeet: (rule: R, at: number, selector: string) => void;
  },
): void {
  const { byKey } = fileRules(rules, tree.quirks);
  const { isAsked = () => true, onMeet } = how;
  let tests = MOST_TESTS;
  const ask = (key: string, at: number, element: Element) => {
    for (const { test, isDear, rule, selector } of byKey.get(key) ?? []) {
      if (tests <= 0) return;
      if (!isAsked(rule)) continue;
      tests -= isDear ? 1 + (element.parentNode?.childNodes.length ?? 0) / SIBLINGS_A_TEST : 1;
      if (test(element)) onMeet(rule, at, selector);
    }
  };
  for (let at = 0; at < tree.elements.length; at++) {
    const element = tree.elements[at] as Element;
    ask('*', at, element);
    ask(element.tagName.toLowerCase(), at, element);
    for (const { name, value } of element.attrs) {
      if (name === 'id') ask(`#${value.toLowerCase()}`, at, element);
      else if (name === 'class') {
        for (const token of value.toLowerCase().split(/\s+/)) if (token) ask(`.${token}`, at, element);
      }
    }
  }
}

/**
 * So many questions are asked of one page by one sheet, some seconds' worth. What is not asked any more counts as meeting
 * nothing: no page that people made comes near it.
 */
const MOST_TESTS = 1_000_000;
/** So many siblings that are looked at take as long as a question. */
const SIBLINGS_A_TEST = 10;
const LOOKS_AROUND = /:(?:nth|first|last|only)-|:has\(|[~+]/u;
/** Past this many elements a reference's count is not followed further: "many" is answer enough. */
const MANY = 1000;

function fileRules<R extends Selecting>(of: readonly R[], quirks: boolean): FiledRules<R> {
  const cache = (quirks ? filed.quirks : filed.strict) as WeakMap<readonly R[], FiledRules<R>>;
  const known = cache.get(of);
  if (known) return known;
  const byKey = new Map<string, FiledRule<R>[]>();
  const understood = new Map<string, Understood | null>();
  for (const one of of) {
    for (const selector of one.selectors) {
      if (!understood.has(selector)) understood.set(selector, understand(selector, quirks));
      const { test, key } = understood.get(selector) ?? {};
      if (!test || key === undefined) continue;
      const rule = { test, isDear: LOOKS_AROUND.test(selector), rule: one, selector };
      const filedThere = byKey.get(key);
      if (filedThere) filedThere.push(rule);
      else byKey.set(key, [rule]);
    }
  }
  const rules = { byKey };
  cache.set(of, rules);
  return rules;
}

interface Understood {
  readonly test: Test;
  /** What it is filed under. */
  readonly key: string;
}

/** A selector made ready, or `null` for one that browsers (or css-select) do not understand: its rule meets nothing. */
function understand(selector: string, quirks: boolean): Understood | null {
  return made(() => asked(parse(selector)), quirks) ?? made(() => asked(forgiven(parse(selector))), quirks);
}

function made(selectors: () => Selector[][], quirks: boolean): Understood | null {
  try {
    const parsed = selectors();
    const key = parsed.length === 1 ? keyOf(parsed[0] ?? []) : '*';
    return { test: compile<Node, Element>(parsed, { adapter, quirksMode: quirks }) as Test, key };
  } catch {
    // An unknown selector makes a browser drop its rule; the reference is then listed as dormant.
    return null;
  }
}

/** Without what is not understood in the lists of `:is()` and `:where()` (Selectors 4, §18.1, forgiving lists). */
function forgiven(selectors: readonly (readonly Selector[])[]): Selector[][] {
  return selectors.map((selector) =>
    selector.map((part): Selector => {
      if (part.type !== 'pseudo' || !Array.isArray(part.data)) return part;
      const data = forgiven(part.data);
      const isForgiving = part.name === 'is' || part.name === 'where';
      return { ...part, data: isForgiving ? data.filter((one) => made(() => asked([one]), false)) : data };
    }),
  );
}

/**
 * A selector as css-select understands it: namespaces are left out, since a name is one of HTML or of a drawing, and “the second
 * among those with `.x`” counts as any of those, since it does not count among some.
 */
function asked(selectors: readonly (readonly Selector[])[]): Selector[][] {
  return selectors.map((selector) =>
    withinShadow(selector).flatMap((part): Selector[] => {
      if (part.type === 'tag' || part.type === 'universal') return [{ ...part, namespace: null }];
      if (part.type !== 'pseudo') return [part];
      if (isHostPart(part)) return hostOf(part);
      if (Array.isArray(part.data)) return [{ ...part, data: asked(part.data) }];
      const among = NTH_CHILD.test(part.name) ? (part.data ?? '').split(/\sof(?![\w-])\s*/iu)[1] : undefined;
      return [among === undefined ? part : { ...part, name: 'is', data: asked(parse(among)) }];
    }),
  );
}

const isHostPart = (part: Selector) => part.type === 'pseudo' && /^host(?:-context)?$/iu.test(part.name);

/** What stands in the shadow tree of `:host` has no way up to it: it is asked for alone. */
function withinShadow(selector: readonly Selector[]): readonly Selector[] {
  const host = selector.findIndex(isHostPart);
  const within = selector.findIndex((part, at) => at > host && isTraversal(part));
  return host >= 0 && within >= 0 ? selector.slice(within + 1) : selector;
}

/** `:host`: what a shadow tree that is written in the page belongs to. */
function hostOf(part: PseudoSelector): Selector[] {
  const isHost = parse(':has(> template[shadowrootmode])')[0] ?? [];
  return Array.isArray(part.data) ? [...isHost, { ...part, name: 'is', data: asked(part.data) }] : isHost;
}

const NTH_CHILD = /^nth-(?:last-)?child$/iu;

/** The id, class or tag name that the last compound of a selector asks for, escapes read; `*` where it asks for none. */
function keyOf(selector: readonly Selector[]): string {
  const compound = selector.slice(selector.findLastIndex((part) => isTraversal(part)) + 1);
  let key = '*';
  for (const part of compound) {
    if (part.type === 'tag' && key === '*') key = part.name.toLowerCase();
    // Written as `#name` or `.name`: what is written in brackets is asked of every element.
    if (part.type !== 'attribute' || part.ignoreCase !== 'quirks') continue;
    if (part.name === 'id') key = `#${part.value.toLowerCase()}`;
    else if (part.name === 'class' && !key.startsWith('#')) key = `.${part.value.toLowerCase()}`;
  }
  return key;
}
