/** Reads sitemaps (https://www.sitemaps.org/protocol.html), index files and the image extension included. */
import { XMLParser } from 'fast-xml-parser';
import { parseUrl } from '../address/parse-url';

export interface SitemapReading {
  /** Absolute addresses of pages. */
  readonly pages: readonly string[];
  /** Absolute addresses of further sitemaps, for an index file. */
  readonly sitemaps: readonly string[];
  /** Absolute addresses of pictures that the image extension names. */
  readonly pictures: readonly string[];
}

// Entities of the document's own are never expanded: they have no use here, and a few of them can fill the memory.
const parser = new XMLParser({
  ignoreAttributes: true,
  removeNSPrefix: true,
  processEntities: { enabled: true, maxTotalExpansions: 500_000 },
  isArray: (name) => name === 'url' || name === 'sitemap' || name === 'image',
});

const ROOTS = ['urlset', 'sitemapindex'];

/**
 * The addresses in a sitemap's text: XML, or one address a line; `null` for what can't be read as either.
 *
 * @param base absolute URL of the sitemap
 */
export function readSitemap(text: string, base: string): SitemapReading | null {
  const start = text.trimStart().slice(0, 200);
  if (/^https?:\/\//i.test(start)) {
    return { pages: absolute(text.split(/\r?\n/), base), sitemaps: [], pictures: [] };
  }
  if (!start.startsWith('<') || /<!DOCTYPE\s+html|<html/i.test(start)) return null;
  let tree: unknown;
  try {
    tree = parser.parse(text);
  } catch {
    // Broken XML is no sitemap; the links of the pages lead on.
    return null;
  }
  if (!ROOTS.some((root) => typeof tree === 'object' && tree !== null && Object.hasOwn(tree, root)))
    return null;
  const urls = list(field(field(tree, 'urlset'), 'url'));
  return {
    pages: absolute(
      urls.map((url) => field(url, 'loc')),
      base,
    ),
    sitemaps: absolute(
      list(field(field(tree, 'sitemapindex'), 'sitemap')).map((entry) => field(entry, 'loc')),
      base,
    ),
    pictures: absolute(
      urls.flatMap((url) => list(field(url, 'image')).map((image) => field(image, 'loc'))),
      base,
    ),
  };
}

function field(of: unknown, name: string): unknown {
  return typeof of === 'object' && of !== null && Object.hasOwn(of, name)
    ? (of as Record<string, unknown>)[name]
    : undefined;
}

function list(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? value : [];
}

function absolute(values: readonly unknown[], base: string): string[] {
  return values.flatMap((value) => {
    const text = typeof value === 'string' ? value.trim() : '';
    return text === '' ? [] : (parseUrl(text, base)?.href ?? []);
  });
}
