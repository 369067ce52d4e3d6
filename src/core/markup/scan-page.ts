/**
 * A quick look at a page for where it leads and what it is dressed by: enough to read a whole site, without the tree
 * that reading its places takes. It goes from tag to tag; comments, scripts and other raw text are passed over. It is
 * linear: whatever has no end ends the page, as it does for the HTML tokenizer. It does not know where SVG begins, whose
 * scripts and styles may hold elements: those are passed over too.
 */
import { decodeHTMLAttribute } from 'entities/decode';
import { PageAddresses } from '../address/page-addresses';
import { parseUrl } from '../address/parse-url';
import { isLeadingLink, refreshAddress } from './page-links';
import { behindTagName, visitAttributes } from './start-tag';

export interface PageScan {
  /** Absolute URLs, without fragments, each once. */
  readonly links: readonly string[];
  readonly sheets: readonly string[];
  readonly manifests: readonly string[];
}

interface ScanOptions {
  readonly isXml?: boolean;
  readonly addresses?: PageAddresses;
}

/** Elements that are looked at, and where each says what it leads to. */
const LINK_ATTRIBUTE: Readonly<Record<string, string>> = {
  a: 'href',
  area: 'href',
  iframe: 'src',
  frame: 'src',
  link: 'href',
  base: 'href',
};

/** Elements whose content is text and no markup (HTML standard, §13.2.5: raw text, RCDATA, script data). */
const RAW = new Set(['script', 'style', 'textarea', 'title', 'xmp', 'noembed', 'noframes', 'iframe']);

/**
 * @param pageUrl absolute URL of the page, against which its addresses resolve
 * @param options.isXml whether it is read as XML, where every element may close itself and nothing is raw text
 * @param options.addresses what is known of addresses from the pages before
 */
export function scanPage(
  text: string,
  pageUrl: string,
  { isXml = false, addresses = new PageAddresses() }: ScanOptions = {},
): PageScan {
  const scan = new Scan(text, pageUrl, isXml);
  scan.run();
  const absolute = (written: ReadonlySet<string>) => {
    const urls = new Set<string>();
    for (const address of written) {
      const url = addresses.absolute(address.trim(), scan.base);
      if (url !== null) urls.add(url);
    }
    return [...urls];
  };
  return {
    links: absolute(scan.links),
    sheets: absolute(scan.sheets),
    manifests: absolute(scan.manifests),
  };
}

class Scan {
  readonly links = new Set<string>();
  readonly sheets = new Set<string>();
  readonly manifests = new Set<string>();
  base: string;
  private at = 0;
  private isBaseKnown = false;
  private nextDouble = -1;
  private nextSingle = -1;

  constructor(
    private readonly text: string,
    private readonly pageUrl: string,
    private readonly isXml: boolean,
  ) {
    this.base = pageUrl;
  }

  run(): void {
    const { text } = this;
    for (this.at = text.indexOf('<'); this.at >= 0; this.at = text.indexOf('<', this.at)) {
      const next = text.charCodeAt(this.at + 1);
      if (isLetter(next)) this.startTag();
      else if (next === 0x2f && isLetter(text.charCodeAt(this.at + 2))) this.skipTag(this.at + 2);
      else if (next === 0x21 || next === 0x3f || next === 0x2f) this.skipDeclaration();
      else this.at++;
      if (this.at < 0) return;
    }
  }

  private startTag(): void {
    const { text } = this;
    const end = behindTagName(text, this.at);
    const name = text.slice(this.at + 1, end).toLowerCase();
    const wanted = LINK_ATTRIBUTE[name];
    if (name === 'meta') this.readMeta(end);
    else if (wanted === undefined) this.skipTag(end);
    else this.readTag(name, wanted, end);
    if (this.at < 0) return;
    if (name === 'plaintext') this.at = -1;
    else if (RAW.has(name) && !(this.isXml && text[this.at - 2] === '/')) this.skipRaw(name);
  }

  /** Goes behind a tag's `>`; one inside quotes does not end it. */
  private skipTag(from: number): void {
    const { text } = this;
    const end = text.indexOf('>', from);
    if (end < 0) this.at = -1;
    else if (!this.isQuoted(from, end)) this.at = end + 1;
    else this.at = visitAttributes(text, from, () => false);
  }

  /** Whether there is a quote between two places. Where the next ones stand is looked for once, not at every tag. */
  private isQuoted(from: number, end: number): boolean {
    if (this.nextDouble < from) this.nextDouble = this.next('"', from);
    if (this.nextSingle < from) this.nextSingle = this.next("'", from);
    return this.nextDouble < end || this.nextSingle < end;
  }

  private next(quote: string, from: number): number {
    const at = this.text.indexOf(quote, from);
    return at < 0 ? Infinity : at;
  }

  private readTag(name: string, wanted: string, from: number): void {
    let address: string | null = null;
    let rel = '';
    this.readAttributes(from, (attribute, value) => {
      if (attribute === wanted) address ??= value;
      else if (attribute === 'rel') rel ||= value;
    });
    if (address !== null) this.take(name, address, rel);
  }

  /** A page that sends its readers on leads there, like a link. */
  private readMeta(from: number): void {
    let content = '';
    let isRefresh = false;
    this.readAttributes(from, (attribute, value) => {
      if (attribute === 'content') content ||= value;
      else if (attribute === 'http-equiv') isRefresh ||= value.trim().toLowerCase() === 'refresh';
    });
    const address = isRefresh ? refreshAddress(content) : null;
    if (address) this.links.add(address);
  }

  private take(name: string, address: string, rel: string): void {
    if (name === 'base') {
      if (!this.isBaseKnown) this.base = parseUrl(address, this.pageUrl)?.href ?? this.base;
      this.isBaseKnown = true;
    } else if (name !== 'link') this.links.add(address);
    else {
      const rels = rel.toLowerCase().split(/\s+/);
      // What is loaded ahead makes itself a style sheet, mostly.
      if (rels.includes('stylesheet') || (rels.includes('preload') && /\.css(?:[?#]|$)/iu.test(address)))
        this.sheets.add(address);
      else if (rels.includes('manifest')) this.manifests.add(address);
      else if (isLeadingLink(rel)) this.links.add(address);
    }
  }

  /** Reads attributes up to the tag's end, and stands behind it. */
  private readAttributes(from: number, found: (name: string, value: string) => void): void {
    const { text } = this;
    this.at = visitAttributes(text, from, ({ nameStart, nameEnd, valueStart, valueEnd }) => {
      found(text.slice(nameStart, nameEnd).toLowerCase(), decoded(text.slice(valueStart, valueEnd)));
      return false;
    });
  }

  /** Goes to the end tag of an element of raw text. */
  private skipRaw(name: string): void {
    const end = new RegExp(`</${name}(?=[\\s/>])`, 'gi');
    end.lastIndex = this.at;
    this.at = end.exec(this.text)?.index ?? -1;
  }

  private skipDeclaration(): void {
    const { text, at } = this;
    if (!text.startsWith('<!--', at)) {
      const end = text.indexOf('>', at);
      this.at = end < 0 ? -1 : end + 1;
      return;
    }
    // `<!-->` and `<!--->` are whole comments, and `--!>` ends one too.
    const end = /^<!--(?:-?>)/.exec(text.slice(at, at + 6));
    if (end) this.at = at + end[0].length;
    else {
      const close = /--!?>/g;
      close.lastIndex = at + 4;
      this.at = close.test(text) ? close.lastIndex : -1;
    }
  }
}

const isLetter = (unit: number) => (unit >= 97 && unit <= 122) || (unit >= 65 && unit <= 90);
const decoded = (raw: string) => (raw.includes('&') ? decodeHTMLAttribute(raw) : raw);
