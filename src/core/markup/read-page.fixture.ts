/** A page of the folder `sub`, read with its style sheets. */
import { addressText, siteOfFiles, urlOfPath } from '../address/resolve-address';
import { sheetText, type SheetText } from './place-styles';
import { readPage, type PageReading } from './read-page';

export const site = siteOfFiles();

export function read(text: string, sheets: Record<string, string> = {}): PageReading {
  const known = new Map<string, SheetText>();
  for (const [path, css] of Object.entries(sheets)) {
    known.set(path, sheetText(path, urlOfPath(path, site), { text: css, encoding: 'utf-8' }));
  }
  return readPage({
    address: 'sub/page.html',
    source: { text, encoding: 'utf-8' },
    site,
    sheetOf: (path) => known.get(path),
  });
}

/** Each placement as `kind raw → address`, and a check that its span holds in its source. */
export function rows(text: string, sheets: Record<string, string> = {}): string[] {
  return read(text, sheets).placements.map((placement) => {
    const source = placement.source === 'sub/page.html' ? text : (sheets[placement.source] ?? '');
    if (source.slice(placement.start, placement.end) !== placement.raw)
      throw new Error(`${placement.raw} does not stand where it was said to`);
    return `${placement.dormant ? 'dormant ' : ''}${placement.kind} ${placement.raw} → ${addressText(placement.address)}`;
  });
}
