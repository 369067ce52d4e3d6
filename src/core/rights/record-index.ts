/** Finds what the records say of a file, of a page and of a person: the most exact record wins, field by field. */
import type { Rect } from '../picture/grey-plane';
import { formOf, type CreditForm } from './credit/credit-forms';
import { firstFolder, isPattern, literalsIn, matcherOf } from './address-pattern';
import { fileUnder } from './filed';
import { catalogued, ownTerms, type Terms } from './licences';
import {
  isSaid,
  type LicenceRecord,
  type PersonMark,
  type PersonRecord,
  type PictureFields,
  type PictureRecord,
  type RightsRecord,
  type SectionRecord,
  type ShowsRecord,
} from './records';

/** A file as records know it: its address, and that of the master of its picture where it is another one. */
export interface FileAddress {
  readonly url: string;
  readonly master: string | null;
}

/** How a record covers a file. */
type Covering = 'address' | 'family' | 'pattern';

/** What the records together say of a picture. */
export interface CoveredPicture {
  readonly fields: PictureFields;
  /** How the record covers it that gives its licence; `null` where none does. */
  readonly licenceBy: Covering | null;
  /** What covers it, the most exact first: an address or a pattern, and how. */
  readonly by: readonly { readonly entry: string; readonly how: Covering }[];
}

/** What pages are for. */
export interface Purpose {
  readonly purpose: string;
  readonly isCommercial: boolean;
}

const GENERAL: Purpose = { purpose: 'general', isCommercial: false };

/** What a page is for, as the end of a sentence. */
export const purposeText = (purpose: string): string =>
  purpose === GENERAL.purpose ? 'nothing in particular' : purpose;

/** One entry of a record's files, in the order of the records. */
interface Entry<R> {
  readonly record: R;
  readonly entry: string;
  readonly order: number;
}

/** The entries of many records, filed so that a file is asked of few. */
class Entries<R extends { readonly files: readonly string[] }> {
  private readonly byAddress = new Map<string, Entry<R>[]>();
  private readonly byFolder = new Map<
    string | null,
    (Entry<R> & { matches: (address: string) => boolean })[]
  >();
  private order = 0;

  add(record: R): void {
    for (const entry of new Set(record.files)) {
      const filed = { record, entry, order: this.order++ };
      if (!isPattern(entry)) {
        fileUnder(this.byAddress, entry, filed);
        continue;
      }
      fileUnder(this.byFolder, firstFolder(entry), { ...filed, matches: matcherOf(entry) });
    }
  }

  names(address: string): boolean {
    return this.byAddress.has(address);
  }

  addresses(): string[] {
    return [...this.byAddress.keys()];
  }

  /** The entries that name an address, the later before the earlier. */
  exact(address: string): Entry<R>[] {
    return (this.byAddress.get(address) ?? []).toReversed();
  }

  /** The patterns that meet an address: those that say the most before those that say less, the later before the earlier. */
  patterns(address: string): Entry<R>[] {
    const folder = address.slice(0, Math.max(0, address.indexOf('/')));
    const near = [...(this.byFolder.get(null) ?? []), ...(folder ? (this.byFolder.get(folder) ?? []) : [])];
    return near
      .filter(({ matches }) => matches(address))
      .sort((a, b) => literalsIn(b.entry) - literalsIn(a.entry) || b.order - a.order);
  }

  /** All that covers a file, in levels of one exactness each, the most exact first. */
  levels({ url, master }: FileAddress): { readonly how: Covering; readonly entries: Entry<R>[] }[] {
    if (this.order === 0) return [];
    const levels: { how: Covering; entries: Entry<R>[] }[] = [{ how: 'address', entries: this.exact(url) }];
    if (master !== null && master !== url) {
      levels.push({ how: 'family', entries: this.exact(master) });
      for (const entries of byLiterals(this.patterns(master))) levels.push({ how: 'family', entries });
    }
    for (const entries of byLiterals(this.patterns(url))) levels.push({ how: 'pattern', entries });
    return levels.filter(({ entries }) => entries.length > 0);
  }
}

/** A mark is set on a face, which reaches further than its point: so far, in shares of the master. */
const FACE = 0.08;

/** Whether a person may be seen in a part of a picture: nobody marked them, or they are marked in it, or at its edge. */
function mayBeIn({ left, top, width, height }: Rect, person: string, marks: readonly PersonMark[]): boolean {
  const own = marks.filter((mark) => mark.person === person);
  return (
    own.length === 0 ||
    own.some(
      ({ x, y }) => x > left - FACE && x < left + width + FACE && y > top - FACE && y < top + height + FACE,
    )
  );
}

/** Runs of patterns that say as much. */
function byLiterals<R>(sorted: readonly Entry<R>[]): Entry<R>[][] {
  const runs: Entry<R>[][] = [];
  let last = -1;
  for (const one of sorted) {
    const literals = literalsIn(one.entry);
    if (literals !== last) runs.push([]);
    runs.at(-1)?.push(one);
    last = literals;
  }
  return runs;
}

const FIELDS = ['title', 'creator', 'holder', 'source', 'licence', 'from', 'until', 'people'] as const;

/** All records of an organisation, ready to be asked. The order matters only between two that are equally exact. */
export class RecordIndex {
  /** The site's host, lower case, without what else an address has; `null` where none is recorded. */
  readonly host: string | null;
  /** Pages that the site names as its picture credits. */
  readonly creditPages: ReadonlySet<string>;
  /** Whether every picture is to be credited. */
  readonly creditsAlways: boolean;
  private readonly pictures = new Entries<PictureRecord>();
  private readonly shows = new Entries<ShowsRecord>();
  private readonly sections: (SectionRecord & { readonly matches: (address: string) => boolean })[] = [];
  private readonly forms: {
    readonly form: CreditForm;
    readonly pattern: string;
    readonly matches: (address: string) => boolean;
  }[] = [];
  private readonly licences = new Map<string, Terms>();
  private readonly people = new Map<string, PersonRecord>();
  private readonly covered = new Map<string, CoveredPicture | null>();
  private readonly purposes = new Map<string, Purpose>();

  /**
   * @param records addresses as in `url`; later ones stand before earlier ones that are as exact
   * @param knownHost the site's host where no record says it
   */
  constructor(records: readonly RightsRecord[], knownHost: string | null = null) {
    const host = recordedHost(records) ?? knownHost;
    const own = <R extends { readonly files: readonly string[] }>(record: R): R => ({
      ...record,
      files: record.files.map((entry) => withinSite(entry, host)),
    });
    const creditPages = new Set<string>();
    let always = false;
    const licences = new Map<string, LicenceRecord>();
    for (const record of records) {
      switch (record.record) {
        case 'site':
          for (const page of record.credits ?? []) creditPages.add(page);
          break;
        case 'section':
          this.sections.push({ ...record, matches: matcherOf(asPattern(record.pattern)) });
          break;
        case 'picture':
          this.pictures.add(own(record));
          break;
        case 'shows':
          this.shows.add(own(record));
          break;
        case 'licence': {
          const id = record.id.trim().toLowerCase();
          licences.set(id, merged(licences.get(id), record));
          break;
        }
        case 'person':
          this.people.set(record.id, mergedPerson(this.people.get(record.id), record));
          break;
        case 'credit-form':
          always = record.always ?? always;
          if (record.form)
            this.forms.push({
              form: formOf(record.form),
              pattern: record.pattern ?? '',
              matches: record.pattern ? matcherOf(asPattern(record.pattern)) : () => true,
            });
          break;
      }
    }
    this.host = host;
    this.creditPages = creditPages;
    this.creditsAlways = always;
    for (const [id, record] of licences) this.licences.set(id, ownTerms(record));
  }

  /** Whether a record names this very address. */
  names(address: string): boolean {
    return this.pictures.names(address);
  }

  /** The addresses that records name, patterns left out. */
  addresses(): string[] {
    return this.pictures.addresses();
  }

  /** What is recorded of a file; `null` where no record covers it. */
  picture(file: FileAddress): CoveredPicture | null {
    const key = `${file.url}\n${file.master ?? ''}`;
    let covered = this.covered.get(key);
    if (covered === undefined) this.covered.set(key, (covered = this.cover(file)));
    return covered;
  }

  private cover(file: FileAddress): CoveredPicture | null {
    const levels = this.pictures.levels(file);
    if (levels.length === 0) return null;
    const fields: Record<string, unknown> = {};
    let licenceBy: Covering | null = null;
    for (const { how, entries } of levels) {
      for (const { record } of entries) {
        for (const field of FIELDS) {
          if (field in fields || !isSaid(record[field])) continue;
          fields[field] = record[field];
          if (field === 'licence') licenceBy = how;
        }
      }
    }
    const by = levels.flatMap(({ how, entries }) => entries.map(({ entry }) => ({ entry, how })));
    return { fields: fields as PictureFields, licenceBy, by };
  }

  /**
   * Who is recorded on a file: the people of the most exact records, together; `null` where none says any. Of a part of the
   * master those are left out who are marked on the master beside it.
   *
   * @param frame where the file lies in its master; `null` where that is not known
   */
  shown(file: FileAddress, frame: () => Rect | null = () => null): string[] | null {
    for (const { how, entries } of this.shows.levels(file)) {
      const people = new Set(entries.flatMap(({ record }) => record.people ?? []));
      if (people.size === 0 && !entries.some(({ record }) => record.people === null)) continue;
      const marks = how === 'family' ? entries.flatMap(({ record }) => record.marks ?? []) : [];
      const part = marks.length > 0 ? frame() : null;
      return part ? [...people].filter((person) => mayBeIn(part, person, marks)) : [...people];
    }
    return null;
  }

  person(id: string): PersonRecord | undefined {
    return this.people.get(id);
  }

  /** The terms of a licence: the organisation's own records first, then the catalogue. */
  terms(id: string): Terms | null {
    return this.licences.get(id.trim().toLowerCase()) ?? catalogued(id);
  }

  /** How credits are written on a page: by the form with the most literal characters in its pattern, the later of two. */
  creditForm(page: string): CreditForm | undefined {
    let best: { readonly form: CreditForm; readonly exact: number } | undefined;
    for (const { form, pattern, matches } of this.forms) {
      const exact = pattern.replace(/\*/gu, '').length;
      if (matches(page) && (!best || exact >= best.exact)) best = { form, exact };
    }
    return best?.form;
  }

  /** What a page is for: the section with the most literal characters, as a whole. */
  purposeOf(page: string): Purpose {
    let purpose = this.purposes.get(page);
    if (!purpose) this.purposes.set(page, (purpose = this.findPurpose(page)));
    return purpose;
  }

  private findPurpose(page: string): Purpose {
    let best: SectionRecord | null = null;
    for (const section of this.sections) {
      if (!section.matches(page)) continue;
      if (!best || literalsIn(section.pattern) >= literalsIn(best.pattern)) best = section;
    }
    if (!best) return GENERAL;
    return { purpose: best.purpose ?? GENERAL.purpose, isCommercial: best.commercial === true };
  }
}

/** The host that the last record names which says one; `null` where none does. */
function recordedHost(records: readonly RightsRecord[]): string | null {
  const said = records.flatMap((one) => (one.record === 'site' && one.host ? [one.host] : []));
  return said.length > 0 ? hostOf(said[said.length - 1] as string) : null;
}

/** An entry that is written with the site's own host is an address within the site. */
function withinSite(entry: string, host: string | null): string {
  const path = /^https?:\/\/[^/]+\/(.*)$/isu.exec(entry)?.[1];
  return path !== undefined && host !== null && hostOf(entry) === host ? path : entry;
}

/** A folder stands for all that lies in it. */
const asPattern = (pattern: string): string => (pattern.endsWith('/') ? `${pattern}**` : pattern);

/** A host however it is written: alone, with a scheme, with a path. Case does not matter. */
export function hostOf(written: string): string {
  return written
    .trim()
    .toLowerCase()
    .replace(/^[a-z][a-z\d+.-]*:\/\//, '')
    .replace(/[/?#].*$/s, '')
    .replace(/\.$/, '');
}

/** Of two records of one thing the later stands before the earlier, field by field. */
function merged<R extends object>(earlier: R | undefined, later: R): R {
  const said = Object.entries(later).filter(([, value]) => isSaid(value));
  return { ...earlier, ...Object.fromEntries(said) } as R;
}

/** No releases at all is said of a person, unlike of anything else. */
function mergedPerson(earlier: PersonRecord | undefined, later: PersonRecord): PersonRecord {
  const releases = later.releases === undefined ? earlier?.releases : later.releases;
  return { ...later, releases };
}
