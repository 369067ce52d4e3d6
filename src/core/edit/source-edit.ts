import type { Problem } from '../problem';

/** One change of a source: the characters between `start` and `end` were `was` and become `becomes`. */
export interface SourceEdit {
  /** UTF-16 offsets in the decoded original source. */
  readonly start: number;
  readonly end: number;
  readonly was: string;
  readonly becomes: string;
  /**
   * Hex of the bytes to write where `becomes` can't be encoded back to them: only in inverses of edits that replaced
   * bytes which were not valid in the source's encoding.
   */
  readonly becomesBytes?: string;
}

/** An edit with what it belongs to, as rows and the database hold it. */
export interface SiteEdit extends SourceEdit {
  /** The page on which the change is seen. */
  readonly page: string;
  /** The file that is changed: the page itself or a style sheet. */
  readonly source: string;
  /** SHA-256 (hex) of the bytes the edit was made for. */
  readonly expects: string;
}

export function overlapProblem(first: SourceEdit, second: SourceEdit): Problem {
  return {
    code: 'EDIT_OVERLAP',
    what: `Two changes touch the same characters (${first.start}–${first.end} and ${second.start}–${second.end}).`,
    why: `One makes “${clip(first.becomes)}” of them, the other “${clip(second.becomes)}”.`,
    remedy: 'Take one of the two out.',
  };
}

export function mismatchProblem(edit: SourceEdit, found: string): Problem {
  return {
    code: 'EDIT_MISMATCH',
    what: `At ${edit.start}–${edit.end} the source says “${clip(found)}”.`,
    why: `The change was made for “${clip(edit.was)}”.`,
    remedy: 'Read the site again and prepare the change anew.',
  };
}

export function unencodableProblem(edit: SourceEdit, encoding: string): Problem {
  return {
    code: 'EDIT_UNENCODABLE',
    what: `“${clip(edit.becomes)}” can’t be written into this file.`,
    why: `Its encoding, ${encoding}, has no place for one of the characters.`,
    remedy: 'Use other characters, or write it as a character reference.',
  };
}

/** The change moves where a file says its encoding into or out of the first bytes, where alone it is looked for. */
export function movedEncodingProblem(before: string, after: string, within: number): Problem {
  return {
    code: 'EDIT_ENCODING_MOVED',
    what: `With this change browsers would read the file as ${after}, no longer as ${before}: its other letters would change.`,
    why: `The file says how it is encoded behind its head, near its byte ${within}, and is searched for it there no further.`,
    remedy:
      'Move the line that says the encoding (<meta charset>) to the top of the file, and read the site again.',
  };
}

const clip = (text: string) => (text.length > 60 ? `${text.slice(0, 57)}…` : text);
