/** Decides for each place of a page what goes with it, and what stays and is only changed. */
import { spliceText } from '../edit/splice-text';
import { attributeValue } from '../edit/write-value';
import { attributeText, locateAttribute, type Element } from '../markup/attribute-value';
import { captionElement } from '../markup/caption';
import { isElement } from '../markup/node-text';
import { nothingRemembered } from '../markup/remembered';
import type { WrittenAttribute } from '../markup/start-tag';
import type { SourceText } from '../source/decode-source';
import type { Span } from '../source/span';
import { breakBeside } from './break-beside';
import { namesCalled } from './names-called';
import type { Outcome, TakenOff } from './outcome';
import { hasContent, hasPicture, isWithin, rise } from './rising';
import { targetOf, type Chosen, type Cut, type Target } from './targets';
import { attributeRange, holderOf, parentOf, type WrittenTree } from './written-tree';

/** Pages within pages deeper than this are left alone. */
const MAX_NESTING = 4;

export interface PagePlan {
  readonly tree: WrittenTree;
  /** The element that each place is written in, by where its address begins. */
  readonly elementOf: ReadonlyMap<number, Element>;
  readonly targets: ReadonlyMap<Element, Target>;
  /** Elements that go, each with all that it holds. */
  readonly gone: ReadonlySet<Element>;
  /** Links of which only the tags go. */
  readonly unwrapped: ReadonlySet<Element>;
  /** Words in place of pictures that go. */
  readonly spoken: ReadonlyMap<Element, string>;
  /** Pictures that stay, because what holds them would say nothing. */
  readonly muted: ReadonlySet<Element>;
  /** What became of places in a page within the page. */
  readonly nested: ReadonlyMap<number, Outcome>;
  /** Changes within what stays. */
  readonly cuts: readonly Cut[];
}

interface PlanOptions {
  /** Whether to leave what is left empty where it is. */
  readonly isNarrow: boolean;
  readonly nesting: number;
  takeOffInner(source: SourceText, spots: readonly Span[]): TakenOff;
}

export function planPage(tree: WrittenTree, spots: readonly Span[], options: PlanOptions): PagePlan {
  const { elementOf, chosen } = choose(tree, spots);
  const targets = new Map(chosen.map((one) => [one.element, targetOf(tree, one)]));
  const gone = new Set<Element>();
  const undressed = new Set<Element>();
  const nested = new Map<number, Outcome>();
  const cuts: Cut[] = [];
  for (const [element, target] of targets) {
    if (target.does === 'go') for (const one of [element, ...(target.along ?? [])]) gone.add(one);
    else if (target.does === 'submit') cuts.push(...submitCuts(tree, element, target.words));
    else if (target.does === 'within') {
      const inner = within(tree, target, options);
      for (const [start, outcome] of inner.outcomes) nested.set(start, outcome);
      if (inner.isEmptied) gone.add(element);
      else cuts.push(...inner.cuts);
    } else if (target.does === 'cut') {
      cuts.push(...target.cuts);
      if (target.undresses) undressed.add(element);
    }
  }
  endClips(gone);
  for (const element of [...gone]) addCompanions(tree, element, gone);
  const links = [...targets].flatMap(([element, { does }]) => (does === 'unlink' ? [element] : []));
  for (const link of links) if (isLinkAlone(link, gone)) gone.add(link);
  const risen = options.isNarrow
    ? { spoken: [], mute: new Set<Element>() }
    : rise({ gone, undressed, called: namesCalled(tree) });
  const muted = mutedIn(targets, risen.mute);
  for (const element of muted) gone.delete(element);
  const unwrapped = new Set(links.filter((link) => !isGone(link, gone)));
  for (const link of unwrapped) cuts.push(...tagsOf(link));
  const spoken = new Map(risen.spoken.map(({ picture, words }) => [picture, words]));
  return { tree, elementOf, targets, gone, unwrapped, spoken, muted, nested, cuts };
}

/** The elements that the places are written in, each with its attributes that hold some. */
function choose(
  tree: WrittenTree,
  spots: readonly Span[],
): { elementOf: Map<number, Element>; chosen: Chosen[] } {
  const holder = holderOf(tree);
  const elementOf = new Map<number, Element>();
  const chosen = new Map<Element, Map<string, { written: WrittenAttribute | null; spots: Span[] }>>();
  for (const spot of spots) {
    const found = holder(spot.start);
    if (!found) continue;
    elementOf.set(spot.start, found.element);
    const byName = chosen.get(found.element) ?? new Map();
    chosen.set(found.element, byName);
    const name = found.attribute?.name ?? '';
    const known = byName.get(name) ?? { written: found.attribute, spots: [] };
    known.spots.push(spot);
    byName.set(name, known);
  }
  return { elementOf, chosen: [...chosen].map(([element, byName]) => ({ element, byName })) };
}

/** A clip none of whose sources is left is gone. */
function endClips(gone: Set<Element>): void {
  for (const element of [...gone]) {
    const clip = element.tagName === 'source' ? parentOf(element) : null;
    if (!clip || !['video', 'audio'].includes(clip.tagName) || attributeText(clip, 'src')) continue;
    const sources = clip.childNodes.filter((node) => isElement(node) && node.tagName === 'source');
    if (sources.every((source) => gone.has(source as Element))) gone.add(clip);
  }
}

const SHOWN = new Set(['img', 'svg', 'video', 'audio', 'object', 'embed', 'picture', 'image']);

/** What is there for the picture alone and stands apart from it: its map, a caption known by its class, a line break. */
function addCompanions(tree: WrittenTree, element: Element, gone: Set<Element>): void {
  const map = mapOf(element);
  if (map !== '') {
    const isUsed = tree.elements.some((one) => !gone.has(one) && mapOf(one) === map);
    const named = tree.elements.find((one) => one.tagName === 'map' && attributeText(one, 'name') === map);
    if (named && !isUsed) gone.add(named);
  }
  if (!SHOWN.has(element.tagName)) return;
  const caption = captionElement({ remembered: nothingRemembered() }, element, null);
  if (caption && !hasPicture(caption, gone)) gone.add(caption);
  const lineBreak = breakBeside(element);
  if (lineBreak) gone.add(lineBreak);
}

const mapOf = (element: Element): string => attributeText(element, 'usemap')?.trim().replace(/^#/u, '') ?? '';

/** Whether a link to the picture is all that a list item or a paragraph says: then its words are about nothing. */
function isLinkAlone(link: Element, gone: ReadonlySet<Element>): boolean {
  if (!hasContent(link, gone)) return true;
  if (hasPicture(link, gone) || [...gone].some((one) => isWithin(one, link))) return false;
  const parent = parentOf(link);
  return (
    parent !== null &&
    ['li', 'p', 'dd'].includes(parent.tagName) &&
    !hasContent(parent, new Set([...gone, link]))
  );
}

function mutedIn(targets: ReadonlyMap<Element, Target>, mute: ReadonlySet<Element>): Set<Element> {
  const isMuted = (element: Element) => [...mute].some((button) => isWithin(element, button));
  return new Set(
    [...targets].flatMap(([element, { does }]) => (does === 'go' && isMuted(element) ? [element] : [])),
  );
}

/** Whether an element, or one it stands in, goes. */
function isGone(element: Element, gone: ReadonlySet<Element>): boolean {
  for (let at: Element | null = element; at; at = parentOf(at)) if (gone.has(at)) return true;
  return false;
}

function tagsOf(link: Element): Cut[] {
  const { startTag, endTag } = link.sourceCodeLocation ?? {};
  if (!startTag || !endTag) return [];
  return [startTag, endTag].map(({ startOffset: start, endOffset: end }) => ({ start, end, becomes: '' }));
}

/** A button that was a picture becomes one that says its words. */
function submitCuts({ text, encoding }: WrittenTree, element: Element, words: string): Cut[] {
  const written = (name: string) => {
    const value = locateAttribute({ text }, element, name);
    return value && { ...value.span, range: attributeRange(text, value.written) };
  };
  const [type, src, alt] = [written('type'), written('src'), written('alt')];
  if (!type || !src) return [];
  return [
    { start: type.start, end: type.end, becomes: 'submit' },
    { ...src.range, becomes: ` value="${attributeValue(words, '"', encoding)}"` },
    ...(alt ? [{ ...alt.range, becomes: '' }] : []),
  ];
}

interface Inner {
  readonly cuts: readonly Cut[];
  readonly outcomes: ReadonlyMap<number, Outcome>;
  /** Whether nothing is left of what only readers without scripts see. */
  readonly isEmptied: boolean;
}

/** Takes places off a page within the page. */
function within(
  { encoding }: WrittenTree,
  { part, spots }: Extract<Target, { does: 'within' }>,
  { nesting, takeOffInner }: PlanOptions,
): Inner {
  if (nesting >= MAX_NESTING) return { cuts: [], outcomes: new Map(), isEmptied: false };
  const wanted = new Map(spots.map((spot) => [spot.start, spot]));
  const inner = new Map<number, Span>();
  for (let at = 0; at < part.text.length && inner.size < wanted.size; at++) {
    const { start } = part.spanOf(at, at);
    const spot = wanted.get(start);
    if (spot && !inner.has(start)) inner.set(start, { start: at, end: at + spot.end - spot.start });
  }
  const { edits, outcomes } = takeOffInner({ text: part.text, encoding }, [...inner.values()]);
  return {
    cuts: edits.map(({ start, end, becomes }) => ({ ...part.spanOf(start, end), becomes })),
    outcomes: new Map([...inner.keys()].map((start, i) => [start, { ...(outcomes[i] as Outcome), start }])),
    isEmptied: part.kind === 'noscript' && edits.length > 0 && spliceText(part.text, edits)?.trim() === '',
  };
}
