/**
 * Tells which elements of a page style sheets keep from readers' eyes: not displayed, not visible, clipped to nothing, moved
 * off the screen. For a wide screen and at rest: what only printing, a narrow window or a pointer brings about is left out.
 */
import { generate, walk, type Atrule, type CssNode, type Declaration, type WalkContext } from 'css-tree';
import { attributeText, type Element } from '../markup/attribute-value';
import type { PageTree } from '../markup/page-tree';
import { eachMeeting, type Selecting } from './match-elements';
import { parseCss } from './parse-css';

/** What may hide an element, each decided by the declaration that wins for it. */
type Means = 'display' | 'visibility' | 'place';

/** A rule that hides, or shows what another one hides. */
export interface HidingRule extends Selecting {
  readonly means: Means;
  readonly hides: boolean;
  readonly isImportant: boolean;
}

const WORTH_READING = /display|visibility|clip|indent|opacity|font-size|left|top|right|overflow/iu;
const PASSING =
  /:(?:hover|focus|active|target|checked|open|visited)|::|:(?:before|after|first-letter|first-line)\b/iu;
/** Selectors that are met by more than browsers let them meet: rather shown than missed, and so not hidden by them. */
const MET_BY_MORE = /:host\b|\sof(?![\w-])/iu;

/** The rules of a style sheet that hide elements, or show them. Never throws. */
export function readHiding(text: string): HidingRule[] {
  if (!WORTH_READING.test(text)) return [];
  const rules: HidingRule[] = [];
  const tree = parseCss(text, { parseAtrulePrelude: true, parseCustomProperty: false });
  walk(tree, {
    visit: 'Rule',
    enter(this: WalkContext, node: CssNode) {
      if (node.type !== 'Rule' || node.prelude.type === 'Raw') return;
      if (this.atrule && !isForScreens(this.atrule)) return;
      const selectors = node.prelude.children.toArray().map((one) => generate(one));
      const atRest = selectors.filter(
        (one) => !PASSING.test(one) && !MET_BY_MORE.test(one) && !one.includes('&'),
      );
      if (atRest.length === 0) return;
      for (const one of verdictsOf(node.block)) rules.push({ selectors: atRest, ...one });
    },
  });
  return rules;
}

/** Whether what stands in an at-rule holds on a wide screen. */
function isForScreens({ name, prelude }: Atrule): boolean {
  const kind = name.toLowerCase();
  if (kind === 'supports' || kind === 'layer') return true;
  if (kind !== 'media') return false;
  const query = prelude ? generate(prelude).toLowerCase() : '';
  return query
    .split(',')
    .some((one) => !/print|max-(?:device-)?width|<|speech|prefers|orientation:portrait|not /u.test(one));
}

interface Verdict {
  readonly means: Means;
  readonly hides: boolean;
  readonly isImportant: boolean;
}

function verdictsOf(block: CssNode): Verdict[] {
  const declared = new Map<string, Declaration>();
  walk(block, (node) => {
    if (node.type === 'Declaration') declared.set(node.property.toLowerCase(), node);
  });
  const verdicts: Verdict[] = [];
  const value = (property: string): string => {
    const declaration = declared.get(property);
    return declaration ? generate(declaration.value).toLowerCase() : '';
  };
  const isImportant = (property: string) => Boolean(declared.get(property)?.important);
  if (declared.has('display'))
    verdicts.push({
      ...{ means: 'display', hides: value('display') === 'none', isImportant: isImportant('display') },
    });
  if (declared.has('visibility'))
    verdicts.push({
      means: 'visibility',
      hides: /^(?:hidden|collapse)$/u.test(value('visibility')),
      isImportant: isImportant('visibility'),
    });
  const place = PLACING.find((property) => declared.has(property));
  if (place) verdicts.push({ means: 'place', hides: isOutOfSight(value), isImportant: isImportant(place) });
  return verdicts;
}

const PLACING = ['clip', 'clip-path', 'text-indent', 'left', 'right', 'top', 'opacity', 'font-size', 'overflow', 'position'] as const; // oxfmt-ignore
const FAR = /^-\d{3,}(?:\.\d+)?(?:px|em|rem|vw|%)?$/u;
const NOTHING = /^0*\.?0+(?:px|em|rem|%)?$/u;

function isOutOfSight(value: (property: string) => string): boolean {
  const isLifted = /absolute|fixed/u.test(value('position'));
  if (isLifted && ['left', 'top', 'right', 'margin-left', 'margin-top'].some((one) => FAR.test(value(one))))
    return true;
  if (isLifted && /^rect\((?:[01](?:px)?[\s,]*){4}\)$/u.test(value('clip'))) return true;
  if (/^inset\((?:50|100)%/u.test(value('clip-path'))) return true;
  if (FAR.test(value('text-indent'))) return true;
  if (NOTHING.test(value('opacity')) || NOTHING.test(value('font-size'))) return true;
  const isTiny = ['width', 'height'].every((side) => /^[01](?:px)?$/u.test(value(side)));
  return isTiny && /hidden|clip/u.test(value('overflow'));
}

/** What a `style` attribute says of its element. */
function ownVerdicts(element: Element): Verdict[] {
  const written = attributeText(element, 'style');
  if (!written || !WORTH_READING.test(written)) return [];
  return verdictsOf(parseCss(written, { context: 'declarationList' }));
}

/**
 * The elements of a page that are hidden themselves; what stands in them is hidden with them.
 *
 * @param sheets the rules of the sheets that the page uses, in their order
 */
export function hiddenElements(
  tree: PageTree,
  sheets: readonly (readonly HidingRule[])[],
): ReadonlySet<Element> {
  const winners = new Map<Element, Map<Means, { readonly hides: boolean; readonly rank: number }>>();
  const judge = (element: Element, { means, hides, isImportant }: Verdict, weight: number) => {
    const rank = (isImportant ? IMPORTANT : 0) + weight;
    const own = winners.get(element) ?? new Map<Means, { hides: boolean; rank: number }>();
    winners.set(element, own);
    if ((own.get(means)?.rank ?? -1) <= rank) own.set(means, { hides, rank });
  };
  for (const rules of sheets) {
    if (rules.length === 0) continue;
    eachMeeting(rules, tree, {
      onMeet: (rule, at, selector) => judge(tree.elements[at] as Element, rule, specificity(selector)),
    });
  }
  const hidden = new Set<Element>();
  for (const element of tree.elements) {
    for (const verdict of ownVerdicts(element)) judge(element, verdict, WRITTEN_IN_PLACE);
    const own = winners.get(element);
    const isDisplayed = own?.get('display');
    const isAttribute = attributeText(element, 'hidden') !== null && isDisplayed?.hides !== false;
    if (isAttribute || (own && [...own.values()].some(({ hides }) => hides))) hidden.add(element);
  }
  return hidden;
}

const IMPORTANT = 1e9;
const WRITTEN_IN_PLACE = 1e8;

/** Selectors Level 4, §17, by counting: ids, then classes, attributes and pseudo-classes, then types. */
function specificity(selector: string): number {
  const ids = selector.match(/#[\w-]/gu)?.length ?? 0;
  const classes = selector.match(/\.[\w-]|\[|:(?!not|is|where)[\w-]/gu)?.length ?? 0;
  const types = selector.match(/(?:^|[\s>+~(])[a-z][\w-]*/giu)?.length ?? 0;
  return ids * 1e6 + classes * 1e3 + types;
}
