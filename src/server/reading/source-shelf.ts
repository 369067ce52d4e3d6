/** A site's style sheets and manifests, decoded and read once each, however many pages ask for them. */
import { urlOfPath, type SiteAddressing } from '@/core/address/resolve-address';
import { manifestText, type ManifestText } from '@/core/markup/place-manifests';
import { sheetText, type SheetText } from '@/core/markup/place-styles';
import { decodeBytes, decodeCss } from '@/core/source/decode-source';
import { declaresEncoding } from '@/core/source/sniff-encoding';

/** The bytes of a style sheet or manifest. Shared memory, so that threads need no copies. */
export interface SharedSource {
  readonly path: string;
  readonly bytes: Uint8Array<SharedArrayBuffer>;
  readonly role: 'sheet' | 'manifest';
  readonly httpCharset: string | null;
}

export interface SourceShelf {
  sheetOf(path: string, environment?: string): SheetText | undefined;
  manifestOf(path: string): ManifestText | undefined;
  /** Every sheet, read without the surroundings of a page. */
  sheets(): SheetText[];
}

/** Bytes as shared memory. */
export function shared(bytes: Uint8Array): Uint8Array<SharedArrayBuffer> {
  const copy = new Uint8Array(new SharedArrayBuffer(bytes.length));
  copy.set(bytes);
  return copy;
}

export function sourceShelf(sources: readonly SharedSource[], site: SiteAddressing): SourceShelf {
  const sheets = new Map<string, SharedSource>();
  const manifests = new Map<string, SharedSource>();
  for (const source of sources) (source.role === 'sheet' ? sheets : manifests).set(source.path, source);
  const readSheets = new Map<string, SheetText>();
  const dependent = new Map<string, boolean>();
  const readManifests = new Map<string, ManifestText>();
  const sheetOf = (path: string, environment?: string): SheetText | undefined => {
    const source = sheets.get(path);
    if (!source) return undefined;
    let depends = dependent.get(path);
    if (depends === undefined)
      dependent.set(path, (depends = dependsOnPage(unshared(source.bytes), source.httpCharset)));
    const hint = environment && depends ? environment : null;
    const key = hint ? `${path}\n${hint}` : path;
    let text = readSheets.get(key);
    if (!text) {
      const decoded = decodeCss(unshared(source.bytes), {
        httpCharset: source.httpCharset,
        environment: hint,
      });
      text = sheetText(path, urlOfPath(path, site), decoded);
      readSheets.set(key, text);
    }
    return text;
  };
  return {
    sheetOf,
    manifestOf(path) {
      const source = manifests.get(path);
      if (!source) return undefined;
      let text = readManifests.get(path);
      if (!text) {
        text = manifestText(path, urlOfPath(path, site), decodeBytes(unshared(source.bytes), 'utf-8'));
        readManifests.set(path, text);
      }
      return text;
    },
    sheets: () => [...sheets.keys()].flatMap((path) => sheetOf(path) ?? []),
  };
}

/** Decoders refuse shared memory. */
function unshared(bytes: Uint8Array): Uint8Array {
  return new Uint8Array(bytes);
}

/** Whether a sheet's encoding is that of the page that links it: it says none itself, and it matters. */
function dependsOnPage(bytes: Uint8Array, httpCharset: string | null): boolean {
  return httpCharset === null && !declaresEncoding(bytes) && bytes.some((byte) => byte > 127);
}
