/** Edits of the words that belong to a place: its alt text and its caption, where they are written. */
import type { WordAnchors } from '../markup/placement';
import type { SourceText } from '../source/decode-source';
import type { SourceEdit } from './source-edit';
import { attributeValue, elementText } from './write-value';

/** Words for one place. `null` leaves those that are there; an empty alt text marks it as decoration. */
export interface PlaceWords {
  readonly alt: string | null;
  readonly caption: string | null;
  /** Text to put in below the picture, for everybody: a line a line. */
  readonly block?: string | null;
}

export interface WordEdit extends SourceEdit {
  readonly subject: 'alt' | 'caption' | 'block';
}

/**
 * The edits that put words in place; none for a field that the place doesn't take. Blanks and line ends around a
 * caption stay as they are written.
 *
 * @param source the text that the anchors belong to
 */
export function wordEdits(anchors: WordAnchors, source: SourceText, words: PlaceWords): WordEdit[] {
  const edits: WordEdit[] = [];
  const { alt, addAttribute, caption, block = null, attribute = 'alt' } = anchors;
  if (words.alt !== null && alt) {
    const { start, end } = alt.span;
    const becomes = attributeValue(words.alt, alt.quote, source.encoding);
    edits.push({ subject: 'alt', start, end, was: source.text.slice(start, end), becomes });
  } else if (words.alt !== null && addAttribute !== null) {
    const becomes = ` ${attribute}="${attributeValue(words.alt, '"', source.encoding)}"`;
    edits.push({ subject: 'alt', start: addAttribute, end: addAttribute, was: '', becomes });
  }
  if (words.caption !== null && caption) {
    const inside = source.text.slice(caption.start, caption.end);
    const was = inside.trim();
    const start = was === '' ? caption.start : caption.start + inside.indexOf(was);
    const becomes = elementText(words.caption, source.encoding);
    edits.push({ subject: 'caption', start, end: start + was.length, was, becomes });
  }
  if (words.block && block !== null) {
    const lines = words.block.split(/\r?\n/u).map((line) => elementText(line.trim(), source.encoding));
    const lineEnd = source.text.includes('\r\n') ? '\r\n' : '\n';
    const becomes = `${lineEnd}<p>${lines.filter(Boolean).join('<br>')}</p>`;
    edits.push({ subject: 'block', start: block, end: block, was: '', becomes });
  }
  return edits.filter((edit) => edit.was !== edit.becomes);
}

/** A field of a place’s words; `block` is a text below the picture. */
export type WordField = keyof TakenWords;

/** Which words a place takes. */
export interface TakenWords {
  readonly alt: boolean;
  readonly caption: boolean;
  readonly block: boolean;
}

export function takesWords({ alt, addAttribute, caption, block = null }: WordAnchors): TakenWords {
  return { alt: alt !== null || addAttribute !== null, caption: caption !== null, block: block !== null };
}
