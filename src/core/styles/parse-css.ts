/** The parser of CSS, quick at short texts also where long ones were read before. */
import { fork, parse, type CssNode, type ParseOptions } from 'css-tree';

/** Characters from which a text is long: css-tree's tables hold as many from the beginning. */
const LONG = 16_384;

let parseLong: typeof parse | undefined;

/**
 * As css-tree parses. Before each text it clears a table that is as long as the longest text it ever read: after a style sheet of
 * 400 kB a `style` attribute took nine times as long. So long texts have a parser of their own, made for the first of them.
 */
export function parseCss(text: string, options?: ParseOptions): CssNode {
  if (text.length < LONG) return parse(text, options);
  parseLong ??= fork({}).parse;
  return parseLong(text, options);
}
