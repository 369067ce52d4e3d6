import { parseUrl } from '../address/parse-url';
import { attributeText, type Element } from './attribute-value';
import type { PageTree } from './page-tree';

/**
 * Where a page leads: its links, areas, frames and next or previous pages; absolute URLs without fragments, each once,
 * in page order. `nofollow` speaks to search engines about rank, and is no reason to miss a page of one's own site.
 */
export function pageLinks(tree: PageTree, base: string): string[] {
  const links = new Set<string>();
  // Pages say the same address many times over, and making a URL of it is the dear part.
  const known = new Set<string>();
  for (const element of tree.elements) {
    const written = writtenLink(element);
    if (!written || written.startsWith('#') || known.has(written)) continue;
    known.add(written);
    const url = parseUrl(written, base);
    if (url?.protocol !== 'http:' && url?.protocol !== 'https:') continue;
    url.hash = '';
    links.add(url.href);
  }
  return [...links];
}

function writtenLink(element: Element): string | null {
  switch (element.tagName) {
    case 'a':
    case 'area':
      return attributeText(element, 'href')?.trim() || null;
    case 'iframe':
    case 'frame':
      return attributeText(element, 'src')?.trim() || null;
    case 'link':
      return isLeadingLink(attributeText(element, 'rel') ?? '')
        ? attributeText(element, 'href')?.trim() || null
        : null;
    case 'meta':
      return attributeText(element, 'http-equiv')?.trim().toLowerCase() === 'refresh'
        ? refreshAddress(attributeText(element, 'content') ?? '')
        : null;
    default:
      return null;
  }
}

/**
 * Where a refresh leads (HTML standard, "shared declarative refresh steps"): `5; url='next.html'`. `null` where it only
 * loads the page again.
 */
export function refreshAddress(content: string): string | null {
  const match = /^\s*[\d.]+\s*[;,\s]\s*(?:url\s*=\s*)?(?:"([^"]*)"?|'([^']*)'?|(.*))$/isu.exec(content);
  return (match?.[1] ?? match?.[2] ?? match?.[3])?.trim() || null;
}

/** Whether a `link` with that `rel` leads to another page of the site. */
export function isLeadingLink(rel: string): boolean {
  return /\b(?:next|prev|canonical|alternate)\b/i.test(rel) && !/stylesheet/i.test(rel);
}
