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
