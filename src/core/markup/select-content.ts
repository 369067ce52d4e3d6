/**
 * What stands within a `select`, as browsers have read it since the standard gave up a mode of its own for it: any
 * element may stand there, pictures too, and a `select` that is never closed swallows no tag of what follows.
 * parse5 still reads it the old way. (HTML Standard, 13.2.6.4.7, "in body", and 13.2.4.2, the scopes.)
 */
import { html, InsertionMode, Parser, type DefaultTreeAdapterTypes, type Token } from 'parse5';

type Tree = DefaultTreeAdapterTypes.DefaultTreeAdapterMap;

const TAG = html.TAG_ID;
const HEADINGS = [TAG.H1, TAG.H2, TAG.H3, TAG.H4, TAG.H5, TAG.H6];

/** In which mode a parser goes on that stands in such an element. */
const MODE_WITHIN: ReadonlyMap<number, InsertionMode> = new Map([
  [TAG.TR, InsertionMode.IN_ROW],
  [TAG.TBODY, InsertionMode.IN_TABLE_BODY],
  [TAG.THEAD, InsertionMode.IN_TABLE_BODY],
  [TAG.TFOOT, InsertionMode.IN_TABLE_BODY],
  [TAG.CAPTION, InsertionMode.IN_CAPTION],
  [TAG.TABLE, InsertionMode.IN_TABLE],
  [TAG.TD, InsertionMode.IN_CELL],
  [TAG.TH, InsertionMode.IN_CELL],
  [TAG.BODY, InsertionMode.IN_BODY],
]);

/** Modes of which a `select` is no end. */
const STAYING = new Set(MODE_WITHIN.values());
/** The modes that there no longer are. */
const OF_SELECTS = new Set([InsertionMode.IN_SELECT, InsertionMode.IN_SELECT_IN_TABLE]);

/** A parser that reads a `select` like any other element. */
export class ParserOfSelects extends Parser<Tree> {
  /** Whether there was any: most pages have none, and are asked no more. */
  private hasSelects = false;

  constructor(...given: ConstructorParameters<typeof Parser<Tree>>) {
    super(...given);
    boundScopes(this.openElements, () => this.hasSelects);
  }

  override _startTagOutsideForeignContent(token: Token.TagToken): void {
    if (this.isWithinSelect() && this.endsBefore(token)) return;
    if (token.tagID === TAG.SELECT) this.hasSelects = true;
    const before = this.insertionMode;
    super._startTagOutsideForeignContent(token);
    if (!OF_SELECTS.has(this.insertionMode)) return;
    // Told from what is open only where the tag has led to another mode: that looks through all of it.
    if (STAYING.has(before)) this.insertionMode = before;
    else this._resetInsertionMode();
  }

  override _endTagOutsideForeignContent(token: Token.TagToken): void {
    if (token.tagID === TAG.SELECT && this.isWithinSelect()) {
      this.openElements.generateImpliedEndTags();
      this.openElements.popUntilTagNamePopped(TAG.SELECT);
    } else super._endTagOutsideForeignContent(token);
  }

  override _resetInsertionModeForSelect(select: number): void {
    this.insertionMode = InsertionMode.IN_BODY;
    for (let at = select; at >= 0; at = this.openElements.slotBelow(at)) {
      const tag = this.openElements.tagIDs[at] as number;
      const mode = tag === TAG.TEMPLATE ? this.tmplInsertionModeStack.at(-1) : MODE_WITHIN.get(tag);
      if (mode === undefined) continue;
      this.insertionMode = mode;
      return;
    }
  }

  private isWithinSelect(): boolean {
    if (!this.hasSelects || this.openElements.indexOfTopmost(TAG.SELECT) < 0) return false;
    return this.openElements.hasInScope(TAG.SELECT);
  }

  /** Ends what a start tag ends within an open `select`. Returns whether that is all the tag does. */
  private endsBefore({ tagID }: Token.TagToken): boolean {
    if (tagID === TAG.SELECT || tagID === TAG.INPUT) this.openElements.popUntilTagNamePopped(TAG.SELECT);
    if (tagID === TAG.OPTION) this.openElements.generateImpliedEndTagsWithExclusion(TAG.OPTGROUP);
    if (tagID === TAG.HR && this.openElements.hasInButtonScope(TAG.P)) this._closePElement();
    if (tagID === TAG.OPTGROUP || tagID === TAG.HR) this.openElements.generateImpliedEndTags();
    return tagID === TAG.SELECT;
  }
}

/** Parses a page with the places of everything in it, as parse5 gives them. Never throws, whatever the text. */
export function parseWithPlaces(text: string): DefaultTreeAdapterTypes.Document {
  return ParserOfSelects.parse<Tree>(text, { sourceCodeLocationInfo: true });
}

/** What stands around a `select` is not in the scope of what stands within: an end tag there closes nothing outside. */
function boundScopes(open: ParserOfSelects['openElements'], hasSelects: () => boolean): void {
  const isAbove = (slot: number) => slot >= open.indexOfTopmost(TAG.SELECT);
  const { hasInScope, hasInListItemScope, hasInButtonScope, hasNumberedHeaderInScope } = open;
  open.hasInScope = (tag, element) =>
    hasInScope.call(open, tag, element) &&
    (!hasSelects() ||
      isAbove(element ? open.items.lastIndexOf(element, open.stackTop) : open.indexOfTopmost(tag)));
  open.hasInListItemScope = (tag) =>
    hasInListItemScope.call(open, tag) && (!hasSelects() || isAbove(open.indexOfTopmost(tag)));
  open.hasInButtonScope = (tag) =>
    hasInButtonScope.call(open, tag) && (!hasSelects() || isAbove(open.indexOfTopmost(tag)));
  open.hasNumberedHeaderInScope = () =>
    hasNumberedHeaderInScope.call(open) && (!hasSelects() || isAbove(open.indexOfTopmostOf(HEADINGS)));
}
