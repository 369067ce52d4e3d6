/**
 * What a reference written on a page points at. Follows the WHATWG URL standard (https://url.spec.whatwg.org/);
 * a site without a host of its own stands at an invented origin, so that nothing on it can be confused with the web.
 */
import { parseUrl } from './parse-url';

/** The origin at which a site read from files stands while its addresses are resolved (RFC 2606 name). */
const FILE_ORIGIN = 'http://site.invalid';

/** How a site's own addresses are told from others. */
export interface SiteAddressing {
  /** Scheme and host at which the site stands, without a trailing slash. */
  readonly origin: string;
  /** Host names (lower case, with the port if any) that are the site itself; `http` and `https` alike. */
  readonly hosts: readonly string[];
  /** Parameters of the site's addresses that only make browsers fetch anew, and name no other file. */
  readonly cacheBusters?: readonly string[];
  /** Whether other parameters name another file: so on live servers, never among files. */
  readonly keepsQueries?: boolean;
  /** Names (lower case) under which a folder's own page may be asked for, the usual one first; else the common ones. */
  readonly indexNames?: readonly string[];
}

/** Where a reference leads: a file of the site, another address, or nowhere. */
export type ResolvedAddress =
  | {
      readonly kind: 'site';
      readonly path: string;
      /** The same with empty segments (`img//a.png`), where it was written with some. */
      readonly asWritten?: string;
    }
  | { readonly kind: 'elsewhere'; readonly url: string }
  | { readonly kind: 'none' };

const NOWHERE: ResolvedAddress = { kind: 'none' };

/** The addressing of a site read from files; `hosts` are the names under which readers see it, if known. */
export function siteOfFiles(hosts: readonly string[] = []): SiteAddressing {
  return { origin: FILE_ORIGIN, hosts: ['site.invalid', ...hosts.map((host) => host.toLowerCase())] };
}

/** The absolute URL of a file of the site. `path` is relative to the root and percent-decoded. */
export function urlOfPath(path: string, site: SiteAddressing): string {
  if (!site.keepsQueries) return `${site.origin}/${encodePath(path)}`;
  const cut = path.includes('?') ? path.indexOf('?') : path.length;
  return `${site.origin}/${encodePath(path.slice(0, cut)).replace(/%253F/gi, '%3F')}${path.slice(cut)}`;
}

/** A percent-decoded path as it is written in a URL; a `%2F` that stood for a slash in a name stays. */
export function encodePath(path: string): string {
  return path
    .split('/')
    .map((segment) =>
      encodeURIComponent(segment)
        .replace(/%252F/gi, '%2F')
        .replace(/['()*!]/g, percentOf),
    )
    .join('/');
}

const percentOf = (character: string) => `%${character.charCodeAt(0).toString(16).toUpperCase()}`;

/**
 * A URL path percent-decoded as UTF-8. Sequences that are not UTF-8, and a slash within a name, stay as they are; so
 * does a question mark where what stands behind one names another file.
 */
export function decodePath(path: string, { keepsQueries }: Pick<SiteAddressing, 'keepsQueries'>): string {
  if (!path.includes('%')) return path;
  const kept = keepsQueries ? /%(2f|3f)/gi : /%(2f)/gi;
  return path.replace(/(?:%[0-9a-f]{2})+/gi, (run) => {
    try {
      return decodeURIComponent(run.replace(kept, '%25$1'));
    } catch {
      // Not UTF-8: such a name can only be written percent-encoded, so it stays.
      return run;
    }
  });
}

/**
 * Resolves a reference as a browser does.
 *
 * @param value the decoded attribute value or CSS address
 * @param base absolute URL of the page (or of its `base`), or of the style sheet
 * @returns `none` for an empty reference and for one that the standard can't parse
 */
export function resolveAddress(value: string, base: string, site: SiteAddressing): ResolvedAddress {
  const trimmed = value.trim();
  if (trimmed === '') return NOWHERE;
  const url = parseUrl(trimmed, base);
  if (!url) return NOWHERE;
  if ((url.protocol === 'http:' || url.protocol === 'https:') && site.hosts.includes(url.host)) {
    return siteAddress(decodePath(url.pathname.slice(1), site) + queryOf(url, site), site);
  }
  return { kind: 'elsewhere', url: url.href };
}

/** Among files an empty segment is none, as file systems and the usual servers have it; a live server may tell them apart. */
function siteAddress(path: string, { keepsQueries }: SiteAddressing): ResolvedAddress {
  if (keepsQueries || !(path.startsWith('/') || path.includes('//'))) return { kind: 'site', path };
  return { kind: 'site', path: withoutEmptySegments(path), asWritten: path };
}

/** A path of the site without the empty segments that it may be written with. */
export function withoutEmptySegments(path: string): string {
  return path.replace(/\/{2,}/g, '/').replace(/^\//, '');
}

/** The part of a query that names another file, as it stands; usually nothing. */
function queryOf(url: URL, { keepsQueries, cacheBusters = [] }: SiteAddressing): string {
  if (!keepsQueries || url.search === '') return '';
  // A file with a picture's own name is that picture, whatever stands behind it.
  if (PICTURE_NAME.test(url.pathname)) return '';
  for (const name of cacheBusters) url.searchParams.delete(name);
  return url.searchParams.size === 0 ? '' : url.search;
}

/**
 * A file of the site as rows name it: percent-decoded, without the query by which a live server may know it. Among files
 * a question mark is a letter of a name like others.
 */
export function plainPath(path: string, { keepsQueries }: Pick<SiteAddressing, 'keepsQueries'>): string {
  return keepsQueries ? path.replace(/\?.*$/su, '').replace(/%3f/giu, '?') : path;
}

/** The address as rows and screens write it: path for a file of the site, URL elsewhere, `null` for nowhere. */
export function addressText(address: ResolvedAddress): string | null {
  switch (address.kind) {
    case 'site':
      return address.asWritten ?? address.path;
    case 'elsewhere':
      return address.url;
    case 'none':
      return null;
  }
}

const PICTURE_NAME = /\.(?:jpe?g|jpe|jfif|pjpeg|png|apng|gif|webp|avif|svgz?|bmp|ico|tiff?|hei[cf]|jxl)$/i;

/** What an address may be spelled with. */
const SPELLED = /[%\t\n\r]/;

/** Whether an address is that of a picture, judged by the ending of its last segment. */
export function isPictureAddress(address: ResolvedAddress): boolean {
  if (address.kind === 'none') return false;
  if (address.kind === 'site') return PICTURE_NAME.test(address.path);
  const name = address.url.replace(/[?#].*$/s, '');
  if (PICTURE_NAME.test(name) || /^data:image\//i.test(name)) return true;
  return (
    SPELLED.test(name) && PICTURE_NAME.test(decodePath(name.replace(/[\t\n\r]/g, ''), { keepsQueries: true }))
  );
}
