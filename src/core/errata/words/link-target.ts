/** Where a link leads, and what that is called. */
import { parseUrl } from '../../address/parse-url';
import type { PageToCheck, PlacementToCheck } from '../page-to-check';
import { tokensOf } from '../../words/content-words';

/** What a press opens: a picture, a document or recording, a place on another site, or one of the own site. */
type TargetKind = 'picture' | 'media' | 'elsewhere' | 'page' | 'deed';

export interface LinkTarget {
  readonly kind: TargetKind;
  /** Words that its address has. */
  readonly words: readonly string[];
  /** Words of its page's title; empty where that is not known. */
  readonly title: readonly string[];
  readonly isHome: boolean;
}

const PICTURE = /\.(?:jpe?g|png|gif|webp|avif|svg|bmp|tiff?)$/iu;
const MEDIA =
  /\.(?:pdf|docx?|odt|rtf|xlsx?|ods|csv|pptx?|odp|zip|epub|mp3|m4a|ogg|oga|wav|flac|mp4|m4v|webm|ogv|mov|avi|ics|vcf|gpx|kmz?)$/iu;
const HOME = /^(?:|index\.\w+|default\.\w+|home\.\w+)$/iu;
/** Parts of addresses that say nothing. */
const SILENT = new Set([
  'www',
  'index',
  'html',
  'htm',
  'php',
  'example',
  'com',
  'org',
  'net',
  'https',
  'http',
  'the',
  'page',
]);

/** Stands for the site's own host, whatever that is. */
const OWN_HOST = 'own.invalid';

/** Where an address on a page leads; `null` where it is none. */
function urlOn(pagePath: string, href: string): URL | null {
  const base = `https://${OWN_HOST}/${pagePath}`;
  return parseUrl(href, base);
}

/** The target of the link or button that has nothing but this picture; `null` where it is in none. */
export function targetOf({ link, kind }: PlacementToCheck, page: PageToCheck): LinkTarget | null {
  if (!link?.href) return { kind: 'deed', words: [], title: [], isHome: false };
  const { href } = link;
  if (/^(?:mailto|tel|sms|javascript):/iu.test(href) || href.startsWith('#'))
    return { kind: 'deed', words: wordsOfAddress(href), title: [], isHome: false };
  const url = urlOn(page.path, href);
  if (!url) return null;
  const path = decoded(url.pathname).slice(1);
  const isOwn = url.host === OWN_HOST;
  const words = [...wordsOfAddress(path), ...(isOwn ? [] : wordsOfAddress(url.host))];
  if (PICTURE.test(path)) return { kind: 'picture', words, title: [], isHome: false };
  if (MEDIA.test(path)) return { kind: 'media', words, title: [], isHome: false };
  if (!isOwn) return { kind: 'elsewhere', words, title: [], isHome: false };
  const title =
    titlePaths(path)
      .map((known) => page.titles.get(known))
      .find((known) => known !== undefined) ?? '';
  const isHome = HOME.test(path.split('/').at(-1) ?? '') && kind !== 'area';
  return { kind: 'page', words, title: tokensOf(title).filter((word) => word.length > 2), isHome };
}

/** Paths under which a page may be known that an address names: the address may leave out the index. */
const titlePaths = (path: string): readonly string[] => [path, `${path.replace(/\/$/u, '')}/index.html`];

/** Paths of pages whose titles rules may ask for: those that the links around some places lead to, as far as they are own ones. */
export function linkedPaths(places: readonly Pick<PlacementToCheck, 'link'>[], pagePath: string): string[] {
  const hrefs = new Set(places.flatMap(({ link }) => link?.href ?? []));
  return [...hrefs].flatMap((href) => {
    const url = urlOn(pagePath, href);
    return url?.host === OWN_HOST ? titlePaths(decoded(url.pathname).slice(1)) : [];
  });
}

function decoded(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return path;
  }
}

const wordsOfAddress = (address: string): string[] =>
  tokensOf(address.replace(/[-_./@:]/gu, ' ')).filter((word) => word.length > 2 && !SILENT.has(word));
