/**
 * What an organisation has written down about its pictures' rights. A field that is `undefined` was not said; `null` was
 * said, and stands before what a less exact record says. An empty list says what an absent field says, but for releases.
 */
import type { Day } from '../dating/day';

/** The site itself. */
interface SiteRecord {
  readonly record: 'site';
  readonly host?: string | null | undefined;
  /** Addresses of its pages of picture credits, whatever these call themselves. */
  readonly credits?: readonly string[] | null | undefined;
}

/** What the pages of a part of the site are for. */
export interface SectionRecord {
  readonly record: 'section';
  readonly pattern: string;
  readonly purpose?: string | null | undefined;
  readonly commercial?: boolean | null | undefined;
}

/** What is known of some files; each is an address or a pattern. */
export interface PictureRecord extends PictureFields {
  readonly record: 'picture';
  readonly files: readonly string[];
}

/** What may be said of a picture, field by field. */
export interface PictureFields {
  readonly title?: string | null | undefined;
  readonly creator?: readonly string[] | null | undefined;
  readonly holder?: string | null | undefined;
  /** Where it was found: an address, or words. */
  readonly source?: string | null | undefined;
  /** Its id in the catalogue, or of a licence record. */
  readonly licence?: string | null | undefined;
  /** First and last day of its own purchase, both included. */
  readonly from?: Day | null | undefined;
  readonly until?: Day | null | undefined;
  /** Whether somebody can be recognised on it. */
  readonly people?: 'none' | 'some' | null | undefined;
}

/** Terms that are the organisation's own: bought, written, or told. */
export interface LicenceRecord {
  readonly record: 'licence';
  /** `own:…`. */
  readonly id: string;
  readonly name?: string | null | undefined;
  readonly purposes?: readonly string[] | null | undefined;
  readonly commercial?: boolean | null | undefined;
  readonly modify?: boolean | null | undefined;
  readonly credit?: boolean | null | undefined;
  /** The very words of the credit. */
  readonly line?: string | null | undefined;
  /** Where it may be shown, in the words of the licence: a country, a region. Pages are read everywhere. */
  readonly territory?: string | null | undefined;
  /** Hosts on which it may be shown. */
  readonly sites?: readonly string[] | null | undefined;
  readonly from?: Day | null | undefined;
  readonly until?: Day | null | undefined;
}

/** A permission that a person, or a child's guardian, gave. */
export interface Release {
  /** What for; none for everything. */
  readonly purposes?: readonly string[] | null | undefined;
  readonly from?: Day | null | undefined;
  readonly until?: Day | null | undefined;
  /** The day on which it was taken back. */
  readonly withdrawn?: Day | null | undefined;
}

/** A person by initials, a number or a name, as the organisation wants. */
export interface PersonRecord {
  readonly record: 'person';
  readonly id: string;
  /** An empty list: asked, and none given. */
  readonly releases?: readonly Release[] | null | undefined;
}

/** Who can be recognised on some files. */
export interface ShowsRecord {
  readonly record: 'shows';
  readonly files: readonly string[];
  readonly people?: readonly string[] | null | undefined;
  /** Where they are on the file, as far as somebody marked it. */
  readonly marks?: readonly PersonMark[] | null | undefined;
}

/** Where a person's face is, in shares of width and height, 0 to 1. */
export interface PersonMark {
  readonly person: string;
  readonly x: number;
  readonly y: number;
}

/** Whether every picture is to be credited, whatever its licence asks for. */
interface CreditFormRecord {
  readonly record: 'credit-form';
  readonly always?: boolean | null | undefined;
  /** The name of a form, or a template with fields in braces. */
  readonly form?: string | null | undefined;
  /** The pages for which that form is; absent for all. */
  readonly pattern?: string | null | undefined;
}

export type RightsRecord =
  | SiteRecord
  | SectionRecord
  | PictureRecord
  | LicenceRecord
  | PersonRecord
  | ShowsRecord
  | CreditFormRecord;

/** Whether a field says anything. */
export const isSaid = (value: unknown): boolean =>
  value !== undefined && !(Array.isArray(value) && value.length === 0);
