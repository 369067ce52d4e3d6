/** What is recorded of a picture, as the fields that a file carries it in, so that it goes wherever the file goes. */
import { isoDay } from '../dating/day';
import { commonsName, type Terms } from './licences';
import type { PictureFields } from './records';

/**
 * Rights for a file, by what they say: IPTC Photo Metadata Standard 2023.2, XMP Rights Management (ISO 16684-1), Creative
 * Commons’ `cc:` terms, PLUS 1.2. Absent where nothing is recorded: then a file keeps what it says already.
 */
export interface MetadataOut {
  readonly title?: string;
  readonly creators?: readonly string[];
  /** Whom to name beside the picture. */
  readonly credit?: string;
  /** Where it was found. */
  readonly source?: string;
  readonly copyrightNotice?: string;
  readonly owner?: string;
  readonly usageTerms?: string;
  /** Where the terms can be read. */
  readonly webStatement?: string;
  /** Whether somebody has rights in it: `false` for the public domain. */
  readonly isMarked?: boolean;
  /** Address of a Creative Commons deed. */
  readonly licence?: string;
  readonly attributionUrl?: string;
  /** `2026-08-31`. */
  readonly licenceEnd?: string;
  /** PLUS: nobody can be recognised; the releases of all who can are unlimited; limited; there are none. */
  readonly modelRelease?: 'MR-NAP' | 'MR-UMR' | 'MR-LMR' | 'MR-NON';
}

/** How the releases of the people on a picture stand, as far as is recorded. */
export type ReleasesOnFile = 'nobody' | 'unlimited' | 'limited' | 'none';

const MODEL_RELEASE = { nobody: 'MR-NAP', unlimited: 'MR-UMR', limited: 'MR-LMR', none: 'MR-NON' } as const;

/** @param releases `null` where it is not recorded who is on it */
export function metadataOut(
  fields: PictureFields,
  terms: Terms | null,
  releases: ReleasesOnFile | null,
): MetadataOut {
  const creators = (fields.creator ?? []).filter((name) => name.trim() !== '');
  const owner = fields.holder?.trim() || creators[0];
  // The organisation’s own work is free to it, and its own all the same.
  const isFree = terms?.kind === 'free' && terms.id !== 'own-work';
  const line = terms?.record?.line?.trim();
  const deed = terms === null ? null : deedOf(terms);
  const end = fields.until ?? terms?.record?.until ?? null;
  const said: Record<string, unknown> = {
    title: fields.title?.trim(),
    creators: creators.length > 0 ? creators : undefined,
    credit: line || fields.holder?.trim() || creators.join(', '),
    source: fields.source?.trim(),
    owner: isFree ? undefined : owner,
    copyrightNotice: isFree || !owner ? undefined : `© ${owner}`,
    usageTerms: usageOf(terms),
    webStatement: deed ?? undefined,
    licence: deed ?? undefined,
    attributionUrl: fields.source && /^https?:\/\//iu.test(fields.source) ? fields.source : undefined,
    isMarked: terms === null ? undefined : !isFree,
    licenceEnd: end === null ? undefined : isoDay(end),
    modelRelease: releases === null ? undefined : MODEL_RELEASE[releases],
  };
  return Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined && value !== ''));
}

/** The address at which a licence of Creative Commons, or a dedication, can be read; `null` for others. */
export function deedOf({ id, commons }: Terms): string | null {
  const at = 'https://creativecommons.org';
  if (id === 'cc0-1.0') return `${at}/publicdomain/zero/1.0/`;
  if (id === 'pdm-1.0' || id === 'cc-pdm-1.0') return `${at}/publicdomain/mark/1.0/`;
  if (!commons) return null;
  const conditions = [commons.by ? 'by' : null, ...ORDER.filter((one) => commons.conditions.has(one))];
  const path = [conditions.filter(Boolean).join('-'), commons.version, commons.port]
    .filter(Boolean)
    .join('/');
  return `${at}/licenses/${path}/`;
}

const ORDER = ['nc', 'nd', 'sa'] as const;

function usageOf(terms: Terms | null): string | undefined {
  if (terms === null) return undefined;
  const { record, commons, name, id } = terms;
  if (commons) return commonsName(commons);
  if (id === 'own-work') return undefined;
  if (!record) return name;
  const limits = [
    record.purposes && record.purposes.length > 0 ? `for ${record.purposes.join(', ')} only` : '',
    terms.mayBeSold ? '' : 'not for commercial use',
    terms.mayBeModified ? '' : 'not to be changed',
    record.sites && record.sites.length > 0 ? `on ${record.sites.join(', ')} only` : '',
  ].filter(Boolean);
  return limits.length > 0 ? `${name}: ${limits.join('; ')}` : name;
}
