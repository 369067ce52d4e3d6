/** Which addresses belong to a site that is read by its address, and under what name each page of it is known. */
import { parseUrl } from '../address/parse-url';
import { decodePath, type SiteAddressing } from '../address/resolve-address';

export interface CrawlScope {
  readonly site: SiteAddressing;
  /** Pages outside this folder of the host are not the site's: `/` or `/en/`. */
  readonly folder: string;
}

/** Names of a folder's own page on the usual web servers. */
const INDEX_NAMES: readonly string[] = [
  'index.html', 'index.htm', 'index.php', 'index.shtml', 'index.xhtml', 'default.htm', 'default.html',
  'default.asp', 'default.aspx', 'index.asp', 'index.jsp',
]; // oxfmt-ignore

/** Parameters that only say who is asking, never what for. */
const SESSION_PARAMETERS =
  /^(?:phpsessid|jsessionid|aspsessionid\w*|sessionid|session_id|sid|cfid|cftoken|utm_\w+|fbclid|gclid)$/i;

/** Whether an address names a session of its visitor, which is no part of it. */
export function namesSession(address: string): boolean {
  const url = /[?;]/.test(address) ? parseUrl(address) : null;
  if (!url) return false;
  const { pathname, searchParams } = url;
  return /;jsessionid=/i.test(pathname) || [...searchParams.keys()].some((name) => SESSION.test(name));
}

const SESSION = /^(?:phpsessid|jsessionid|aspsessionid\w*|sessionid|session_id|sid|cfid|cftoken)$/i;

/** The scope of a site that begins at an address. `www.` or not, and http or https, are the same site. */
export function scopeOf(
  start: string,
  options: Partial<Pick<SiteAddressing, 'hosts' | 'cacheBusters' | 'indexNames'>> = {},
): CrawlScope {
  const url = new URL(start);
  const bare = url.host.replace(/^www\./, '');
  const hosts = [...new Set([url.host, bare, `www.${bare}`, ...(options.hosts ?? [])])];
  return {
    site: { ...options, origin: url.origin, hosts, keepsQueries: true },
    folder: url.pathname.slice(0, url.pathname.lastIndexOf('/') + 1),
  };
}

/**
 * An address as it is fetched and compared: on the site's own scheme and host, without fragment, session and cache
 * busters, its parameters as they stand. `null` for one that is not the site's.
 *
 * @param address absolute, as the URL standard writes it
 */
export function ownUrl(address: string, scope: CrawlScope): string | null {
  // Most addresses are plain: the site's own scheme, host and folder, and nothing to take out.
  const isPlain = address.startsWith(scope.site.origin + scope.folder) && !/[?#;@]/.test(address);
  if (isPlain) return address;
  const url = parseUrl(address);
  if (!url) return null;
  if (url.protocol !== 'http:' && url.protocol !== 'https:') return null;
  if (!scope.site.hosts.includes(url.host)) return null;
  const origin = new URL(scope.site.origin);
  url.protocol = origin.protocol;
  url.host = origin.host;
  url.port = origin.port;
  url.username = '';
  url.password = '';
  url.hash = '';
  url.pathname = url.pathname.replace(/;jsessionid=[^/]*/gi, '');
  const busters = scope.site.cacheBusters ?? [];
  for (const name of [...url.searchParams.keys()]) {
    if (SESSION_PARAMETERS.test(name) || busters.includes(name)) url.searchParams.delete(name);
  }
  if (url.search === '?' || url.searchParams.size === 0) url.search = '';
  return url.pathname.startsWith(scope.folder) ? url.href : null;
}

/**
 * The name of a page within its site: its path without the leading slash, percent-decoded, under one name for all
 * ways of asking for a folder's own page; parameters stay, for they make another page.
 */
export function pagePathOf(url: string, site: SiteAddressing): string {
  const { pathname, search } = new URL(url);
  const path = decodePath(pathname.slice(1), site);
  return search === '' || path === '' || path.endsWith('/') ? pageName(path, site) + search : path + search;
}

/** A page's path with a folder's own page under its usual name: `news/` and `news/index.php` are `news/index.html`. */
export function pageName(
  path: string,
  { indexNames = INDEX_NAMES }: Pick<SiteAddressing, 'indexNames'>,
): string {
  const cut = path.lastIndexOf('/') + 1;
  const name = path.slice(cut).toLowerCase();
  return name === '' || indexNames.includes(name) ? path.slice(0, cut) + (indexNames[0] ?? '') : path;
}

const NOT_PAGES =
  /\.(?:jpe?g|png|gif|webp|avif|svgz?|bmp|ico|tiff?|hei[cf]|css|m?js|json|xml|rss|atom|txt|csv|pdf|docx?|xlsx?|pptx?|od[tsp]|rtf|zip|gz|tgz|bz2|xz|7z|rar|tar|exe|dmg|deb|rpm|iso|mp[34g]|m4[av]|ogg|og[av]|wav|flac|aac|webm|mov|avi|mkv|wmv|woff2?|ttf|otf|eot|ics|vcf|epub|mobi|swf|wasm|map|webmanifest)$/i;

/** Whether an address may be a page, judged by the ending of its path. */
export function mayBePage(url: string): boolean {
  return !NOT_PAGES.test(new URL(url).pathname);
}
