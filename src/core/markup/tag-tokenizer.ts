/**
 * parse5's tokenizer, told to look for less: of positions it gives those of tags alone, and text between tags, values between
 * quotes, comments and names are passed over at once, instead of a character at a time and a token a word.
 */
import {
  type DefaultTreeAdapterTypes,
  InsertionMode,
  type Parser,
  Token,
  Tokenizer,
  TokenizerMode,
  type TokenizerOptions,
} from 'parse5';

/** How far behind the `<` the parser stands when it asks where a start tag or an end tag begins. */
const IN_START_TAG = 1;
const IN_END_TAG = 2;

/** Where readers' text is read, of elements whose tags count and of those whose tags do not. */
const TEXT_STATES: ReadonlySet<Tokenizer['state']> = new Set([
  TokenizerMode.DATA,
  TokenizerMode.RCDATA,
  TokenizerMode.RAWTEXT,
  TokenizerMode.SCRIPT_DATA,
]);

/**
 * Where white space behind other text is put where that text is, and does nothing else. Elsewhere each is read by rules of its
 * own: in a table, say, or behind the end of the body.
 */
const MIXED_MODES: ReadonlySet<InsertionMode> = new Set([
  InsertionMode.IN_BODY,
  InsertionMode.IN_CAPTION,
  InsertionMode.IN_CELL,
  InsertionMode.IN_TEMPLATE,
  InsertionMode.TEXT,
]);

const SPACE = 0x20;
const QUOTE = 0x22;
const AMPERSAND = 0x26;
const APOSTROPHE = 0x27;
const HYPHEN = 0x2d;
const LESS_THAN = 0x3c;
const CARRIAGE_RETURN = 0x0d;

/** Tells its parser what parse5's own tells, with fewer places and in fewer, longer tokens of text. */
export class TagTokenizer extends Tokenizer {
  constructor(
    options: TokenizerOptions,
    private readonly parser: Parser<DefaultTreeAdapterTypes.DefaultTreeAdapterMap>,
  ) {
    super(options, parser);
  }

  /** The place of a tag; of everything else, which nobody asks for, none. */
  protected override getCurrentLocation(offset: number): Token.Location | null {
    return offset === IN_START_TAG || offset === IN_END_TAG
      ? placeFrom(this.preprocessor.offset - offset)
      : null;
  }

  protected override _emitCodePoint(cp: number): void {
    super._emitCodePoint(cp);
    if (!TEXT_STATES.has(this.state)) return;
    const type = this.currentCharacterToken?.type;
    if (type === Token.TokenType.CHARACTER) this.passText(MIXED_MODES.has(this.parser.insertionMode));
    else if (type === Token.TokenType.WHITESPACE_CHARACTER) this.passBlanks();
  }

  protected override _stateAttributeValueDoubleQuoted(cp: number): void {
    super._stateAttributeValueDoubleQuoted(cp);
    if (cp > SPACE && cp !== QUOTE && cp !== AMPERSAND) this.passUntil(QUOTE, AMPERSAND);
  }

  protected override _stateAttributeValueSingleQuoted(cp: number): void {
    super._stateAttributeValueSingleQuoted(cp);
    if (cp > SPACE && cp !== APOSTROPHE && cp !== AMPERSAND) this.passUntil(APOSTROPHE, AMPERSAND);
  }

  protected override _stateComment(cp: number): void {
    super._stateComment(cp);
    if (cp > SPACE && cp !== HYPHEN && cp !== LESS_THAN) this.passUntil(HYPHEN, LESS_THAN);
  }

  protected override _stateTagName(cp: number): void {
    if (isOfName(cp)) (this.currentToken as Token.TagToken).tagName += this.nameHere();
    else super._stateTagName(cp);
  }

  protected override _stateAttributeName(cp: number): void {
    if (isOfName(cp)) this.currentAttr.name += this.nameHere();
    else super._stateAttributeName(cp);
  }

  /** What is written here of a name, as far as it is written as it is read. */
  private nameHere(): string {
    const { html, pos } = this.preprocessor;
    let at = pos + 1;
    while (at < html.length && isOfName(html.charCodeAt(at))) at++;
    this.preprocessor.pos = at - 1;
    return html.slice(pos, at);
  }

  /** Passes over text. @param isMixed whether white space within it is read as the rest is */
  private passText(isMixed: boolean): void {
    const { html, pos } = this.preprocessor;
    let at = pos + 1;
    for (; at < html.length; at++) {
      const unit = html.charCodeAt(at);
      if (unit > SPACE ? unit === LESS_THAN || unit === AMPERSAND : !isMixed || !isBlank(unit)) break;
    }
    this.goOnAt(at);
  }

  /** Passes over white space behind white space. */
  private passBlanks(): void {
    const { html, pos } = this.preprocessor;
    // The line feed behind a carriage return is none of the text.
    if (html.charCodeAt(pos) === CARRIAGE_RETURN) return;
    let at = pos + 1;
    while (at < html.length && isBlank(html.charCodeAt(at))) at++;
    this.goOnAt(at);
  }

  /** Passes over what is neither of two ASCII characters. */
  private passUntil(end: number, other: number): void {
    const { html, pos } = this.preprocessor;
    let at = pos + 1;
    for (; at < html.length; at++) {
      const unit = html.charCodeAt(at);
      if (unit > SPACE ? unit === end || unit === other : !isBlank(unit)) break;
    }
    this.goOnAt(at);
  }

  /** Takes all up to there into the run that is being read. */
  private goOnAt(at: number): void {
    this.preprocessor.pos = at - 1;
    this.runEnd = at;
  }
}

/** Of which the names of nearly all tags and attributes are made: small letters, digits, and the hyphen. */
const isOfName = (unit: number): boolean =>
  (unit >= 0x61 && unit <= 0x7a) || (unit >= 0x30 && unit <= 0x39) || unit === HYPHEN;

/** White space as it is written in a page; a carriage return becomes a line feed on its way, and is not meant. */
const isBlank = (unit: number): boolean => unit === SPACE || unit === 0x0a || unit === 0x09 || unit === 0x0c;

/** Lines and columns are found from offsets, by those who want them. */
export function placeFrom(startOffset: number, endOffset = startOffset): Token.Location {
  return { startLine: 0, startCol: 0, startOffset, endLine: 0, endCol: 0, endOffset };
}
