/** Reads of a page all that credits may stand in: the texts beside its pictures, its lines, and the pages it leads to. */
import { attributeText, type Element } from '../../markup/attribute-value';
import { captionElement } from '../../markup/caption';
import { isElement } from '../../markup/node-text';
import type { PageTree } from '../../markup/page-tree';
import type { Placement } from '../../markup/placement';
import { tagsByPlace } from '../../markup/tags-by-place';
import { readHiding, hiddenElements, type HidingRule } from '../../styles/hidden-elements';
import { insideOf } from '../../markup/inside';
import { captionNumbers } from './picture-numbers';
import { isCreditsTitle } from './for-all';
import { linesOf, numberOfItem, type PageLine } from './page-lines';
import { weighPage } from './page-weights';
import { textsBeside, type TextBeside } from './texts-beside';
import { textOfNodes, type Sight } from './visible-text';

/** What stands with one placement. */
export interface PlaceTexts {
  readonly texts: readonly TextBeside[];
  /** Numbers that its caption carries. */
  readonly numbers: readonly number[];
}

/** What a page says of its pictures' credits, whatever these are. */
export interface PageCredits {
  readonly title: string;
  /** By where the placement's reference begins; those written elsewhere, and those of no element, are not in it. */
  readonly places: ReadonlyMap<number, PlaceTexts>;
  readonly lines: readonly PageLine[];
  /** Absolute addresses that the page links to, without fragments. */
  readonly links: ReadonlySet<string>;
  /** Whether it calls itself a page of picture credits. */
  readonly isCreditsPage: boolean;
  /** How many pictures it shows. */
  readonly pictures: number;
}

/** Kinds of placements that no text stands beside: they show nothing in a place of the page. */
const NOWHERE: ReadonlySet<Placement['kind']> = new Set([
  'css', 'icon', 'preload', 'meta', 'json-ld', 'manifest', 'attribute-background', 'audio',
]); // oxfmt-ignore

export interface CreditsInput {
  readonly tree: PageTree;
  readonly address: string;
  readonly placements: readonly Placement[];
  /** The hiding rules of the sheets that it uses. */
  readonly sheets: readonly (readonly HidingRule[])[];
  /** Where a link that is written so leads, as an absolute address; `null` where nowhere. */
  readonly resolve: (written: string) => string | null;
}

export function readPageCredits({ tree, address, placements, sheets, resolve }: CreditsInput): PageCredits {
  const own = tree.elements.flatMap((element) => {
    const inside = element.tagName === 'style' ? insideOf(tree, element) : null;
    return inside ? [readHiding(inside.text)] : [];
  });
  const hidden = hiddenElements(tree, [...sheets, ...own]);
  const sight: Sight = {
    isHidden: (element) => hidden.has(element),
    hrefOf: (element) => resolve(attributeText(element, 'href')?.trim() ?? ''),
  };
  const weights = weighPage(tree, sight);
  const tagAt = tagsByPlace(tree);
  const known = new Map<Element, PlaceTexts>();
  const places = new Map<number, PlaceTexts>();
  for (const { kind, source, start } of placements) {
    if (NOWHERE.has(kind) || source !== address) continue;
    const tag = tagAt(start);
    if (!tag || !(tag.isInTag || HOLDING.has(tag.element.tagName))) continue;
    const { element, at } = tag;
    const shown = shownBy(element);
    let texts = known.get(shown);
    if (!texts) {
      const beside = [...calledCaption(tree, at, shown, sight), ...textsBeside(shown, { sight, weights })];
      texts = { texts: beside, numbers: numbersOf(shown, beside) };
      known.set(shown, texts);
    }
    places.set(start, texts);
  }
  const lines = tree.body ? linesOf(tree.body, sight, weights) : [];
  const links = new Set<string>();
  for (const element of tree.elements) {
    if (element.tagName !== 'a' && element.tagName !== 'area') continue;
    const href = sight.hrefOf(element);
    if (href !== null) links.add(href.replace(/#.*$/su, ''));
  }
  const heading = lines.find((line) => line.isHeading)?.text.text ?? '';
  return {
    ...{ title: tree.title, places, lines, links },
    isCreditsPage: isCreditsTitle(tree.title) || isCreditsTitle(heading),
    pictures: tree.body ? weights.picturesIn(tree.body) : 0,
  };
}

/** What stands beside a picture and is called its caption, where no figure is around it. */
function calledCaption(tree: PageTree, at: number, shown: Element, sight: Sight): TextBeside[] {
  if (tree.surroundings[at]?.figure) return [];
  const caption = captionElement(tree, shown, null);
  if (!caption) return [];
  return [{ where: 'caption', text: textOfNodes([caption], { sight }), isShared: false }];
}

/** Elements that keep references in their inside, as text. */
const HOLDING = new Set(['noscript', 'iframe']);

/** The element in which readers see what an element refers to. */
function shownBy(element: Element): Element {
  const parent = element.parentNode;
  if (!parent || !isElement(parent)) return element;
  if (element.tagName === 'noscript') return pictureBeside(element, parent) ?? element;
  if (parent.tagName === 'picture' || parent.tagName === 'video') return parent;
  return element;
}

/** A script's picture, for which a `noscript` stands in. */
function pictureBeside(element: Element, parent: Element): Element | null {
  const siblings = parent.childNodes.filter(isElement);
  const at = siblings.indexOf(element);
  const isPicture = (one: Element | undefined) => one?.tagName === 'img' || one?.tagName === 'picture';
  const near = [siblings[at - 1], siblings[at + 1]].find(isPicture);
  return near ?? null;
}

/** Numbers in the caption; else in what stands beside it; else that of the list item it stands in. */
function numbersOf(shown: Element, texts: readonly TextBeside[]): number[] {
  const caption = texts.filter(({ where, isShared }) => where === 'caption' && !isShared);
  const rest = texts.filter(({ where }) => where !== 'caption');
  for (const said of [caption, rest]) {
    const numbers = [...new Set(said.flatMap(({ text }) => captionNumbers(text.text)))];
    if (numbers.length > 0) return numbers;
  }
  for (
    let at: Element | null = shown;
    at;
    at = at.parentNode && isElement(at.parentNode) ? at.parentNode : null
  ) {
    const number = at.tagName === 'li' ? numberOfItem(at) : null;
    if (number !== null) return [number];
  }
  return [];
}
