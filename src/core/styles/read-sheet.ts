/**
 * Reads what pictures a style sheet, a `style` element or a `style` attribute refers to, and for which elements.
 * Follows CSS Syntax 3 through css-tree. Fonts, filters and clip paths are not pictures and are left out.
 */
import {
  generate,
  ident,
  walk,
  type Atrule,
  type CssNode,
  type Declaration,
  type Rule,
  type StringNode,
  type Url,
  type WalkContext,
} from 'css-tree';
import type { Span } from '../source/span';
import { addressSpan, addressesInRaw, IMAGE_SET } from './addresses';
import { parseCss } from './parse-css';
import { writtenSelectors } from './selectors';

/** One picture that a declaration refers to. */
export interface StyleReference {
  /** The decoded address. */
  readonly value: string;
  /** Where the address stands, without quotes, blanks and `url()`. */
  readonly span: Span;
  /** The property it is written under, lower case. */
  readonly property: string;
  /** The selectors of its rule, nesting resolved; empty for a `style` attribute. */
  readonly selectors: readonly string[];
  /** Names the reference within its sheet by rule, property and number, so that it is found again after edits. */
  readonly rule: string;
}

interface StyleImport {
  readonly value: string;
}

export interface StyleReading {
  readonly references: readonly StyleReference[];
  readonly imports: readonly StyleImport[];
}

const NOTHING: StyleReading = { references: [], imports: [] };
const WORTH_READING = /url\(|image-set\(|@import|\\/i;
const PICTURE_PROPERTY =
  /^(?:-webkit-|-moz-|-o-|-ms-)?(?:background(?:-image)?|list-style(?:-image)?|content|border-image(?:-source)?|mask(?:-image|-border(?:-source)?|-box-image(?:-source)?)?|cursor|shape-outside|box-reflect|initial-value)$/;

/** The pictures and imports of a whole style sheet. Never throws: what can't be parsed is skipped as browsers do. */
export function readSheet(text: string): StyleReading {
  return read(text, 'stylesheet');
}

/** The pictures of the decoded value of a `style` attribute; spans are offsets into that value. */
export function readStyleAttribute(value: string): readonly StyleReference[] {
  return read(value, 'declarationList').references;
}

function read(written: string, context: 'stylesheet' | 'declarationList'): StyleReading {
  if (!WORTH_READING.test(written)) return NOTHING;
  const text = shallow(plainUrlNames(written));
  const reader: Reader = { text, references: [], imports: [], counts: new Map(), animated: new Map() };
  const tree = parseCss(text, { ...OPTIONS, context });
  if (context === 'stylesheet') reader.imports.push(...importsOf(tree));
  collect(reader, tree, undefined);
  return { imports: reader.imports, references: withAnimations(reader) };
}

/**
 * A sheet whose escaped spellings of `url(` are written out, each with blanks before it for the same length: the parser
 * knows only the plain one (CSS Syntax 3, §4.3.4, compares the name once its escapes are resolved).
 */
function plainUrlNames(text: string): string {
  if (!text.includes('\\')) return text;
  return text.replace(ESCAPED_URL, (found) => 'url('.padStart(found.length));
}

const ESCAPED_URL =
  /(?<![\w-]|[\u0080-\uffff])(?=[url]*\\)(?:u|\\u|\\0{0,4}[57]5\s?)(?:r|\\r|\\0{0,4}[57]2\s?)(?:l|\\l|\\0{0,4}[46]c\s?)\(/giu;

/**
 * A sheet without what is nested deeper than anybody writes, blanks in its place: parsers go into depth by calling
 * themselves, and ten thousand levels end them.
 */
function shallow(text: string): string {
  let depth = 0;
  let from = -1;
  let kept = '';
  let copied = 0;
  for (let at = 0; at < text.length; at++) {
    const unit = text.charCodeAt(at);
    if (unit === OPENS && ++depth === MAX_DEPTH + 1) from = at;
    else if (unit === CLOSES && depth > 0 && depth-- === MAX_DEPTH + 1) {
      kept += text.slice(copied, from) + ' '.repeat(at + 1 - from);
      copied = at + 1;
    }
  }
  if (depth > MAX_DEPTH) return kept + text.slice(copied, from) + ' '.repeat(text.length - from);
  return copied === 0 ? text : kept + text.slice(copied);
}

const OPENS = 0x7b;
const CLOSES = 0x7d;
const MAX_DEPTH = 60;

/** Custom properties are parsed as values, since one may hold a picture for a `var()` elsewhere. */
const OPTIONS = { positions: true, parseCustomProperty: true };

interface Reader {
  readonly text: string;
  readonly references: (StyleReference & { readonly animation?: string })[];
  readonly imports: StyleImport[];
  /** How many references each rule and property has had. */
  readonly counts: Map<string, number>;
  /** Selectors of the rules that run an animation, by its name. */
  readonly animated: Map<string, string[]>;
}

/** What a rule stands in: the selectors it applies to, and the animation it is a step of. */
interface Around {
  readonly selectors: readonly string[];
  readonly animation?: string;
}

/** Reads a tree; `outer` is what stands around it. */
function collect(reader: Reader, tree: CssNode, outer: Around | undefined): void {
  const parents: (Around | undefined)[] = [outer];
  walk(tree, {
    enter(this: WalkContext, node: CssNode) {
      const around = parents.at(-1);
      if (node.type === 'Rule') {
        parents.push(around?.animation ? around : { selectors: selectorsOf(node, around?.selectors) });
      } else if (node.type === 'Atrule') {
        parents.push(insideAtRule(reader, node, around));
      } else if (isUnparsedRule(node, this, reader.text)) collectNested(reader, node, around);
      else if (node.type === 'Declaration') {
        addPictures(reader, node, around);
        noteAnimation(reader, node, around);
      }
    },
    leave(node: CssNode) {
      if (node.type === 'Rule' || node.type === 'Atrule') parents.pop();
    },
  });
}

function insideAtRule(reader: Reader, node: Atrule, around: Around | undefined): Around | undefined {
  const name = ident.decode(node.name).toLowerCase();
  // A printed sheet is dressed for the page as a whole, and what a property begins with holds on all of it.
  if (name === 'page' || name === 'property') return { selectors: ['html'] };
  if (!/^(?:-\w+-)?keyframes$/.test(name) || !node.prelude) return around;
  return { selectors: [], animation: generate(node.prelude).replace(/^["']|["']$/g, '') };
}

const ANIMATION = /^(?:-webkit-|-moz-|-o-)?animation(?:-name)?$/;

/** Remembers for whom a declaration runs animations: any word of it may be one's name. */
function noteAnimation(reader: Reader, node: Declaration, around: Around | undefined): void {
  if (!around || !ANIMATION.test(ident.decode(node.property).toLowerCase())) return;
  walk(node.value, (inner) => {
    const name = inner.type === 'Identifier' ? inner.name : inner.type === 'String' ? inner.value : null;
    if (name !== null) reader.animated.set(name, [...(reader.animated.get(name) ?? []), ...around.selectors]);
  });
}

/** Pictures in the steps of an animation are shown by whoever runs it. */
function withAnimations({ references, animated }: Reader): StyleReference[] {
  return references.map(({ animation, ...reference }) =>
    animation === undefined
      ? reference
      : { ...reference, selectors: [...new Set(animated.get(animation) ?? [])] },
  );
}

/** css-tree reads a nested rule only where it begins with `&`; others it leaves as raw text or a broken declaration. */
function isUnparsedRule(
  node: CssNode,
  { block, declaration, atrulePrelude }: WalkContext,
  text: string,
): boolean {
  const isCandidate = node.type === 'Raw' ? !declaration : node.type === 'Declaration';
  if (!isCandidate || !block || atrulePrelude || !node.loc) return false;
  const written = text.slice(node.loc.start.offset, node.loc.end.offset);
  return written.includes('{') && written.replace(QUOTED, '').includes('{');
}

/** Where a brace opens nothing: in strings, in addresses without quotes, in comments, behind a backslash. */
const QUOTED =
  /\/\*[\s\S]*?\*\/|"(?:[^"\\]|\\[\s\S])*"|'(?:[^'\\]|\\[\s\S])*'|url\((?:[^)"'\\]|\\[\s\S])*\)|\\[\s\S]/giu;

function collectNested(reader: Reader, { loc }: CssNode, outer: Around | undefined): void {
  if (!loc) return;
  const { offset, line, column } = loc.start;
  const nested = reader.text.slice(offset, loc.end.offset);
  collect(reader, parseCss(nested, { ...OPTIONS, context: 'stylesheet', offset, line, column }), outer);
}

function addPictures(reader: Reader, node: Declaration, around: Around | undefined): void {
  const { selectors, animation } = around ?? { selectors: [] };
  for (const found of picturesOf(node, reader.text)) {
    const rule = `${animation ? `@${animation}` : selectors.join(',')}|${found.property}`;
    const nth = (reader.counts.get(rule) ?? 0) + 1;
    reader.counts.set(rule, nth);
    const reference = { ...found, selectors, rule: `${rule}|${nth}` };
    reader.references.push(animation === undefined ? reference : { ...reference, animation });
  }
}

function selectorsOf(rule: Rule, outer: readonly string[] | undefined): string[] {
  if (rule.prelude.type === 'Raw') return [];
  return writtenSelectors(rule.prelude, outer);
}

/**
 * The imports that count: before every other rule but `@charset` and `@layer` without a block (CSS Cascade 5, §2). What
 * browsers do not understand is no rule, and ends nothing.
 */
function importsOf(sheet: CssNode): StyleImport[] {
  const imports: StyleImport[] = [];
  if (sheet.type !== 'StyleSheet') return imports;
  for (const node of sheet.children) {
    if (node.type === 'Rule' && node.prelude.type !== 'Raw') break;
    if (node.type !== 'Atrule') continue;
    const name = ident.decode(node.name).toLowerCase();
    if (name === 'import') imports.push(...importOf(node));
    else if (name === 'layer' ? node.block : ENDS_IMPORTS.has(name)) break;
  }
  return imports;
}

const ENDS_IMPORTS = new Set([
  'namespace', 'media', 'supports', 'font-face', 'page', 'keyframes', '-webkit-keyframes', 'container', 'property',
  'counter-style', 'scope', 'starting-style', 'font-feature-values', 'font-palette-values', 'view-transition',
]); // oxfmt-ignore

function importOf(rule: Atrule): StyleImport[] {
  if (!rule.prelude || rule.prelude.type === 'Raw') return [];
  const first = rule.prelude.children.first;
  return first?.type === 'String' || first?.type === 'Url' ? [{ value: first.value }] : [];
}

type FoundPicture = Pick<StyleReference, 'value' | 'span' | 'property'>;

/** The picture addresses in a declaration's value, in the order written. */
function picturesOf(declaration: Declaration, text: string): FoundPicture[] {
  const property = ident.decode(declaration.property).toLowerCase();
  if (!(PICTURE_PROPERTY.test(property) || property.startsWith('--'))) return [];
  const { value } = declaration;
  if (value.type === 'Raw') {
    if (!value.loc) return [];
    const where = { start: value.loc.start.offset, end: value.loc.end.offset };
    return addressesInRaw(text, where).map((one) => ({ ...one, property }));
  }
  const found: FoundPicture[] = [];
  const add = (node: Url | StringNode) => {
    const value = node.value.trim();
    if (value === '' || value.startsWith('#') || !node.loc) return;
    const whole = { start: node.loc.start.offset, end: node.loc.end.offset };
    found.push({ value, span: addressSpan(text, whole), property });
  };
  walk(declaration.value, {
    enter(this: WalkContext, node: CssNode) {
      if (node.type === 'Url') add(node);
      else if (node.type === 'String' && this.function && IMAGE_SET.test(ident.decode(this.function.name)))
        add(node);
    },
  });
  return found;
}
