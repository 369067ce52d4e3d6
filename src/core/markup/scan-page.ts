/**
 * A quick look at a page for where it leads and what it is dressed by: enough to read a whole site, without the tree
 * that reading its places takes. Comments and scripts are passed over as in a full reading.
 */
import { Parser } from 'htmlparser2';
import { isLeadingLink } from './page-links';

export interface PageScan {
  /** Absolute URLs, without fragments, each once. */
  readonly links: readonly string[];
  readonly sheets: readonly string[];
  readonly manifests: readonly string[];
}

const LINK_ATTRIBUTE: Readonly<Record<string, string>> = {
  a: 'href',
  area: 'href',
  iframe: 'src',
  frame: 'src',
};

/** @param pageUrl absolute URL of the page, against which its addresses resolve */
export function scanPage(text: string, pageUrl: string): PageScan {
  let base = pageUrl;
  let isBaseKnown = false;
  const found = { links: new Set<string>(), sheets: new Set<string>(), manifests: new Set<string>() };
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        const attribute = LINK_ATTRIBUTE[name];
        if (attribute !== undefined) {
          const written = attributes[attribute];
          if (written) found.links.add(written);
        } else if (name === 'link') {
          const { href, rel = '' } = attributes;
          if (!href) return;
          const rels = rel.toLowerCase().split(/\s+/);
          if (rels.includes('stylesheet')) found.sheets.add(href);
          else if (rels.includes('manifest')) found.manifests.add(href);
          else if (isLeadingLink(rel)) found.links.add(href);
        } else if (name === 'base' && !isBaseKnown && attributes['href'] !== undefined) {
          isBaseKnown = true;
          if (URL.canParse(attributes['href'], pageUrl)) base = new URL(attributes['href'], pageUrl).href;
        }
      },
    },
    { decodeEntities: true },
  );
  parser.write(text);
  parser.end();
  return {
    links: absolute(found.links, base),
    sheets: absolute(found.sheets, base),
    manifests: absolute(found.manifests, base),
  };
}

function absolute(written: ReadonlySet<string>, base: string): string[] {
  const urls = new Set<string>();
  for (const address of written) {
    const start = address.trimStart();
    if (start.startsWith('#') || /^(?:mailto|tel|javascript|data):/i.test(start)) continue;
    if (!URL.canParse(address, base)) continue;
    const url = new URL(address, base);
    if (url.hash) url.hash = '';
    urls.add(url.href);
  }
  return [...urls];
}
