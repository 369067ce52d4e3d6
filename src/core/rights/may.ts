/**
 * The question: may this picture stand here, on that day? Every reason that holds is given; nothing hides another, but
 * for one person's releases. No legal advice: it says what the records say.
 */
import type { Rect } from '../picture/grey-plane';
import { isoDay, type Day } from '../dating/day';
import type { FoundCredit } from './credit/find-credit';
import type { Terms } from './licences';
import type { Modification } from './modification';
import { releaseReason, turningDays, type ReleaseCode } from './people';
import { webUnsaid } from './web-unsaid';
import { hostOf, purposeText, type CoveredPicture, type FileAddress, type RecordIndex } from './record-index';

export type Verdict = 'yes' | 'no' | 'unknown';

/** What makes the answer `no`. */
type NoCode =
  | ReleaseCode
  | 'licence-ended'
  | 'licence-not-yet'
  | 'licence-purpose'
  | 'licence-noncommercial'
  | 'licence-noderivatives'
  | 'licence-site'
  | 'credit-missing';

/** What leaves it open. */
type UnknownCode = 'source-unknown' | 'licence-unknown' | 'people-unasked';

export type Code = NoCode | UnknownCode;

const UNKNOWN: ReadonlySet<Code> = new Set(['source-unknown', 'licence-unknown', 'people-unasked']);

/** A placement as it is asked about. */
export interface PlaceOfFile {
  readonly page: string;
  readonly file: FileAddress;
  /** How the file differs from the master of its picture; none where it is the master, or only scaled. */
  readonly changes: () => readonly Modification[];
  readonly credit: FoundCredit;
  /** Where the file lies in the master; absent, or `null`, where that is not known. */
  readonly frame?: (() => Rect | null) | undefined;
}

export interface Answer {
  readonly may: Verdict;
  /** All that hold, sorted. */
  readonly because: readonly Code[];
  /** The first day on which it turns to `no`; `null` where it is `no`, or none is known. */
  readonly until: Day | null;
  /** Why, step by step. */
  readonly chain: readonly Step[];
}

/** A sentence of the reasoning; with a code where it is a reason, without one where it is what reasons rest on. */
export interface Step {
  readonly code: Code | null;
  readonly sentence: string;
  /** Set where it changes no answer, and somebody should ask all the same. */
  readonly remark?: 'web-unsaid';
}

interface Reason {
  readonly code: Code;
  readonly sentence: string;
}

/** Whether a picture may stand in a place on a day. */
export function may(place: PlaceOfFile, day: Day, records: RecordIndex): Answer {
  const asked = ask(place, records);
  const reasons = reasonsOn(asked, day);
  const because = [...new Set(reasons.map(({ code }) => code))].sort();
  const verdict = verdictOf(because);
  return {
    may: verdict,
    because,
    until: verdict === 'no' ? null : firstNo(asked, day),
    chain: [
      ...premises(asked).map(plainly),
      ...aboutTheWeb(asked.terms),
      ...reasons,
      plainly(CONCLUSIONS[verdict]),
    ],
  };
}

const plainly = (sentence: string): Step => ({ code: null, sentence });

/** What a licence of the organisation's own leaves open about pages that are read everywhere. */
function aboutTheWeb(terms: Terms | null): Step[] {
  const sentence = terms?.record ? webUnsaid(terms.record) : null;
  return sentence === null ? [] : [{ code: null, sentence, remark: 'web-unsaid' }];
}

const CONCLUSIONS: Readonly<Record<Verdict, string>> = {
  yes: 'So it may stand here.',
  no: 'So it may not stand here.',
  unknown: 'So nobody can say yet whether it may stand here.',
};

function verdictOf(codes: readonly Code[]): Verdict {
  if (codes.some((code) => !UNKNOWN.has(code))) return 'no';
  return codes.length > 0 ? 'unknown' : 'yes';
}

/** What the records say of a place, looked up once for all days. */
interface Asked {
  readonly place: PlaceOfFile;
  readonly covered: CoveredPicture | null;
  readonly terms: Terms | null;
  readonly people: readonly string[] | null;
  readonly records: RecordIndex;
}

function ask(place: PlaceOfFile, records: RecordIndex): Asked {
  const covered = records.picture(place.file);
  const licence = covered?.fields.licence;
  return {
    ...{ place, covered, records },
    terms: licence ? records.terms(licence) : null,
    people: records.shown(place.file, place.frame),
  };
}

/** The first later day on which the answer is `no`. */
function firstNo(asked: Asked, today: Day): Day | null {
  const { covered, terms, people, records } = asked;
  const ends = [covered?.fields, terms?.record].flatMap((dates) => [
    ...(dates?.from !== null && dates?.from !== undefined ? [dates.from] : []),
    ...(dates?.until !== null && dates?.until !== undefined ? [dates.until + 1] : []),
  ]);
  const turns = (people ?? []).flatMap((id) => {
    const person = records.person(id);
    return person ? turningDays(person) : [];
  });
  const days = [...new Set([...ends, ...turns])].filter((day) => day > today).sort((a, b) => a - b);
  const isNo = (day: Day) => reasonsOn(asked, day).some(({ code }) => !UNKNOWN.has(code));
  return days.find(isNo) ?? null;
}

function premises({ place, covered, terms, records }: Asked): string[] {
  const said: string[] = [];
  if (covered) {
    const [first] = covered.by;
    if (first)
      said.push(
        {
          address: `A record names ${first.entry}.`,
          family: `It is another file of the picture that the record of ${first.entry} covers.`,
          pattern: `The record of ${first.entry} covers it.`,
        }[first.how],
      );
  }
  if (terms) said.push(`Its licence is ${terms.name}.`);
  const { purpose, isCommercial } = records.purposeOf(place.page);
  said.push(`The page is for ${purposeText(purpose)}${isCommercial ? ', and commercial' : ''}.`);
  if (place.credit.needed)
    said.push(`A credit is needed: ${place.credit.wanted ?? 'of whom is not recorded'}.`);
  return said;
}

function reasonsOn(asked: Asked, day: Day): Reason[] {
  const { place, covered, records } = asked;
  const reasons = covered
    ? licenceReasons(asked, covered, day)
    : [{ code: 'source-unknown', sentence: 'No record says where it comes from.' } as const];
  reasons.push(...peopleReasons(asked, day, records.purposeOf(place.page).purpose));
  const { needed, found, wanted } = place.credit;
  if (needed && found !== true)
    reasons.push({
      code: 'credit-missing',
      sentence:
        wanted === null
          ? 'It has to be credited, and the records do not say to whom.'
          : `Not found with it: ${wanted}.`,
    });
  return reasons;
}

function licenceReasons(asked: Asked, covered: CoveredPicture, day: Day): Reason[] {
  const { place, terms, records } = asked;
  const { fields, licenceBy } = covered;
  const reasons: Reason[] = outsideDates(fields, day, 'What was paid for it');
  if (!terms) {
    const said = fields.licence
      ? `“${fields.licence}” is not a licence that is known.`
      : 'No licence is recorded.';
    return [...reasons, { code: 'licence-unknown', sentence: said }];
  }
  const { record, name } = terms;
  if (record) reasons.push(...outsideDates(record, day, name));
  const { purpose, isCommercial } = records.purposeOf(place.page);
  const purposes = record?.purposes ?? [];
  if (purposes.length > 0 && !purposes.includes(purpose))
    reasons.push({
      code: 'licence-purpose',
      sentence: `${name} allows ${purposes.join(', ')}, and this page is for ${purposeText(purpose)}.`,
    });
  if (isCommercial && !terms.mayBeSold)
    reasons.push({ code: 'licence-noncommercial', sentence: `${name} allows nothing commercial.` });
  const changes = terms.mayBeModified || licenceBy === 'address' ? [] : place.changes();
  if (changes.length > 0)
    reasons.push({
      code: 'licence-noderivatives',
      sentence: `${name} allows no changes, and the file shown is ${changes.map((one) => CHANGES[one]).join(', ')}.`,
    });
  const sites = (record?.sites ?? []).map((site) => hostOf(site));
  if (sites.length > 0 && (records.host === null || !sites.includes(records.host)))
    reasons.push({
      code: 'licence-site',
      sentence: `${name} is for ${sites.join(', ')}${records.host === null ? '' : `, and this site is ${records.host}`}.`,
    });
  return reasons;
}

const CHANGES: Readonly<Record<Modification, string>> = {
  cropped: 'a part of the picture',
  mirrored: 'mirrored',
  turned: 'turned',
  stretched: 'stretched',
  bordered: 'one with a border',
  marked: 'one with something laid over it',
  recoloured: 'in other colours',
  toned: 'of another brightness or contrast',
};

function outsideDates(
  { from, until }: { readonly from?: Day | null | undefined; readonly until?: Day | null | undefined },
  day: Day,
  what: string,
): Reason[] {
  const reasons: Reason[] = [];
  if (from !== null && from !== undefined && day < from)
    reasons.push({ code: 'licence-not-yet', sentence: `${what} begins on ${isoDay(from)}.` });
  if (until !== null && until !== undefined && day > until)
    reasons.push({ code: 'licence-ended', sentence: `${what} ended on ${isoDay(until)}.` });
  return reasons;
}

function peopleReasons({ people, covered, records }: Asked, day: Day, purpose: string): Reason[] {
  if (people === null || people.length === 0)
    return covered?.fields.people === 'some'
      ? [
          {
            code: 'people-unasked',
            sentence: 'People can be recognised on it, and who they are is not recorded.',
          },
        ]
      : [];
  return people.flatMap((id): Reason[] => {
    const person = records.person(id);
    const reason = person ? releaseReason(person, day, purpose) : 'unknown';
    if (reason === null) return [];
    return reason === 'unknown'
      ? [{ code: 'people-unasked', sentence: `${id} is on it, and whether ${id} agrees is not recorded.` }]
      : [reason];
  });
}
