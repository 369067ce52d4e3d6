/**
 * A parsed page, walked once: its elements in document order, each with what it stands in. Iterative throughout,
 * so that ten thousand nested elements are no harder than ten thousand in a row.
 */
import type { DefaultTreeAdapterTypes } from 'parse5';
import { parsePage } from './lean-adapter';
import { parseXmlPage } from './xml-tree';
import type { SourceText } from '../source/decode-source';
import { attributeText, type Element } from './attribute-value';
import { collapse, isElement, textOf, type Node } from './node-text';
import { nothingRemembered, type Remembered } from './remembered';

/** What an element inherits from the elements around it. One object is shared by all that inherit the same. */
export interface Surroundings {
  readonly link: Element | null;
  readonly button: Element | null;
  readonly figure: Element | null;
  readonly picture: Element | null;
  readonly media: Element | null;
  /** Not shown to anybody: `hidden`, `display: none` written in place. */
  readonly hidden: boolean;
  /** Kept from assistive technology by `aria-hidden`. */
  readonly ariaHidden: boolean;
}

export interface PageTree {
  readonly source: SourceText;
  readonly text: string;
  /** Whether it was read as XML; a page that is called so and whose root is none of HTML is not. */
  readonly isXml: boolean;
  /** Whether browsers lay the page out in quirks mode, where class names match in any case. */
  readonly quirks: boolean;
  readonly elements: readonly Element[];
  readonly surroundings: readonly Surroundings[];
  /** Headings with their position in `elements`, in document order. */
  readonly headings: readonly { readonly at: number; readonly level: number; readonly element: Element }[];
  readonly title: string;
  readonly body: Element | null;
  readonly language: string | null;
  /** The `href` of the first `base`, or `null`. */
  readonly baseHref: string | null;
  readonly remembered: Remembered;
}

const OPEN: Surroundings = {
  link: null,
  button: null,
  figure: null,
  picture: null,
  media: null,
  hidden: false,
  ariaHidden: false,
};

/** Parses a page and lists its elements. Never throws, whatever the text. `template` contents are left out. */
export function readTree(source: SourceText): PageTree {
  const xml = source.isXml ? parseXmlPage(source.text) : null;
  const document = xml ?? parsePage(source.text);
  const elements: Element[] = [];
  const surroundings: Surroundings[] = [];
  const headings: { at: number; level: number; element: Element }[] = [];
  let title: Element | null = null;
  let body: Element | null = null;
  let base: string | null = null;

  const nodes: Node[] = [document];
  const around: Surroundings[] = [OPEN];
  while (nodes.length > 0) {
    const node = nodes.pop() as Node;
    let inside = around.pop() ?? OPEN;
    if (isElement(node)) {
      elements.push(node);
      surroundings.push(inside);
      const tag = node.tagName;
      if (tag.length === 2 && tag >= 'h1' && tag <= 'h6') {
        headings.push({ at: elements.length - 1, level: Number(tag[1]), element: node });
      } else if (tag === 'title') title ??= node;
      else if (tag === 'body') body ??= node;
      else if (tag === 'base') base ??= attributeText(node, 'href');
      inside = within(node, inside);
    }
    if (!('childNodes' in node)) continue;
    const children = isShadowRoot(node) ? node.content.childNodes : node.childNodes;
    for (let i = children.length - 1; i >= 0; i--) {
      const child = children[i];
      if (child && 'childNodes' in child) {
        nodes.push(child);
        around.push(inside);
      }
    }
  }
  return {
    source,
    isXml: xml !== null,
    text: source.text,
    quirks: document.mode === 'quirks',
    elements,
    surroundings,
    headings,
    title: title ? textOf(title) : '',
    body,
    language: languageOf(document),
    baseHref: base,
    remembered: nothingRemembered(),
  };
}

/** A template that browsers turn into the inside of the element around it while they parse (declarative shadow DOM). */
function isShadowRoot(node: Node): node is DefaultTreeAdapterTypes.Template {
  if (!isElement(node) || node.tagName !== 'template' || !('content' in node)) return false;
  const mode = attributeText(node, 'shadowrootmode')?.trim().toLowerCase();
  const host = node.parentNode && isElement(node.parentNode) ? node.parentNode.tagName : '';
  return (mode === 'open' || mode === 'closed') && (SHADOW_HOSTS.has(host) || host.includes('-'));
}

/** Elements that may have a shadow root (DOM standard, "valid shadow host name"). */
const SHADOW_HOSTS = new Set([
  'article', 'aside', 'blockquote', 'body', 'div', 'footer', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'header', 'main',
  'nav', 'p', 'section', 'span',
]); // oxfmt-ignore

function within(element: Element, outside: Surroundings): Surroundings {
  let inside = outside;
  switch (element.tagName) {
    case 'a':
      inside = { ...outside, link: element };
      break;
    case 'button':
      inside = { ...outside, button: element };
      break;
    case 'figure':
      inside = { ...outside, figure: element };
      break;
    case 'picture':
      inside = { ...outside, picture: element };
      break;
    case 'video':
    case 'audio':
      inside = { ...outside, media: element };
      break;
  }
  for (const { name, value } of element.attrs) {
    if (name === 'hidden' || (name === 'style' && /display\s*:\s*none/i.test(value))) {
      inside = { ...inside, hidden: true };
    } else if (name === 'aria-hidden' && value.trim().toLowerCase() === 'true') {
      inside = { ...inside, ariaHidden: true };
    } else if (name === 'role' && value.trim().toLowerCase() === 'button') {
      inside = { ...inside, button: element };
    }
  }
  return inside;
}

function languageOf(document: DefaultTreeAdapterTypes.Document): string | null {
  const html = document.childNodes.find(
    (node): node is Element => isElement(node) && node.tagName === 'html',
  );
  const language = html ? collapse(attributeText(html, 'lang') ?? attributeText(html, 'xml:lang') ?? '') : '';
  return language || null;
}

/**
 * A page's headings that stand over the element at a place of `elements`, outermost first: of each level the
 * nearest one before it that no higher heading has ended since.
 */
export function headingsOver(tree: PageTree, at: number): string[] {
  let low = 0;
  let high = tree.headings.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((tree.headings[middle]?.at ?? 0) <= at) low = middle + 1;
    else high = middle;
  }
  const path: string[] = [];
  let level = 7;
  for (let i = low - 1; i >= 0 && level > 1 && low - i < 200; i--) {
    const heading = tree.headings[i];
    if (!heading || heading.level >= level) continue;
    level = heading.level;
    path.unshift(textOf(heading.element, { limit: 120, pictures: true }));
  }
  return path.filter((text) => text !== '');
}
