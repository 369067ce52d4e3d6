/** What of an element goes with the references that are taken off it: the element, an attribute, or a part of one. */
import { attributeText, locateAttribute, type Element } from '../markup/attribute-value';
import { isElement } from '../markup/node-text';
import { insideOf } from '../markup/inside';
import { nestedPart, type NestedPart } from '../markup/nested-part';
import type { PageTree } from '../markup/page-tree';
import type { WrittenAttribute } from '../markup/start-tag';
import type { Span } from '../source/span';
import { cutsInList } from './in-attribute';
import { cutsInJson } from './in-json';
import { cutsInStyle } from './in-style';
import type { Refusal } from './outcome';
import { attributeRange, parentOf, type WrittenTree } from './written-tree';

/** The references of one element that are taken off, by attribute; the empty name stands for what is between its tags. */
export interface Chosen {
  readonly element: Element;
  readonly byName: ReadonlyMap<
    string,
    { readonly written: WrittenAttribute | null; readonly spots: readonly Span[] }
  >;
}

export type Cut = Span & { readonly becomes: string };

/** What to do to an element. */
export type Target =
  | { readonly does: 'go'; readonly along?: readonly Element[] }
  | { readonly does: 'unlink' }
  | { readonly does: 'submit'; readonly words: string }
  | { readonly does: 'cut'; readonly cuts: readonly Cut[]; readonly undresses: boolean }
  | { readonly does: 'within'; readonly part: NestedPart; readonly spots: readonly Span[] }
  | { readonly does: 'refuse'; readonly why: Refusal };

/** Attributes in which the picture waits that an `img` is to show. */
const WAITING = ['data-src', 'data-lazy-src', 'data-original', 'data-lazy', 'data-srcset', 'data-lazy-srcset', 'data-original-set']; // oxfmt-ignore

export function targetOf(tree: WrittenTree, chosen: Chosen): Target {
  const { element, byName } = chosen;
  switch (element.tagName) {
    case 'img':
      return ofPicture(tree, chosen);
    case 'source':
      return byName.has('src') ? { does: 'go' } : goOrCut(tree, chosen);
    case 'input':
      return ofInput(element, byName.has('src')) ?? cutAll(tree, chosen);
    case 'image':
    case 'feimage':
    case 'feImage':
    case 'use':
    case 'embed':
      return { does: 'go' };
    case 'object':
      return byName.has('data') ? { does: 'go' } : cutAll(tree, chosen);
    case 'video':
    case 'audio':
      return byName.has('src') ? { does: 'go' } : cutAll(tree, chosen);
    case 'link':
      return byName.has('href') ? { does: 'go' } : goOrCut(tree, chosen);
    case 'meta':
      return { does: 'go', along: describing(element) };
    case 'a':
      return byName.has('href') || byName.has('xlink:href') ? { does: 'unlink' } : cutAll(tree, chosen);
    case 'area':
      return { does: 'go' };
    case 'script':
    case 'style':
    case 'noscript':
      return ofInside(tree, chosen);
    case 'iframe': {
      const part = nestedPart(tree as unknown as PageTree, element);
      const spots = byName.get('srcdoc')?.spots;
      return part && spots ? { does: 'within', part, spots } : cutAll(tree, chosen);
    }
    default:
      return cutAll(tree, chosen);
  }
}

function ofPicture(tree: WrittenTree, chosen: Chosen): Target {
  const { element, byName } = chosen;
  const waits = WAITING.filter((name) => attributeText(element, name)?.trim());
  const isWaitingChosen = waits.some((name) => byName.has(name));
  if (byName.has('src')) {
    // A lazy picture's stand-in is in hundreds of places, and none of them is about it.
    return waits.length > 0 && !isWaitingChosen ? { does: 'refuse', why: 'stand-in' } : { does: 'go' };
  }
  if (waits.some((name) => byName.has(name) && isWhole(tree, chosen, name))) return { does: 'go' };
  if (byName.has('srcset') && attributeText(element, 'src') === null && isWhole(tree, chosen, 'srcset')) {
    return { does: 'go' };
  }
  return cutAll(tree, chosen);
}

/** Whether nothing of an attribute would be left. */
function isWhole(tree: WrittenTree, { element, byName }: Chosen, name: string): boolean {
  const spots = byName.get(name)?.spots ?? [];
  if (!name.endsWith('set')) return spots.length > 0;
  const value = locateAttribute(tree, element, name);
  return value !== null && cutsInList(value.value, startsIn(value, spots)) === null;
}

function goOrCut(tree: WrittenTree, chosen: Chosen): Target {
  const isAll = [...chosen.byName.keys()].every((name) => isWhole(tree, chosen, name));
  return isAll ? { does: 'go' } : cutAll(tree, chosen);
}

function ofInput(element: Element, isChosen: boolean): Target | null {
  if (!isChosen) return null;
  const words = attributeText(element, 'alt')?.trim() || attributeText(element, 'value')?.trim();
  return words ? { does: 'submit', words } : { does: 'refuse', why: 'button without words' };
}

/** What follows a share picture and speaks of it alone: measures, type, alt text (The Open Graph protocol, structured properties). */
function describing(element: Element): Element[] {
  const name = nameOf(element);
  const root = name.replace(/:(?:url|secure_url|src)$/u, '');
  const along: Element[] = [];
  const siblings = parentOf(element)?.childNodes ?? [];
  const at = siblings.indexOf(element);
  for (const [step, isOther] of [
    [1, (other: string) => other === root],
    [-1, (other: string) => other === root && name === root],
  ] as const) {
    for (let i = at + step; i >= 0 && i < siblings.length; i += step) {
      const node = siblings[i];
      if (!isElement(node)) continue;
      if (node.tagName !== 'meta' || isOther(nameOf(node)) || !nameOf(node).startsWith(`${root}`)) break;
      if (step > 0 || name !== root) along.push(node);
    }
  }
  return along;
}

const nameOf = (element: Element): string =>
  (
    attributeText(element, 'property') ??
    attributeText(element, 'name') ??
    attributeText(element, 'itemprop') ??
    ''
  )
    .trim()
    .toLowerCase();

function ofInside(tree: WrittenTree, { element, byName }: Chosen): Target {
  const spots = byName.get('')?.spots;
  if (!spots) return { does: 'refuse', why: 'not found' };
  if (element.tagName === 'noscript') {
    const part = nestedPart(tree as unknown as PageTree, element);
    return part ? { does: 'within', part, spots } : { does: 'refuse', why: 'not found' };
  }
  const inside = insideOf(tree as unknown as PageTree, element);
  if (!inside) return { does: 'refuse', why: 'not found' };
  const moved = spots.map((spot) => inside.within(spot));
  const found: Cut[] =
    element.tagName === 'style'
      ? cutsInStyle(inside.text, moved)
      : cutsInJson(inside.text, moved).map((cut) => ({ ...cut, becomes: '' }));
  const cuts = found.map(({ start, end, becomes }) => ({ ...inside.spanOf(start, end), becomes }));
  return cuts.length > 0 ? { does: 'cut', cuts, undresses: false } : { does: 'refuse', why: 'not found' };
}

/** Cuts the references out of the attributes that hold them; an attribute that is left with nothing goes. */
function cutAll(tree: WrittenTree, { element, byName }: Chosen): Target {
  const cuts: Cut[] = [];
  let undresses = false;
  for (const [name, { written, spots }] of byName) {
    const value = locateAttribute(tree, element, name);
    if (!value || !written) continue;
    if (name === 'style' || /url\(/iu.test(value.value)) {
      undresses = true;
      const moved = startsIn(value, spots).map((start) => ({ start, end: start }));
      // Some attributes hold a value alone, without its property.
      const lead = name === 'style' ? '' : 'background:';
      const found = cutsInStyle(lead + value.value, moved.map(({ start }) => ({ start: start + lead.length, end: start }))); // oxfmt-ignore
      for (const { start, end, becomes } of found)
        cuts.push({ ...value.spanOf(start - lead.length, end - lead.length), becomes });
      continue;
    }
    const left = /set$/u.test(name) ? cutsInList(value.value, startsIn(value, spots)) : null;
    if (left) {
      for (const { start, end } of left) cuts.push({ ...value.spanOf(start, end), becomes: '' });
      continue;
    }
    cuts.push({ ...attributeRange(tree.text, written), becomes: '' });
    if (name === 'srcset' || name === 'imagesrcset') cuts.push(...sizesOf(tree, element, name));
    if (name === 'background' || name.startsWith('data-')) undresses = true;
  }
  return cuts.length > 0 ? { does: 'cut', cuts, undresses } : { does: 'refuse', why: 'not found' };
}

/** `sizes` says nothing without the list that it is for. */
function sizesOf(tree: WrittenTree, element: Element, name: string): Cut[] {
  const found = locateAttribute(tree, element, name === 'srcset' ? 'sizes' : 'imagesizes');
  return found ? [{ ...attributeRange(tree.text, found.written), becomes: '' }] : [];
}

/** Offsets of spots within a value's decoded characters. */
function startsIn(
  value: { readonly value: string; spanOf(from: number, to: number): Span },
  spots: readonly Span[],
): number[] {
  const wanted = new Set(spots.map(({ start }) => start));
  const starts: number[] = [];
  for (let at = 0; at < value.value.length && starts.length < wanted.size; at++) {
    if (wanted.has(value.spanOf(at, at).start)) starts.push(at);
  }
  return starts;
}
