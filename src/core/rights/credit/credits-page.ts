/** The page of picture credits that is kept for a site: made after one of its own pages, and linked from those that need it. */
import type { SourceEdit } from '../../edit/source-edit';
import { pageParts, type PageParts, type Written } from '../../markup/page-parts';
import { primaryOf } from '../../words/languages/known-languages';
import { lineAfter } from '../page-statement';

export interface CreditEntry {
  /** Name of the picture's file: by it the entry says which picture it is of. */
  readonly file: string;
  /** The credit as one would write it. */
  readonly words: string;
  /** What of the words leads where. */
  readonly links: readonly { readonly words: string; readonly href: string }[];
}

/** By which the list is found again; what else stands on the page is not touched. */
const LIST_ID = 'picture-credits';
/** Where the page is made, where the site has none. */
export const CREDITS_PATH = 'picture-credits.html';

const TITLES: Readonly<Record<string, string>> = {
  en: 'Picture credits',
  de: 'Bildnachweise',
  fr: 'Crédits photographiques',
  es: 'Créditos de las imágenes',
};

/** What the page is called, in the language of a page. */
export const creditsTitle = (language: string | null): string =>
  TITLES[primaryOf(language)] ?? 'Picture credits';

/** @param isUnicode whether the page's encoding has every sign */
export function creditsList(entries: readonly CreditEntry[], isUnicode: boolean): string {
  const items = entries.map(({ file, words, links }) => {
    const linked = links.reduce(
      (html, { words: said, href }) => {
        const text = written(said, isUnicode);
        const at = html.indexOf(text);
        if (at < 0) return html;
        return `${html.slice(0, at)}<a href="${written(href, isUnicode)}">${text}</a>${html.slice(at + text.length)}`;
      },
      written(words, isUnicode),
    );
    return `<li>${written(file, isUnicode)}: ${linked}</li>\n`;
  });
  return `<ul id="${LIST_ID}">\n${items.join('')}</ul>`;
}

const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const written = (text: string, isUnicode: boolean): string =>
  text.replace(
    /[&<>"]|[^\x20-\x7e]/gu,
    (sign) => SIGNS[sign] ?? (isUnicode ? sign : `&#${sign.codePointAt(0)};`),
  );

/**
 * A page of credits made after another one of the same folder: its head, menu and foot, with the credits for its content.
 *
 * @returns `null` where the other page does not tell which part is its own
 */
export function creditsPageAfter(
  model: string,
  entries: readonly CreditEntry[],
  isUnicode: boolean,
): string | null {
  const parts = pageParts(model);
  const own = parts.main?.inner;
  if (!own) return null;
  const heading = written(creditsTitle(parts.language), isUnicode);
  const line = model.includes('\r\n') ? '\r\n' : '\n';
  const content = `${line}<h1>${heading}</h1>${line}${creditsList(entries, isUnicode).replaceAll('\n', line)}${line}`;
  const pieces = [
    { ...own, becomes: content },
    ...(parts.title?.inner ? [{ ...parts.title.inner, becomes: titleAfter(model, parts, heading) }] : []),
    ...parts.ofThisPage.map((span) => ({ ...span, becomes: '' })),
  ]
    .filter(({ start, end, becomes }) => becomes !== '' || !(start >= own.start && end <= own.end))
    .sort((a, b) => b.start - a.start);
  return pieces.reduce(
    (text, { start, end, becomes }) => text.slice(0, start) + becomes + text.slice(end),
    model,
  );
}

/** The other page's title with its own part exchanged: “Lessons | The school”. */
function titleAfter(model: string, { title }: PageParts, heading: string): string {
  const was = title?.inner ? model.slice(title.inner.start, title.inner.end) : '';
  const [, site] = /\s+([|–—·-]\s+[^|–—·]+)$/u.exec(was.trim()) ?? [];
  return site ? `${heading} ${site}` : heading;
}

/** Where the kept list stands in a page; `null` where there is none. */
export function listOf(text: string): Written | null {
  const found = pageParts(text).byId(LIST_ID);
  return found && /^<ul\b/iu.test(text.slice(found.outer.start, found.outer.end)) ? found : null;
}

/** The edit by which a list that is there says so much; `null` where it does already. */
export function listEdit(
  text: string,
  { outer }: Written,
  entries: readonly CreditEntry[],
  isUnicode: boolean,
): SourceEdit | null {
  const was = text.slice(outer.start, outer.end);
  const becomes = creditsList(entries, isUnicode).replaceAll('\n', text.includes('\r\n') ? '\r\n' : '\n');
  return was === becomes ? null : { ...outer, was, becomes };
}

/**
 * The edit by which a page leads to the page of credits, at the end of its foot; `null` where it does already.
 *
 * @param to.href address of that page, relative to this one
 * @param to.isThere whether a link that is written so leads there
 */
export function linkEdit(
  text: string,
  to: { readonly href: string; readonly isThere: (written: string) => boolean },
  isUnicode: boolean,
): SourceEdit | null {
  const { links, language, footEnd } = pageParts(text);
  if (links.some(to.isThere)) return null;
  const link = `<a href="${written(to.href, isUnicode)}">${written(creditsTitle(language), isUnicode)}</a>`;
  return { start: footEnd, end: footEnd, was: '', becomes: `${link}${lineAfter(text, footEnd)}` };
}
