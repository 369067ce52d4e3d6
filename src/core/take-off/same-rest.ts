/** Whether a page, once something was taken out of it, is read the same as before in all that is left. */
import type { Element } from '../markup/attribute-value';
import { isElement, type Node } from '../markup/node-text';
import type { WrittenTree } from './written-tree';

export interface Leaves {
  /** Elements that are to be gone, with all they hold. */
  readonly gone: ReadonlySet<Element>;
  /** Elements whose tags go and whose content stays. */
  readonly unwrapped: ReadonlySet<Element>;
  /** Words that stand in place of an element. */
  readonly spoken: ReadonlyMap<Element, string>;
}

const NOTHING: Leaves = { gone: new Set(), unwrapped: new Set(), spoken: new Map() };

/** @param after the page as it is read with the edits made */
export function isRestTheSame(before: WrittenTree, leaves: Leaves, after: WrittenTree): boolean {
  const was = outline(before.document, leaves);
  const is = outline(after.document, NOTHING);
  return was.length === is.length && was.every((line, i) => line === is[i]);
}

/** Each element with how deep it stands, in document order, and the text between, without white space. */
function outline(document: Node, { gone, unwrapped, spoken }: Leaves): string[] {
  const lines: string[] = [];
  let words = '';
  const open: { node: Node; depth: number }[] = [{ node: document, depth: 0 }];
  for (let next = open.pop(); next; next = open.pop()) {
    const { node, depth } = next;
    if (node.nodeName === '#text') {
      words += unspaced((node as unknown as { value: string }).value);
      continue;
    }
    let inside = depth;
    if (isElement(node)) {
      words += unspaced(spoken.get(node) ?? '');
      if (gone.has(node)) continue;
      if (!unwrapped.has(node)) {
        // Raw text is left out: what is taken from styles and data is looked at where it is cut.
        if (words !== '') lines.push(words);
        words = '';
        lines.push(`${depth} ${node.tagName}`);
        inside = depth + 1;
        if (RAW.has(node.tagName)) continue;
      }
    }
    if ('childNodes' in node)
      for (let i = node.childNodes.length - 1; i >= 0; i--)
        open.push({ node: node.childNodes[i] as Node, depth: inside });
  }
  return words === '' ? lines : [...lines, words];
}

const unspaced = (text: string): string => text.replace(/[\s\u00a0]+/gu, '');

const RAW = new Set(['script', 'style', 'noscript', 'iframe', 'xmp', 'noembed', 'noframes']);
