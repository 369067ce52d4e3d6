import type { SourceEdit } from '../edit/source-edit';

/** What was taken out together with a picture. */
export type WentAlong =
  | 'caption' | 'link' | 'figure' | 'list item' | 'list' | 'paragraph' | 'heading' | 'box' | 'table row' | 'table' | 'button'
  | 'image map'; // oxfmt-ignore

/** What somebody should look at afterwards. */
export type Remark =
  /** A heading stands over nothing now. */
  | 'heading left alone'
  /** The picture's alt text stands in its place. */
  | 'its words instead'
  /** A link that led to the picture is a link no longer; its words stay. */
  | 'link taken from its words'
  /** Only the reference is gone: the space that it filled is still there. */
  | 'space stays'
  /** It is written in a file that other pages use as well. */
  | 'for all its pages';

export type Refusal =
  /** It is not found where it was read. */
  | 'not found'
  /** It stands in for another picture until that has loaded. */
  | 'stand-in'
  /** The tags around it are so crossed that the rest of the page would be read otherwise. */
  | 'tangled'
  /** A button would be left that says nothing. */
  | 'button without words';

/** What became of one place. */
export interface Outcome {
  /** Where its address is written: names the place within its source. */
  readonly start: number;
  readonly refused: Refusal | null;
  readonly wentAlong: readonly WentAlong[];
  readonly remarks: readonly Remark[];
  /** Where the link led that went along; `null` where none did. */
  readonly link: string | null;
  /** The words that went with it, at most 300 characters. */
  readonly words: string;
}

export interface TakenOff {
  readonly edits: readonly SourceEdit[];
  /** In the order of the places that were asked for. */
  readonly outcomes: readonly Outcome[];
}
