/**
 * The catalogue of licences: those of Creative Commons and the dedications to the public domain by their SPDX identifiers
 * (https://spdx.org/licenses/), and the organisation's own work. Licences of software are not in it.
 */
import spdxIds from 'spdx-license-ids/index.json';
import type { LicenceRecord } from './records';

/** What a licence of Creative Commons asks for beyond the credit. */
export type Condition = 'nc' | 'nd' | 'sa';

/** A licence of Creative Commons, as a credit has to name it. */
export interface CommonsLicence {
  readonly by: boolean;
  readonly conditions: ReadonlySet<Condition>;
  /** `4.0`. */
  readonly version: string;
  /** Code of the jurisdiction it was written for, lower case; `null` for none. */
  readonly port: string | null;
}

/** What a licence says, whoever wrote it. */
export interface Terms {
  readonly id: string;
  /** As people write it. */
  readonly name: string;
  readonly kind: 'commons' | 'free' | 'own';
  readonly commons: CommonsLicence | null;
  readonly record: LicenceRecord | null;
  readonly mayBeSold: boolean;
  readonly mayBeModified: boolean;
  readonly needsCredit: boolean;
}

const COMMONS = /^cc-(by)?((?:-?(?:nc|nd|sa))*)-(\d\.\d)(?:-([a-z]{2,3}))?$/;
const LISTED = new Map(spdxIds.map((id) => [id.toLowerCase(), id]));

/** What needs no licence, by its id in lower case. */
const FREE: ReadonlyMap<string, string> = new Map([
  ['cc0-1.0', 'CC0 1.0'],
  ['pdm-1.0', 'Public Domain Mark 1.0'],
  ['cc-pdm-1.0', 'Public Domain Mark 1.0'],
  ['cc-pddc', 'Public domain'],
  ['public-domain', 'Public domain'],
  ['own-work', 'Own work'],
]);

const known = new Map<string, Terms | null>();

/**
 * A licence of the catalogue.
 *
 * @param id an SPDX identifier in any case, `PDM-1.0`, `public-domain` or `own-work`
 * @returns `null` where the catalogue does not have it
 */
export function catalogued(id: string): Terms | null {
  const key = id.trim().toLowerCase();
  let terms = known.get(key);
  if (terms === undefined) known.set(key, (terms = read(key)));
  return terms;
}

function read(key: string): Terms | null {
  const free = FREE.get(key);
  if (free !== undefined) {
    const rest = { kind: 'free', commons: null, record: null, needsCredit: false } as const;
    return { id: key, name: free, ...rest, mayBeSold: true, mayBeModified: true };
  }
  const id = LISTED.get(key);
  const commons = id === undefined ? null : commonsLicence(key);
  if (id === undefined || !commons) return null;
  return {
    ...{ id, name: commonsName(commons), kind: 'commons', commons, record: null },
    mayBeSold: !commons.conditions.has('nc'),
    mayBeModified: !commons.conditions.has('nd'),
    needsCredit: commons.by,
  };
}

function commonsLicence(id: string): CommonsLicence | null {
  const [, by, conditions = '', version = '', port = null] = COMMONS.exec(id) ?? [];
  if (version === '' || (!by && conditions === '')) return null;
  return { by: by !== undefined, conditions: conditionsIn(conditions), version, port };
}

/** @param written `-nc-sa`, in any order, however tied together */
export function conditionsIn(written: string): Set<Condition> {
  return new Set(written.toLowerCase().match(/nc|nd|sa/g) as Condition[] | null);
}

/** `CC BY-NC-SA 3.0 DE`. */
export function commonsName({ by, conditions, version, port }: CommonsLicence): string {
  const parts = [
    ...(by ? ['BY'] : []),
    ...(['nc', 'nd', 'sa'] as const).filter((one) => conditions.has(one)).map((one) => one.toUpperCase()),
  ];
  return `CC ${parts.join('-')} ${version}${port === null ? '' : ` ${port.toUpperCase()}`}`;
}

/** What the organisation's own record of a licence says. */
export function ownTerms(record: LicenceRecord): Terms {
  return {
    ...{ id: record.id, name: record.name ?? record.id, kind: 'own', commons: null, record },
    mayBeSold: record.commercial !== false,
    mayBeModified: record.modify !== false,
    needsCredit: record.credit === true,
  };
}
