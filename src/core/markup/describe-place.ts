/** What stands around a placement: its words, its link and caption, its neighbours, its slot, and where words can be put. */
import { areaPart } from './area-part';
import { blockAnchor } from './block-anchor';
import { accessibleName, isDecorative, linkName, textBesideIn } from './accessible-name';
import { attributeText, locateAttribute, writtenAttribute, type Element } from './attribute-value';
import { captionElement, readCaption } from './caption';
import { declaredSlot } from './declared-slot';
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
  const stored = attribute === 'alt' ? storedWords(shown, around.link) : [];
  return {
    elementPath: path,
    thread: `${path}|${found.kind === 'css' ? `style:${found.attribute}` : found.attribute}|${found.descriptor}`,
    alt: attribute ? attributeText(shown, attribute) : null,
    name: nameOf(tree, found, { element, shown }),
    caption: words?.text ?? null,
    link: linkAround(tree, found, { shown, link: around.link }),
    decorative:
      found.kind === 'css' ||
      (attribute !== null && (isDecorative(shown) || around.ariaHidden || isAriaHidden(shown))),
    hidden: around.hidden || around.ariaHidden || isHiddenItself(shown),
    context: {
      headings: headingsOver(tree, at),
      before: HEAD_KINDS.has(found.kind) ? '' : textBeside(tree, shown, -1),
      after: HEAD_KINDS.has(found.kind) ? '' : textBeside(tree, shown, 1),
      inFigure: around.figure !== null,
      group: HEAD_KINDS.has(found.kind) ? null : groupAround(tree, shown),
      meets: 1,
      ...(partOf ? { partOf } : {}),
      ...(around.button ? { button: textBesideIn(tree, around.button, shown, { pictures: true }) } : {}),
      ...(stored.length > 0 ? { stored } : {}),
      ...(attribute ? wordsOfEntry(shown) : {}),
    },
    declared: declaredSlot(element, shown, found),
    words: {
      ...wordAnchors(tree, attribute && { element: shown, attribute }, words?.span ?? null),
      block: attribute === 'alt' && found.kind !== 'area' ? blockAnchor(tree, shown) : null,
    },
  };
}

/** What its entry says, and in which language, where that is not the page's; nothing where there is nothing to tell. */
function wordsOfEntry(shown: Element): Pick<PlacementContext, 'entry' | 'language'> {
  const entry = entryWords(shown);
  const language = declaredLanguage(shown);
  return { ...(entry ? { entry } : {}), ...(language ? { language } : {}) };
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
  caption: WordAnchors['caption'],
): WordAnchors {
  if (!words) return { alt: null, addAttribute: null, caption };
  const { element, attribute } = words;
  const alt = locateAttribute(tree, element, attribute);
  const bare = alt ? null : writtenAttribute(tree.text, element, attribute);
  const tagStart =
    element.sourceCodeLocation?.startTag?.startOffset ?? element.sourceCodeLocation?.startOffset;
  return {
    ...(attribute === 'alt' ? {} : { attribute }),
    alt: alt ? { span: alt.span, quote: alt.quote } : bare ? bareAnchor(bare.nameEnd) : null,
    addAttribute: alt || bare || tagStart === undefined ? null : tagStart + 1 + element.tagName.length,
    caption,
  };
}

/** An attribute without a value is there and empty; words for it are written behind its name. */
function bareAnchor(at: number): WordAnchors['alt'] {
  return { span: { start: at, end: at }, quote: 'bare' };
}
