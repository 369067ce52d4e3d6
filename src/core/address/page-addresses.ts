/** Web addresses as pages write them, made absolute; the same ones stand on page after page, and are read once. */
import { parseUrl } from './parse-url';

/** What is kept before it is begun anew. */
const MOST_KEPT = 50_000;

/** Addresses without a value of their own: they lead nowhere else, or to no page. */
const NOWHERE = /^(?:#|$|(?:mailto|tel|javascript|data):)/i;

/**
 * Addresses that are read against the folder a page stands in, or against nothing. A query alone belongs to the page itself,
 * as does a scheme alone (`https:?x`), and what begins otherwise is left to the standard each time.
 */
const FROM_FOLDER = /^(?:https?:\/\/|[\p{L}\p{N}./%~_-][^:?#]*(?:[?#]|$))/u;

export class PageAddresses {
  private readonly kept = new Map<string, string | null>();
  /** The last page that was asked for: its links come one after the other. */
  private last = { base: '', folder: '' };

  /**
   * The absolute address, without its fragment; `null` where it is none of the web.
   *
   * @param written without white space around it
   * @param base absolute, as the URL standard writes it
   */
  absolute(written: string, base: string): string | null {
    if (NOWHERE.test(written)) return null;
    if (!FROM_FOLDER.test(written)) return absolute(written, base);
    if (this.last.base !== base) this.last = { base, folder: folderOf(base) };
    const key = `${this.last.folder} ${written}`;
    let known = this.kept.get(key);
    if (known === undefined) {
      if (this.kept.size >= MOST_KEPT) this.kept.clear();
      known = absolute(written, base);
      this.kept.set(key, known);
    }
    return known;
  }
}

function absolute(written: string, base: string): string | null {
  const url = parseUrl(written, base);
  if (!url || (url.protocol !== 'http:' && url.protocol !== 'https:')) return null;
  // An empty fragment is one as well.
  if (written.includes('#')) url.hash = '';
  return url.href;
}

/** An address up to the last slash of its path. */
function folderOf(url: string): string {
  const end = url.search(/[?#]/);
  const path = end < 0 ? url : url.slice(0, end);
  return path.slice(0, path.lastIndexOf('/') + 1);
}
