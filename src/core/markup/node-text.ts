/** Reads the words in and around elements of a parsed page. Every function is bounded, however large the page. */
import type { DefaultTreeAdapterTypes } from 'parse5';
import { attributeText, type Element } from './attribute-value';
import { longRow, MANY_SIBLINGS } from './long-row';
import type { Remembered } from './remembered';

export type Node = DefaultTreeAdapterTypes.Node;

/** Elements whose words stand apart from those beside them, whatever blanks the source has. */
const APART = new Set(['br', 'p', 'div', 'li', 'dt', 'dd', 'tr', 'td', 'th', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'ul', 'ol', 'figure', 'figcaption', 'section', 'article', 'header', 'blockquote']); // oxfmt-ignore
const SILENT = new Set(['script', 'style', 'template', 'noscript']);
const MAX_NODES = 400;

export function isElement(node: Node | null | undefined): node is Element {
  return node !== null && node !== undefined && 'tagName' in node;
}

/** Runs of white space as one blank, none at the ends. */
export function collapse(text: string): string {
  // Most texts have blanks at their ends alone: those are cut off without looking for a pattern.
  let start = 0;
  let end = text.length;
  while (start < end && isBlankCode(text.charCodeAt(start))) start++;
  while (end > start && isBlankCode(text.charCodeAt(end - 1))) end--;
  let isAfterBlank = false;
  for (let at = start; at < end; at++) {
    const code = text.charCodeAt(at);
    const isBlankHere = isBlankCode(code);
    if (isBlankHere && (isAfterBlank || code !== 32)) return text.slice(start, end).replace(/\s+/g, ' ');
    isAfterBlank = isBlankHere;
  }
  return text.slice(start, end);
}

/** What `\s` stands for in a pattern (ECMA-262, WhiteSpace and LineTerminator), by its code unit. */
function isBlankCode(code: number): boolean {
  if (code < 0xa0) return code === 32 || (code >= 9 && code <= 13);
  if (code < 0x1680) return code === 0xa0;
  if (code < 0x2000 || code > 0x3000) return code === 0x1680 || code === 0xfeff;
  return code <= 0x200a || code === 0x2028 || code === 0x2029 || code === 0x202f || code === 0x205f || code === 0x3000; // oxfmt-ignore
}

/** Whether an element is kept from all readers where it is written. */
const isNotShown = (element: Element): boolean =>
  attributeText(element, 'hidden') !== null ||
  /display\s*:\s*none/iu.test(attributeText(element, 'style') ?? '');

/**
 * The text that readers meet inside a node, white space collapsed.
 *
 * @param options.without an element to leave out
 * @param options.pictures whether alt texts of pictures inside count as text (as in an accessible name)
 * @param options.limit at most this many characters
 * @param options.fromEnd the last ones instead of the first
 */
export function textOf(
  node: Node,
  options: { without?: Element; pictures?: boolean; limit?: number; fromEnd?: boolean } = {},
): string {
  const { limit = 300, fromEnd = false, pictures = false, without } = options;
  const stack: Node[] = [node];
  let text = '';
  for (let visited = 0; stack.length > 0 && visited < MAX_NODES && text.length < limit * 2; visited++) {
    const next = stack.pop();
    if (!next || next === without) continue;
    if (next.nodeName === '#text') {
      const { value } = next as DefaultTreeAdapterTypes.TextNode;
      text = fromEnd ? value + text : text + value;
      continue;
    }
    if (isElement(next)) {
      if (SILENT.has(next.tagName) || (next !== node && isNotShown(next))) continue;
      let words = APART.has(next.tagName) ? ' ' : '';
      if (pictures && next.tagName === 'img') words = ` ${attributeText(next, 'alt') ?? ''} `;
      if (words !== '') text = fromEnd ? words + text : text + words;
    }
    if ('childNodes' in next) {
      const { length } = next.childNodes;
      for (let i = 0; i < length; i++) {
        const child = next.childNodes[fromEnd ? i : length - 1 - i];
        if (child) stack.push(child);
      }
    }
  }
  const words = collapse(text);
  return fromEnd ? words.slice(-limit) : words.slice(0, limit);
}

/** The words that readers meet in an element, for searching: every text but those of scripts and styles. */
export function readersWords(root: Element | null, limit = 20_000): string {
  const parts: string[] = [];
  let length = 0;
  const stack: Node[] = root ? [root] : [];
  for (let node = stack.pop(); node && length < limit * 1.2; node = stack.pop()) {
    if ('value' in node && node.nodeName === '#text') {
      parts.push(node.value);
      length += node.value.length;
    }
    if (!('childNodes' in node) || (isElement(node) && SILENT.has(node.tagName))) continue;
    for (let i = node.childNodes.length - 1; i >= 0; i--) stack.push(node.childNodes[i] as Node);
  }
  return collapse(parts.join(' ')).slice(0, limit);
}

/**
 * The text beside an element: before it (`-1`) or after it (`1`), gathered outwards through its ancestors until
 * `limit` characters are found, within the page’s own content.
 */
export function textBeside(
  { remembered }: { readonly remembered: Remembered },
  element: Element,
  direction: -1 | 1,
  limit = LONGEST_BESIDE,
): string {
  let text = '';
  let from: Node = element;
  for (let level = 0; level < 6 && text.length < limit; level++) {
    const parent: Node | null = 'parentNode' in from ? from.parentNode : null;
    if (!parent || !('childNodes' in parent) || (isElement(parent) && parent.tagName === 'html')) break;
    text = gatherSiblings(parent.childNodes, { from, direction, limit, text, remembered });
    if (isElement(parent) && WHOLE.has(parent.tagName)) break;
    from = parent;
  }
  return direction === 1 ? clipEnd(text, limit) : clipStart(text, limit);
}

const LONGEST_BESIDE = 120;
/** What stands outside of these speaks of other things. */
const WHOLE = new Set(['body', 'main']);
/** What the site says on every page is not about the picture beside it. */
const OF_THE_SITE = new Set(['nav', 'footer']);

function gatherSiblings(
  siblings: readonly Node[],
  {
    from,
    direction,
    limit,
    text,
    remembered,
  }: { from: Node; direction: -1 | 1; limit: number; text: string; remembered: Remembered },
): string {
  const known = direction === 1 ? remembered.ahead : remembered.behind;
  const row = siblings.length > MANY_SIBLINGS ? longRow(siblings) : null;
  const knownInRow = direction === 1 ? row?.ahead : row?.behind;
  let gathered = text;
  let at = (row ? row.places.indexOf(from) : siblings.indexOf(from)) + direction;
  for (let steps = 0; steps < 8 && gathered.length < limit; steps++, at += direction) {
    const sibling = siblings[at];
    if (!sibling) break;
    if (isElement(sibling) ? OF_THE_SITE.has(sibling.tagName) : isBlank(sibling)) continue;
    // One character more than is wanted tells that there was more.
    let words = knownInRow ? knownInRow[at] : known.get(sibling);
    if (words === undefined) {
      words = textOf(sibling, { limit: LONGEST_BESIDE + 1, fromEnd: direction === -1 }).trim();
      if (knownInRow) knownInRow[at] = words;
      else known.set(sibling, words);
    }
    if (!words || !gathered) gathered ||= words;
    else gathered = direction === 1 ? `${gathered} ${words}` : `${words} ${gathered}`;
  }
  return gathered;
}

/** Line ends and indentation between elements, the commonest of all siblings. */
function isBlank(node: Node): boolean {
  return node.nodeName === '#text' && !/[^\s\u00a0]/.test((node as DefaultTreeAdapterTypes.TextNode).value);
}

function clipEnd(text: string, limit: number): string {
  return text.length <= limit ? text : `${text.slice(0, limit).replace(/\s+\S*$/, '')} …`;
}

function clipStart(text: string, limit: number): string {
  return text.length <= limit ? text : `… ${text.slice(-limit).replace(/^\S*\s+/, '')}`;
}
