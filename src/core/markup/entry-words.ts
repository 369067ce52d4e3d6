/** The words of the entry that a picture belongs to: its row of a table, its item of a list, its card, its paragraph. */
import { attributeText, type Element } from './attribute-value';
import { isElement, textOf } from './node-text';

/** An entry is read in one breath; what says more is a text that a picture stands in. */
const LONGEST = 240;
const MOST_LEVELS = 6;
const MOST_NODES = 120;
const MOST_ANCESTORS = 40;
const NO_ENTRY = new Set(['body', 'main', 'html', 'form', 'table', 'tbody', 'ul', 'ol', 'dl']);

/**
 * The words of the largest element around a picture that holds no other picture, no menu, and is short enough to be about this
 * one; empty where there is none. The term before a description (`dt`) belongs to it.
 */
export function entryWords(shown: Element): string {
  let words = '';
  let at: Element = shown;
  for (let level = 0; level < MOST_LEVELS; level++) {
    const parent = at.parentNode;
    if (!parent || !isElement(parent) || NO_ENTRY.has(parent.tagName)) break;
    if (holdsMore(parent, shown)) break;
    const text = textOf(parent, { limit: LONGEST + 1, without: shown });
    if (text.length > LONGEST) break;
    words = text;
    at = parent;
  }
  return at.tagName === 'dd' ? `${termBefore(at)} ${words}`.trim() : words;
}

function termBefore(description: Element): string {
  const siblings = description.parentNode?.childNodes ?? [];
  for (let i = siblings.indexOf(description) - 1; i >= 0; i--) {
    const sibling = siblings[i];
    if (sibling && isElement(sibling)) return sibling.tagName === 'dt' ? textOf(sibling, { limit: 80 }) : '';
  }
  return '';
}

/** A menu beside a picture is no entry of it. */
const MOST_LINKS = 4;

function holdsMore(element: Element, shown: Element): boolean {
  const stack: Element[] = [element];
  let links = 0;
  for (let visited = 0; stack.length > 0; visited++) {
    // What is too large to be looked through is no entry.
    if (visited > MOST_NODES) return true;
    const next = stack.pop() as Element;
    if (next.tagName === 'nav' || (next.tagName === 'img' && next !== shown)) return true;
    if (next.tagName === 'a' && ++links > MOST_LINKS) return true;
    for (const child of next.childNodes) if (isElement(child)) stack.push(child);
  }
  return false;
}

/** The language that is declared on an element or around it, below the page's own; `null` where none is. */
export function declaredLanguage(shown: Element): string | null {
  let at: Element = shown;
  for (let level = 0; level < MOST_ANCESTORS && at.tagName !== 'html'; level++) {
    const own = (attributeText(at, 'lang') ?? attributeText(at, 'xml:lang'))?.trim();
    if (own) return own;
    const parent = at.parentNode;
    if (!parent || !isElement(parent)) break;
    at = parent;
  }
  return null;
}
