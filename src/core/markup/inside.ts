/** What stands between the tags of an element, as text of its own, with where it is written. */
import type { Span } from '../source/span';
import type { Element } from './attribute-value';
import type { PageTree } from './page-tree';
import { plainInside } from './xml-tree';

/** What stands between the tags of an element. */
export interface Inside {
  readonly text: string;
  /** Where `text.slice(from, to)` stands in the source. */
  spanOf(from: number, to: number): Span;
  /** Where in `text` is what stands so in the source. */
  within(span: Span): Span;
}

/** What a tag of the source holds between its ends; `null` where the parser found no end. */
export function insideOf(tree: PageTree, element: Element): Inside | null {
  const location = element.sourceCodeLocation;
  if (!location?.startTag) return null;
  const start = location.startTag.endOffset;
  const end = location.endTag?.startOffset ?? location.endOffset;
  if (end < start) return null;
  const written = tree.text.slice(start, end);
  if (!tree.isXml || element.tagName === 'noscript')
    return {
      text: written,
      spanOf: (from, to) => ({ start: start + from, end: start + to }),
      within: (span) => ({ start: span.start - start, end: span.end - start }),
    };
  const { text, offsets } = plainInside(written);
  const sourceOf = (at: number) => start + (offsets[at] ?? written.length);
  const textOf = (at: number) => offsets.findIndex((offset) => offset >= at - start);
  return {
    text,
    spanOf: (from, to) => ({ start: sourceOf(from), end: sourceOf(to) }),
    within: (span) => ({ start: textOf(span.start), end: textOf(span.end) }),
  };
}
