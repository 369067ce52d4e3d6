/** Gathers the text that readers see in a part of a page, with its links: what is hidden, scripted or in attributes is left out. */
import type { DefaultTreeAdapterTypes } from 'parse5';
import { attributeText, type Element } from '../../markup/attribute-value';
import { isElement, type Node } from '../../markup/node-text';
import { plain, type CreditText, type TextLink } from './credit-text';

/** Elements that begin and end a line (HTML standard, §15.3, `display: block` and its like). */
const BLOCKS = new Set(['address', 'article', 'aside', 'blockquote', 'body', 'caption', 'center', 'dd', 'details', 'dialog', 'dir', 'div', 'dl', 'dt', 'fieldset', 'figcaption', 'figure', 'footer', 'form', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'header', 'hgroup', 'hr', 'legend', 'li', 'main', 'menu', 'nav', 'ol', 'p', 'pre', 'search', 'section', 'summary', 'table', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr', 'ul']); // oxfmt-ignore
/** Elements whose inside nobody reads where the page is shown as it should be. */
const UNREAD = new Set(['script', 'style', 'template', 'noscript', 'head', 'title', 'audio', 'video', 'canvas', 'object', 'iframe', 'select', 'datalist', 'textarea', 'math']); // oxfmt-ignore
/** Elements that show a picture. */
const SHOWING = new Set(['img', 'video', 'object', 'embed', 'image', 'svg', 'canvas', 'iframe']);

export const isBlock = (element: Element): boolean => BLOCKS.has(element.tagName);
export const isHeading = ({ tagName }: Element): boolean => /^h[1-6]$/u.test(tagName);

/** What the reader of a page knows of its elements. */
export interface Sight {
  /** Whether an element is hidden itself. */
  readonly isHidden: (element: Element) => boolean;
  /** Where a link leads, as an absolute address; `null` where nowhere. */
  readonly hrefOf: (element: Element) => string | null;
}

/** Whether readers meet anything of an element. */
export function isSeen(element: Element, { isHidden }: Sight): boolean {
  if (UNREAD.has(element.tagName) || isHidden(element)) return false;
  return element.tagName !== 'dialog' || attributeText(element, 'open') !== null;
}

/** Whether an element shows a picture of its own; the badge of a licence, linked to its deed, is none. */
export function isShowing(element: Element): boolean {
  if (element.tagName === 'input') return attributeText(element, 'type')?.toLowerCase() === 'image';
  if (!SHOWING.has(element.tagName)) return false;
  return !isBadge(element);
}

function isBadge(element: Element): boolean {
  const parent = element.parentNode;
  const href = parent && isElement(parent) && parent.tagName === 'a' ? attributeText(parent, 'href') : null;
  const own = `${attributeText(element, 'src') ?? ''} ${attributeText(element, 'alt') ?? ''}`;
  return (
    (href !== null && /creativecommons\.org\/(?:licenses|publicdomain)\//iu.test(href)) ||
    /creativecommons\.org|(?:^|\/)cc(?:[-_.]?(?:by|zero|0)[\w.-]*|[-_]\w+)?\.(?:svg|png|gif)|\s(?:cc by|creative commons)\b/iu.test(
      own,
    )
  );
}

/** Builds a text out of pieces, blanks collapsed, line ends kept. */
export class TextBuilder {
  private text = '';
  private readonly links: { href: string; start: number; end: number }[] = [];

  add(piece: string): void {
    const words = plain(piece).replace(/\s+/gu, ' ');
    if (words === '') return;
    const isAfterBlank = this.text === '' || /\s$/u.test(this.text);
    this.text += isAfterBlank && words.startsWith(' ') ? words.slice(1) : words;
  }

  /** Ends a line, or parts two cells of a row. */
  part(by: '\n' | ' | '): void {
    if (this.text === '' || this.text.endsWith('\n') || this.text.endsWith(' | ')) return;
    this.text = this.text.trimEnd() + by;
  }

  open(): number {
    return this.text.length;
  }

  close(from: number, href: string): void {
    this.links.push({ href, start: Math.min(from, this.text.length), end: this.text.length });
  }

  get isEmpty(): boolean {
    return this.text.trim() === '';
  }

  done(): CreditText {
    const text = this.text.replace(/(?: \| |\s)+$/u, '');
    const links: TextLink[] = this.links.map(({ href, start, end }) => ({
      href,
      start: Math.min(start, text.length),
      end: Math.min(end, text.length),
    }));
    return { text, links };
  }
}

interface Walk {
  readonly sight: Sight;
  /** Elements that are left out with all that is in them. */
  readonly without?: (element: Element) => boolean;
  /** What stands between blocks: line ends, or the sign that parts cells. */
  readonly between?: '\n' | ' | ';
}

/** The text of some nodes in document order. */
export function textOfNodes(nodes: readonly Node[], walk: Walk): CreditText {
  const builder = new TextBuilder();
  for (const node of nodes) gather(builder, node, walk);
  return builder.done();
}

type Step = { readonly node: Node } | { readonly close: () => void };

/** Adds a node's text; iterative, so that depth is no harm. */
export function gather(builder: TextBuilder, from: Node, { sight, without, between = '\n' }: Walk): void {
  const stack: Step[] = [{ node: from }];
  for (let step = stack.pop(); step; step = stack.pop()) {
    if ('close' in step) {
      step.close();
      continue;
    }
    const { node } = step;
    if (node.nodeName === '#text') {
      builder.add((node as DefaultTreeAdapterTypes.TextNode).value);
      continue;
    }
    if (!isElement(node) || !isSeen(node, sight) || without?.(node)) continue;
    if (node.tagName === 'br' || node.tagName === 'hr') builder.part(between);
    const isApart = isBlock(node);
    if (isApart) builder.part(between);
    if (node.tagName === 'a') {
      const href = sight.hrefOf(node);
      const start = builder.open();
      const showsAny = node.childNodes.length > 0;
      if (href !== null && showsAny) stack.push({ close: () => builder.close(start, href) });
    } else if (isApart) stack.push({ close: () => builder.part(between) });
    for (let i = node.childNodes.length - 1; i >= 0; i--) stack.push({ node: node.childNodes[i] as Node });
  }
}
