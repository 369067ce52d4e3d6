/**
 * A stretch of a source: half-open, in UTF-16 code units of the decoded original text, which holds no
 * byte order mark. Line and column are derived when somebody asks (`positionAt`).
 */
export interface Span {
  readonly start: number;
  readonly end: number;
}
