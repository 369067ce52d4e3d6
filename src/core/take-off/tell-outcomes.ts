/** Says of each place of a page what a plan makes of it. */
import { attributeText, type Element } from '../markup/attribute-value';
import { captionElement } from '../markup/caption';
import { isElement, textOf } from '../markup/node-text';
import { nothingRemembered } from '../markup/remembered';
import type { Span } from '../source/span';
import type { Outcome, Remark, WentAlong } from './outcome';
import type { PagePlan } from './plan-page';
import { hasContent } from './rising';
import { parentOf } from './written-tree';

export const tellOutcomes = (plan: PagePlan, spots: readonly Span[]): Outcome[] =>
  spots.map(({ start }) => ({ start, ...NOTHING, ...outcomeAt(plan, start) }));

const NOTHING = { refused: null, wentAlong: [], remarks: [], link: null, words: '' };

function outcomeAt(plan: PagePlan, start: number): Partial<Outcome> {
  const { elementOf, targets, gone, unwrapped, muted, nested } = plan;
  const element = elementOf.get(start);
  const target = element && targets.get(element);
  if (!element || !target) return { refused: 'not found' };
  if (target.does === 'refuse') return { refused: target.why };
  if (muted.has(element)) return { refused: 'button without words' };
  if (target.does === 'within') return nested.get(start) ?? { refused: 'tangled' };
  if (target.does === 'submit') return { remarks: ['its words instead'] };
  if (unwrapped.has(element)) {
    return { remarks: hasContent(element, gone) ? ['link taken from its words'] : [] };
  }
  const outermost = outermostGone(element, gone);
  if (outermost) return wentWith(plan, element, outermost);
  return { remarks: target.does === 'cut' && target.undresses ? ['space stays'] : [] };
}

function outermostGone(element: Element, gone: ReadonlySet<Element>): Element | null {
  let outermost: Element | null = null;
  for (let at: Element | null = element; at; at = parentOf(at)) if (gone.has(at)) outermost = at;
  return outermost;
}

function wentWith({ gone, spoken }: PagePlan, element: Element, outermost: Element): Partial<Outcome> {
  const remarks: Remark[] = [];
  if (spoken.has(element)) remarks.push('its words instead');
  if (leavesHeadingAlone(outermost, gone)) remarks.push('heading left alone');
  const caption = captionElement({ remembered: nothingRemembered() }, element, null);
  const isApart = caption !== null && gone.has(caption) && outermostGone(caption, gone) !== outermost;
  const words = [outermost, ...(isApart ? [caption] : [])].map((one) => textOf(one, { limit: 300 }));
  const wentAlong = namesBetween(element, outermost);
  if (caption && gone.has(caption)) wentAlong.add('caption');
  if (attributeText(element, 'usemap')) wentAlong.add('image map');
  return {
    remarks,
    wentAlong: [...wentAlong],
    link: linkGone(element, gone),
    words: words.filter(Boolean).join(' '),
  };
}

/** What goes between a picture and the outermost element that goes with it, both included. */
function namesBetween(element: Element, outermost: Element): Set<WentAlong> {
  const names = new Set<WentAlong>();
  for (let at: Element | null = element; at && at !== outermost;) {
    at = parentOf(at);
    const name = at && NAMES[at.tagName];
    if (name) names.add(name);
    if (at?.tagName === 'figure' && textOf(at) !== '') names.add('caption');
  }
  return names;
}

function linkGone(element: Element, gone: ReadonlySet<Element>): string | null {
  for (let at: Element | null = element; at; at = parentOf(at))
    if (at.tagName === 'a' && gone.has(at)) return attributeText(at, 'href');
  return null;
}

/** Whether what goes was all that stood between a heading and the next of its level. */
function leavesHeadingAlone(outermost: Element, gone: ReadonlySet<Element>): boolean {
  const siblings = (parentOf(outermost)?.childNodes ?? []).filter(isElement);
  const at = siblings.indexOf(outermost);
  const before = siblings.slice(0, at).findLast((one) => !gone.has(one))?.tagName ?? '';
  const after = siblings.slice(at).find((one) => !gone.has(one))?.tagName;
  if (!HEADING.test(before)) return false;
  return after === undefined || (HEADING.test(after) && after <= before);
}

const HEADING = /^h[1-6]$/u;

const NAMES: Readonly<Record<string, WentAlong>> = {
  a: 'link', figure: 'figure', li: 'list item', dt: 'list item', dd: 'list item', ul: 'list', ol: 'list', dl: 'list',
  p: 'paragraph', div: 'box', section: 'box', article: 'box', aside: 'box', tr: 'table row', table: 'table', button: 'button',
  h1: 'heading', h2: 'heading', h3: 'heading', h4: 'heading', h5: 'heading', h6: 'heading',
}; // oxfmt-ignore
