/** Puts what is recorded of a page's pictures into the page itself, for search engines. */
import type { SourceEdit } from '../edit/source-edit';
import { pageParts } from '../markup/page-parts';
import type { ImageObject } from './image-object';

/** By which the statement is found again. */
export const STATEMENT_ID = 'picture-rights-data';

/**
 * The edit by which a page says so much of its pictures: the statement is put at the end of its head, or in place of the one
 * that is there. One that says nothing any more is taken away.
 *
 * @returns `null` where the page says it already
 */
export function statementEdit(text: string, objects: readonly ImageObject[]): SourceEdit | null {
  if (objects.length === 0 && !text.includes(STATEMENT_ID)) return null;
  const parts = pageParts(text);
  const found = parts.byId(STATEMENT_ID)?.outer;
  // A heading may be called so as well.
  const there = found && /^<script\b/iu.test(text.slice(found.start, found.end)) ? found : null;
  const becomes = objects.length === 0 ? '' : statement(objects);
  if (there) {
    // What is taken away takes the line along that it stood on.
    const from = becomes === '' ? text.slice(0, there.start).search(/[ \t]*$/u) : there.start;
    const end =
      becomes === '' ? there.end + (/^\r?\n/u.exec(text.slice(there.end))?.[0].length ?? 0) : there.end;
    const was = text.slice(from, end);
    return was === becomes ? null : { start: from, end, was, becomes };
  }
  if (becomes === '') return null;
  return {
    start: parts.headEnd,
    end: parts.headEnd,
    was: '',
    becomes: `${becomes}${lineAfter(text, parts.headEnd)}`,
  };
}

/** A line break as the page has them, and the blanks that stand before what follows. */
export function lineAfter(text: string, at: number): string {
  const [, blanks = ''] = /(?:^|\n)([ \t]*)$/u.exec(text.slice(Math.max(0, at - 200), at)) ?? [];
  return `${text.includes('\r\n') ? '\r\n' : '\n'}${blanks}`;
}

/** JSON-LD 1.1 within HTML and XHTML: no sign in it ends a script, begins an entity, or is lost in any encoding. */
function statement(objects: readonly ImageObject[]): string {
  const json = JSON.stringify({ '@context': 'https://schema.org', '@graph': objects }).replace(
    /[<>&]|[^\x20-\x7e]/gu,
    (sign) =>
      [...sign]
        .flatMap((one) => one.split(''))
        .map((unit) => `\\u${unit.charCodeAt(0).toString(16).padStart(4, '0')}`)
        .join(''),
  );
  return `<script type="application/ld+json" id="${STATEMENT_ID}">${json}</script>`;
}
