/**
 * A newer format beside the usual one: a `picture` around an `img`, with a `source` for browsers that know its type (HTML
 * standard, §4.8.1). Written only where the page's style sheets say the same of everything on it as before.
 */
import { spliceText } from '../edit/splice-text';
import { attributeText } from '../markup/attribute-value';
import { readTree } from '../markup/page-tree';
import { stylesOfPage, type StyledPage } from '../markup/place-styles';
import type { Placement } from '../markup/placement';
import { tagsByPlace } from '../markup/tags-by-place';
import type { Span } from '../source/span';
import type { Selecting } from '../styles/match-elements';
import { areMeetingsTheSame, readRules } from '../styles/same-meetings';
import type { NotBeside } from './newer-format';
import type { Beside, SwapPlace } from './plan-swap';
import { candidatesOf, FITS_LIST, sizesOf } from './width-list';

/** That its `picture` is no box: all around it is laid out as if the `img` stood there alone (CSS Display 3, §2.5). */
const OPENS = '<picture style="display:contents">';
const CLOSES = '</picture>';

/**
 * Where the `img` of a place is written, if it can get a second format.
 *
 * @param page as it is written now
 */
export function wrapOf(
  { kind, raw, start }: Pick<Placement, 'kind' | 'raw' | 'start'>,
  page: StyledPage,
): { readonly wrap: Span } | { readonly because: NotBeside } {
  const { tree } = page;
  const found = tagsByPlace(tree)(start);
  const tag = found?.element.sourceCodeLocation;
  if (kind !== 'img' || !found?.isInTag || found.element.tagName !== 'img' || !tag)
    return { because: 'markup' };
  const isChosen = tree.surroundings[found.at]?.picture || attributeText(found.element, 'srcset') !== null;
  const { startOffset, endOffset } = tag.startTag ?? tag;
  const isClosed = !tree.isXml || tree.text.slice(startOffset, endOffset).endsWith('/>');
  if (isChosen || !isClosed || !FITS_LIST.test(raw)) return { because: 'markup' };
  const { own, linked, isWhole } = stylesOfPage(page);
  if (!isWhole) return { because: 'sheets' };
  const texts = [...own.map(({ inside }) => inside.text), ...linked.map(({ source }) => source.text)];
  const wrap = { start: startOffset, end: endOffset };
  return isMetTheSame(page, wrap, texts.map(rulesOf)) ? { wrap } : { because: 'rules' };
}

/** Whether every rule meets the same elements once the `img` stands in a `picture`. */
function isMetTheSame({ tree }: StyledPage, wrap: Span, rules: readonly (readonly Selecting[])[]): boolean {
  const text = spliceText(tree.text, wrapEdits(tree.text, wrap, '<source />')) ?? '';
  const after = readTree({ ...tree.source, text });
  const from = wrap.start;
  const opened = from + OPENS.length;
  return areMeetingsTheSame(rules, [tree, after], ({ sourceCodeLocation: place }) => {
    const at = (place?.startTag ?? place)?.startOffset;
    return at === from || at === opened;
  });
}

const rulesByText = new Map<string, readonly Selecting[]>();
const MOST_SHEETS = 50;

function rulesOf(text: string): readonly Selecting[] {
  const known = rulesByText.get(text);
  if (known) return known;
  const rules = readRules(text);
  if (rulesByText.size >= MOST_SHEETS) rulesByText.clear();
  rulesByText.set(text, rules);
  return rules;
}

/**
 * The two edits around an `img`. Each writes the bracket that it stands at anew, so that what else is put in before or
 * behind the element stays outside.
 */
export const wrapEdits = (text: string, { start, end }: Span, sourceTag: string) =>
  [
    { start, end: start + 1, was: text.slice(start, start + 1), becomes: `${OPENS}${sourceTag}<` },
    { start: end - 1, end, was: text.slice(end - 1, end), becomes: `>${CLOSES}` },
  ] as const;

/**
 * The `source` of a second format.
 *
 * @param files from the narrowest on
 * @param how.cssWidth of the place in CSS pixels where the files are a list of widths; `null` where there is one for all
 */
export function sourceTag(
  place: SwapPlace,
  { format, files }: Beside,
  how: { readonly cssWidth: number | null; readonly isXml: boolean },
): string {
  const isListed = how.cssWidth !== null;
  const sizes = how.cssWidth === null ? '' : ` sizes="${sizesOf(how.cssWidth)}"`;
  const list = candidatesOf(place, files, isListed);
  return `<source type="image/${format}" srcset="${list}"${sizes}${how.isXml ? ' /' : ''}>`;
}
