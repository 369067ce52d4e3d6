/** What an answer says that it is, read as browsers read it. */
import { parseMIMEType } from 'undici';

export interface ContentType {
  /** Lower case, without parameters; empty where nothing that can be read is said. */
  readonly type: string;
  readonly charset: string | null;
}

/**
 * The type of a `Content-Type` header (https://fetch.spec.whatwg.org/#concept-header-extract-mime-type). Servers that say it
 * twice have it joined by commas: the last one that can be read holds, and one of the same type keeps an earlier charset.
 */
export function contentType(header: string | null): ContentType {
  let told: ContentType = { type: '', charset: null };
  for (const part of (header ?? '').split(',')) {
    const read = parseMIMEType(part);
    if (read === 'failure' || read.essence === '*/*') continue;
    const charset = read.parameters.get('charset') ?? (read.essence === told.type ? told.charset : null);
    told = { type: read.essence, charset };
  }
  return told;
}
