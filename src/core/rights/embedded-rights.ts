/** What a file carries of its rights (IPTC, XMP, EXIF, PLUS), as a record might say it: to be looked at, and taken over or not. */
import { idOfDeed } from './credit/licence-mentions';

/** The fields of a file's metadata that speak of rights. */
export interface EmbeddedRights {
  readonly creator?: string;
  readonly credit?: string;
  readonly copyright?: string;
  readonly source?: string;
  readonly usageTerms?: string;
  readonly licenceUrl?: string;
}

export interface ProposedRights {
  readonly creator: string;
  readonly holder: string;
  readonly licence: string;
  readonly source: string;
  /** What it says besides, in its own words. */
  readonly says: readonly string[];
}

/** @returns `null` where the file says nothing of rights */
export function proposedRights(file: EmbeddedRights): ProposedRights | null {
  const { creator = '', credit = '', copyright = '', source = '', usageTerms = '', licenceUrl = '' } = file;
  const licence = idOfDeed(licenceUrl) ?? idOfDeed(usageTerms) ?? idOfDeed(copyright) ?? '';
  const holder = credit !== '' && credit !== creator ? credit : holderIn(copyright);
  const says = [copyright, usageTerms].filter((text) => text !== '' && text !== creator);
  if ([creator, holder, source, licence, ...says].every((text) => text === '')) return null;
  return { creator, holder: holder === creator ? '' : holder, licence, source, says };
}

/** `© 2024 Brightline. All rights reserved.` is Brightline's. */
function holderIn(notice: string): string {
  const [, name = ''] =
    /^(?:©|\(c\)|copyright)+\s*(?:\d{4}(?:\s*[–-]\s*\d{2,4})?)?,?\s*(?:by\s+)?([^.,;|]+)/iu.exec(
      notice.trim(),
    ) ?? [];
  return name.trim();
}

/** A field that a file says otherwise than the record of its picture. */
export interface Contradiction {
  readonly field: 'Who made it' | 'Whose it is' | 'Licence';
  readonly file: string;
  readonly record: string;
}

/**
 * Where a file contradicts what is recorded; upper and lower case, accents and punctuation make none, and what only one of
 * the two says makes none either.
 *
 * @param record the fields of a picture's record, as it is written
 */
export function contradictions(
  { creator, holder, licence }: Pick<ProposedRights, 'creator' | 'holder' | 'licence'>,
  record: Readonly<Record<string, unknown>>,
): Contradiction[] {
  const fields = [
    ['Who made it', creator, record['creator']],
    ['Whose it is', holder, record['holder']],
    ['Licence', licence, record['licence']],
  ] as const;
  return fields.flatMap(([field, file, said]) => {
    const recorded = (Array.isArray(said) ? said : [said]).filter(
      (one): one is string => typeof one === 'string' && one !== '',
    );
    if (file === '' || recorded.length === 0) return [];
    return recorded.some((one) => folded(one) === folded(file))
      ? []
      : [{ field, file, record: recorded.join('; ') }];
  });
}

const folded = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[^\p{L}\p{N}]+/gu, '')
    .toLowerCase();
