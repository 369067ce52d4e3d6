/**
 * parse5's own tree, built with less: end positions are kept only where somebody asks for them, and added in place
 * instead of copying the location; text nodes keep none. This is where the time for everything else comes from.
 */
import { WRAPS } from './picture-wraps';
import { defaultTreeAdapter, type DefaultTreeAdapterTypes, type TreeAdapter } from 'parse5';

export const leanAdapter: TreeAdapter<DefaultTreeAdapterTypes.DefaultTreeAdapterMap> = {
  ...defaultTreeAdapter,
  setNodeSourceCodeLocation(node, location) {
    if ('tagName' in node) node.sourceCodeLocation = location;
  },
  updateNodeSourceCodeLocation(node, end) {
    if (!('tagName' in node) || !node.sourceCodeLocation) return;
    const location = node.sourceCodeLocation;
    // Of what wraps a picture only the place of its end is kept, and that only where the source writes one.
    if (WRAPS.has(node.tagName) && end.endTag) location.endOffset = end.endTag.endOffset;
    if (!endMatters(node)) return;
    if (end.endTag) location.endTag = end.endTag;
    if (end.endOffset !== undefined) location.endOffset = end.endOffset;
  },
};

/** Elements whose inside is read as a text of its own, or replaced as a whole. */
const WITH_INSIDE = new Set(['figcaption', 'style', 'noscript', 'script']);

/** Ends are asked of those and of captions by class, of nothing else. */
function endMatters(element: DefaultTreeAdapterTypes.Element): boolean {
  if (WITH_INSIDE.has(element.tagName)) return true;
  return element.attrs.some(({ name, value }) => name === 'class' && /caption|legend/i.test(value));
}
