import type { Element } from './attribute-value';
import { attributeText } from './attribute-value';
import type { PageTree } from './page-tree';

/** Links that a page asks not to be followed count as seen, not as followed (`rel=nofollow`). */
export interface PageLink {
  /** Absolute URL without its fragment. */
  readonly url: string;
  readonly follow: boolean;
}

/** Where a page leads: its links, areas, frames and next or previous pages; each address once, in page order. */
export function pageLinks(tree: PageTree, base: string): PageLink[] {
  const links = new Map<string, PageLink>();
  // Pages say the same address many times over, and making a URL of it is the dear part.
  const known = new Set<string>();
  for (const element of tree.elements) {
    const written = writtenLink(element);
    if (!written || written.startsWith('#') || known.has(written) || !URL.canParse(written, base)) continue;
    known.add(written);
    const url = new URL(written, base);
    if (url.protocol !== 'http:' && url.protocol !== 'https:') continue;
    url.hash = '';
    const follow = !/\bnofollow\b/i.test(attributeText(element, 'rel') ?? '');
    if (!follow) known.delete(written);
    if (!links.get(url.href)?.follow) links.set(url.href, { url: url.href, follow });
  }
  return [...links.values()];
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
      return /\b(?:next|prev|canonical|alternate)\b/i.test(attributeText(element, 'rel') ?? '') &&
        !/stylesheet/i.test(attributeText(element, 'rel') ?? '')
        ? attributeText(element, 'href')?.trim() || null
        : null;
    default:
      return null;
  }
}
