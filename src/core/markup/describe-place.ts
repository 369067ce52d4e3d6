/** What stands around a placement: its words, its link and caption, its neighbours, its slot, and where words can be put. */
import { areaPart } from './area-part';
import { blockAnchor } from './block-anchor';
import { accessibleName, isDecorative, linkName, textBesideIn } from './accessible-name';
import { attributeText, locateAttribute, writtenAttribute, type Element } from './attribute-value';
import { captionElement, readCaption } from './caption';
import { declaredSlot, slotBeside } from './declared-slot';
import { declaredLanguage, entryWords } from './entry-words';
import { elementPath } from './element-path';
import { groupAround } from './group-around';
import { isPictureByRole } from './kinds/drawn';
import type { FoundReference } from './kinds/kind';
import { isElement, textBeside } from './node-text';
import { headingsOver, type PageTree, type Surroundings } from './page-tree';
import type { LinkAround, PlacementContext, PlacementSurroundings, WordAnchors } from './placement';
import { storedWords } from './stored-words';

/** Whether an element is kept from those who listen by its own attribute. */
const isAriaHidden = (element: Element): boolean =>
  attributeText(element, 'aria-hidden')?.trim().toLowerCase() === 'true';

/** Whether an element is kept from all readers, or from those who listen, by its own attributes. */
function isHiddenItself(element: Element): boolean {
  return (
    attributeText(element, 'hidden') !== null ||
    isAriaHidden(element) ||
    /(?:^|[;\s])(?:display\s*:\s*none|visibility\s*:\s*hidden)/iu.test(attributeText(element, 'style') ?? '')
  );
}

const WITH_ALT = new Set(['img', 'srcset', 'source', 'input', 'area']);

/** The attribute in which an element holds the text alternative of its picture. */
function wordsAttribute({ kind }: FoundReference, { tagName }: Element): 'alt' | 'aria-label' | null {
  if (kind === 'lazy' || kind === 'drawn') {
    if (WITH_ALT.has(tagName)) return 'alt';
    return kind === 'drawn' ? 'aria-label' : null;
  }
  return WITH_ALT.has(kind) ? 'alt' : kind === 'object' ? 'aria-label' : null;
}

/**
 * What is to be said of a place besides its address.
 *
 * @param at the element's place among the tree's elements
 * @param pathOf gives the path within the site of an address written at the element
 */
export function describePlace(
  tree: PageTree,
  at: number,
  found: FoundReference,
  pathOf: (address: string) => string | null,
): PlacementSurroundings {
  const element = tree.elements[at] as Element;
  const around = tree.surroundings[at] as Surroundings;
  const shown = element.tagName === 'source' ? (imageOf(around.picture) ?? element) : element;
  const attribute = wordsAttribute(found, element);
  const isUncaptioned = HEAD_KINDS.has(found.kind) || found.kind === 'area';
  const caption = isUncaptioned ? null : captionElement(tree, shown, around.figure);
  const words = caption ? readCaption(tree, caption) : null;
  const path = elementPath(element);
  const partOf = found.kind === 'area' ? areaPart(tree, element, pathOf) : null;
  return {
    elementPath: path,
    thread: threadOf(path, found),
    alt: attribute ? attributeText(shown, attribute) : null,
    name: nameOf(tree, found, { element, shown }),
    caption: words?.text ?? null,
    link: linkAround(tree, found, { shown, link: around.link }),
    decorative:
      found.kind === 'css' ||
      (attribute !== null && (isDecorative(shown) || around.ariaHidden || isAriaHidden(shown))),
    hidden: around.hidden || around.ariaHidden || isHiddenItself(shown),
    context: contextOf(tree, at, { found, shown, attribute, partOf }),
    declared: declaredSlot(element, shown, found),
    words: wordAnchors(tree, attribute && { element: shown, attribute }, {
      caption: words?.span ?? null,
      block: attribute === 'alt' && found.kind !== 'area' ? blockAnchor(tree, shown) : null,
    }),
  };
}

/**
 * What is to be said of a further place of the same kind at the same element: an attribute may hold very many, and what
 * stands around them is one and the same. Parts of a map differ by more than that.
 */
export function describeBeside(around: PlacementSurroundings, found: FoundReference): PlacementSurroundings {
  return {
    ...around,
    thread: threadOf(around.elementPath, found),
    declared: slotBeside(around.declared, found),
  };
}

function threadOf(path: string, { kind, attribute, descriptor }: FoundReference): string {
  return `${path}|${kind === 'css' ? `style:${attribute}` : attribute}|${descriptor}`;
}

/** What stands around a place. What may be absent is put in afterwards: spreading it takes as long as finding it. */
function contextOf(
  tree: PageTree,
  at: number,
  { found, shown, attribute, partOf }: PlaceParts,
): PlacementContext {
  const around = tree.surroundings[at] as Surroundings;
  const isOfHead = HEAD_KINDS.has(found.kind);
  const context: { -readonly [Key in keyof PlacementContext]: PlacementContext[Key] } = {
    headings: headingsOver(tree, at),
    before: isOfHead ? '' : textBeside(tree, shown, -1),
    after: isOfHead ? '' : textBeside(tree, shown, 1),
    inFigure: around.figure !== null,
    group: isOfHead ? null : groupAround(tree, shown),
    meets: 1,
  };
  if (partOf) context.partOf = partOf;
  if (around.button) context.button = textBesideIn(tree, around.button, shown, { pictures: true });
  const stored = attribute === 'alt' ? storedWords(shown, around.link) : [];
  if (stored.length > 0) context.stored = stored;
  if (!attribute) return context;
  const entry = entryWords(shown);
  if (entry) context.entry = entry;
  const language = declaredLanguage(shown);
  if (language) context.language = language;
  return context;
}

interface PlaceParts {
  readonly found: FoundReference;
  readonly shown: Element;
  readonly attribute: 'alt' | 'aria-label' | null;
  readonly partOf: PlacementContext['partOf'] | null;
}

function nameOf(
  tree: PageTree,
  { kind }: FoundReference,
  { element, shown }: { element: Element; shown: Element },
): string {
  if (kind === 'link') return linkName(tree, element);
  return NAMELESS.has(kind) && !(kind === 'css' && isPictureByRole(shown)) ? '' : accessibleName(tree, shown);
}

function linkAround(
  tree: PageTree,
  { kind, value }: FoundReference,
  { shown, link }: { shown: Element; link: Element | null },
): LinkAround | null {
  if (kind === 'area') return { href: value, text: '' };
  if (kind === 'link' || !link) return null;
  return { href: attributeText(link, 'href') ?? '', text: textBesideIn(tree, link, shown) };
}

const NAMELESS = new Set(['css', 'icon', 'meta', 'preload', 'attribute-background', 'json-ld']);
const HEAD_KINDS = new Set(['icon', 'meta', 'preload', 'json-ld']);

function imageOf(picture: Element | null): Element | null {
  return (
    picture?.childNodes.find((child): child is Element => isElement(child) && child.tagName === 'img') ?? null
  );
}

/** Where text alternative and caption of a picture can be written. */
function wordAnchors(
  tree: PageTree,
  words: { readonly element: Element; readonly attribute: 'alt' | 'aria-label' } | null,
  { caption, block }: Required<Pick<WordAnchors, 'caption' | 'block'>>,
): WordAnchors {
  if (!words) return { alt: null, addAttribute: null, caption, block };
  const { element, attribute } = words;
  const located = locateAttribute(tree, element, attribute);
  const bare = located ? null : writtenAttribute(tree.text, element, attribute);
  const alt = located ? { span: located.span, quote: located.quote } : bare ? bareAnchor(bare.nameEnd) : null;
  const tagStart =
    element.sourceCodeLocation?.startTag?.startOffset ?? element.sourceCodeLocation?.startOffset;
  const addAttribute = alt || tagStart === undefined ? null : tagStart + 1 + element.tagName.length;
  return attribute === 'alt'
    ? { alt, addAttribute, caption, block }
    : { attribute, alt, addAttribute, caption, block };
}

/** An attribute without a value is there and empty; words for it are written behind its name. */
function bareAnchor(at: number): WordAnchors['alt'] {
  return { span: { start: at, end: at }, quote: 'bare' };
}
