/**
 * Finds which licences of Creative Commons a text names: short (`CC BY-SA 4.0`), in words of four languages, by the address
 * of the deed or of the legal code, written out or linked. Where the words of a link and its address disagree, neither counts.
 */
import { everyMatch } from '../../words/every-match';
import { conditionsIn, type CommonsLicence, type Condition } from '../licences';
import { remembered } from '../remembered';
import type { CreditText } from './credit-text';

/** A licence as a text names it; what it does not say is `null`. */
interface Mention {
  readonly conditions: ReadonlySet<Condition>;
  readonly version: string | null;
  /** Code of the jurisdiction; empty where the text says that there is none; `null` where it does not say. */
  readonly port: string | null;
  readonly start: number;
  readonly end: number;
}

const TIE = '[\\s\\-–—_:/|+.,]*';
/** `CC`, `(cc)`, `Creative Commons licence`. */
const COMMONS =
  '(?:\\(\\s*cc\\s*\\)|(?<![\\p{L}\\p{N}])cc|creative[\\s-]*commons)(?:[\\s-]*(?:licen[cs]e[sd]?|lizenz|licencia))?';
const SHORT = new RegExp(
  `${COMMONS}${TIE}by((?:[\\s\\-–—_/+,]*(?:nc|nd|sa))*)(?![\\p{L}])|(?<![\\p{L}\\p{N}-])BY((?:-(?:NC|ND|SA))+)(?![\\p{L}-])`,
  'giu',
);

const ATTRIBUTION = 'attribution|namensnennung|atribuci[oó]n|reconocimiento|attribuzione|naamsvermelding';
const IN_WORDS: readonly (readonly [Condition, string])[] = [
  ['nc', 'non[\\s-]*commercial|nicht[\\s-]*kommerziell|keine[\\s-]*kommerzielle[\\s-]*nutzung|pas[\\s-]*d.utilisation[\\s-]*commerciale|no[\\s-]*comercial'],
  ['nd', 'no[\\s-]*deriv(?:ative|ativ)?(?:e?s|(?:[\\s-]*works?))?|keine[\\s-]*bearbeitung(?:en)?|pas[\\s-]*de[\\s-]*modifications?|sin[\\s-]*(?:obras?[\\s-]*)?derivad(?:as?|os?)?'],
  ['sa', 'share[\\s-]*alike|weitergabe[\\s-]*unter[\\s-]*gleichen[\\s-]*bedingungen|partage[\\s-]*(?:dans[\\s-]*les[\\s-]*m[eê]mes[\\s-]*conditions|[aà][\\s-]*l.identique)|compartir[\\s-]*(?:bajo[\\s-]*la[\\s-]*misma[\\s-]*licencia|igual)'],
]; // oxfmt-ignore
const CONDITION = IN_WORDS.map(([, words]) => words).join('|');
const WORDS = new RegExp(
  `(?:(creative[\\s-]*commons)(?:[\\s-]*(?:licen[cs]e|lizenz|licencia))?${TIE})?(?<![\\p{L}])(?:${ATTRIBUTION})((?:${TIE}(?:and|und|et|y)?${TIE}(?:${CONDITION}))*)(?![\\p{L}])`,
  'giu',
);
const DEED =
  /^(?:https?:)?\/\/(?:www\.)?creativecommons\.org\/licenses\/(by(?:-(?:nc|nd|sa))*|(?:nc|nd|sa)(?:-(?:nc|nd|sa))*)\/(\d\.\d)(?:\/([a-z]{2,3}))?(?:\/(?:deed|legalcode)(?:[.-][\w.-]*)?)?\/?(?:[?#].*)?$/iu;
const WRITTEN_DEED =
  /(?:https?:\/\/)?(?:www\.)?creativecommons\.org\/licenses\/[a-z-]+\/\d\.\d(?:\/[\w.-]+)*\/?/giu;

const WRITTEN_DEED_ONCE = new RegExp(WRITTEN_DEED.source, 'iu');

const VERSION = /^[\s\-–—_,/(:)]*(?:licen[cs]e|lizenz|licencia|licence)?[\s\-–—_,/(:]*(?:version|vers\.|v\.?)?\s*(\d)(?:[.,](\d))?(?![\d%]|[.,]\d)/iu; // oxfmt-ignore
/** Jurisdictions that licences were written for, by how they are called. */
const PORTS: Readonly<Record<string, string>> = {
  international: '', unported: '', generic: '', internacional: '', 'nicht portiert': '', 'non transposé': '', générique: '', genérica: '',
  germany: 'de', deutschland: 'de', allemagne: 'de', alemania: 'de', austria: 'at', österreich: 'at', autriche: 'at', france: 'fr', frankreich: 'fr', francia: 'fr', netherlands: 'nl', niederlande: 'nl', switzerland: 'ch', schweiz: 'ch', suisse: 'ch', spain: 'es', spanien: 'es', españa: 'es', espagne: 'es', italy: 'it', italien: 'it', italia: 'it', 'united kingdom': 'uk', 'england and wales': 'uk', 'england & wales': 'uk', scotland: 'scotland', 'united states': 'us', usa: 'us', australia: 'au', australien: 'au', japan: 'jp', canada: 'ca', 'new zealand': 'nz', ireland: 'ie', poland: 'pl', portugal: 'pt', brazil: 'br', sweden: 'se', denmark: 'dk', norway: 'no', belgium: 'be', igo: 'igo',
}; // oxfmt-ignore
const PORT_NAME = new RegExp(`^[\\s\\-–—_,/(]*(${Object.keys(PORTS).sort((a, b) => b.length - a.length).join('|')})(?![\\p{L}])`, 'iu'); // oxfmt-ignore
const PORT_CODE =
  /^[\s\-–—_/(]{1,2}(AT|AU|BE|BR|CA|CH|DE|DK|ES|FR|IE|IGO|IT|JP|NL|NO|NZ|PL|PT|SE|UK|US)(?![\p{L}\p{N}])/u;

/** Whether a text names a licence, with its version; a port may be left out. */
export function namesLicence(text: CreditText, wanted: CommonsLicence): boolean {
  return mentionsIn(text).some((mention) => isNamed(mention, wanted));
}

function isNamed({ conditions, version, port }: Mention, wanted: CommonsLicence): boolean {
  return (
    version === wanted.version &&
    (port === null || port === (wanted.port ?? '')) &&
    isSameSet(conditions, wanted.conditions)
  );
}

const isSameSet = (a: ReadonlySet<Condition>, b: ReadonlySet<Condition>): boolean =>
  a.size === b.size && [...a].every((one) => b.has(one));

/** Whether a text names any licence at all. */
export const namesAnyLicence = (text: CreditText): boolean => mentionsIn(text).length > 0;

const mentionsIn = remembered(readMentions);

function readMentions({ text, links }: CreditText): Mention[] {
  const deeds = links.flatMap(({ href, start, end }) => deedAt(href, start, end));
  const isWorth = /by|attribution|namensnennung|atribuci|reconocimiento|creativecommons/iu.test(text);
  const words = isWorth ? [...written(text)] : [];
  const isSpent = new Set<Mention>();
  const mentions: Mention[] = [];
  for (const deed of deeds) {
    const partner = partnerOf(deed, words, deeds);
    if (!partner) mentions.push(deed);
    else if (agree(partner, deed)) mentions.push({ ...deed, port: partner.port ?? deed.port });
    if (partner) isSpent.add(partner);
  }
  return [...mentions, ...words.filter((one) => !isSpent.has(one))];
}

function deedAt(href: string, start: number, end: number): Mention[] {
  const [, code, version, port] = DEED.exec(href.trim()) ?? [];
  if (code === undefined || version === undefined) return [];
  const place = port === undefined || /^(?:deed|legalcode)/iu.test(port) ? '' : port.toLowerCase();
  return [{ conditions: conditionsIn(code.replace(/^by/iu, '')), version, port: place, start, end }];
}

/**
 * The catalogue's id of the licence, or dedication, whose deed an address in a text leads to.
 *
 * @returns `null` where there is no such address
 */
export function idOfDeed(text: string): string | null {
  const [, dedication] = /creativecommons\.org\/publicdomain\/(zero|mark)\/1\.0/iu.exec(text) ?? [];
  if (dedication) return dedication.toLowerCase() === 'zero' ? 'CC0-1.0' : 'PDM-1.0';
  const [address] = WRITTEN_DEED_ONCE.exec(text) ?? [];
  const [, code, version, port] =
    DEED.exec(address?.startsWith('http') ? address : `https://${address ?? ''}`) ?? [];
  if (code === undefined || version === undefined) return null;
  const place = port === undefined || /^(?:deed|legalcode)/iu.test(port) ? '' : `-${port}`;
  return `CC-${code}-${version}${place}`.toUpperCase();
}

/** The words that a deed is linked to: within the link, else just before or behind it with no other link between. */
function partnerOf(deed: Mention, words: readonly Mention[], deeds: readonly Mention[]): Mention | null {
  const within = words.find(({ start, end }) => start < deed.end && end > deed.start);
  if (within) return within;
  const isFree = (word: Mention) =>
    !deeds.some((other) => other !== deed && word.start < other.end && word.end > other.start);
  const isBetween = (from: number, to: number) =>
    deeds.some((other) => other !== deed && other.start >= from && other.end <= to);
  const before = words.findLast(
    (word) => word.end <= deed.start && deed.start - word.end <= BESIDE && isFree(word) && !isBetween(word.end, deed.start),
  ); // oxfmt-ignore
  if (before) return before;
  const behind = words.find(
    (word) => word.start >= deed.end && word.start - deed.end <= BESIDE && isFree(word) && !isBetween(deed.end, word.start),
  ); // oxfmt-ignore
  return behind ?? null;
}

/** Characters between a licence's name and the link to its deed. */
const BESIDE = 30;

function agree(words: Mention, deed: Mention): boolean {
  return (
    isSameSet(words.conditions, deed.conditions) &&
    (words.version === null || words.version === deed.version) &&
    (words.port === null || words.port === deed.port)
  );
}

function* written(text: string): Generator<Mention> {
  const taken: [number, number][] = [];
  const isFree = (start: number, end: number) => !taken.some(([from, to]) => start < to && end > from);
  for (const match of everyMatch(WRITTEN_DEED, text)) {
    const end = match.index + match[0].length;
    taken.push([match.index, end]);
    const href = match[0].startsWith('http') ? match[0] : `https://${match[0]}`;
    yield* deedAt(href, match.index, end);
  }
  for (const match of everyMatch(WORDS, text)) {
    const [whole, commons, conditions = ''] = match;
    const end = match.index + whole.length;
    if (!isFree(match.index, end)) continue;
    const found = new Set<Condition>(
      IN_WORDS.flatMap(([code, words]) => (new RegExp(words, 'iu').test(conditions) ? [code] : [])),
    );
    const mention = withVersion(text, { conditions: found, start: match.index, end });
    // “Attribution: Ann Lee” names no licence.
    if (!commons && found.size === 0 && mention.version === null) continue;
    taken.push([mention.start, mention.end]);
    yield mention;
  }
  for (const match of everyMatch(SHORT, text)) {
    const end = match.index + match[0].length;
    if (!isFree(match.index, end)) continue;
    const conditions = conditionsIn(match[1] ?? match[2] ?? '');
    yield withVersion(text, { conditions, start: match.index, end });
  }
}

/** A mention with the version and the port that follow it. */
function withVersion(text: string, mention: Omit<Mention, 'version' | 'port'>): Mention {
  const version = VERSION.exec(text.slice(mention.end, mention.end + 40));
  if (!version) return { ...mention, version: null, port: null };
  const end = mention.end + version[0].length;
  const rest = text.slice(end, end + 40);
  const name = PORT_NAME.exec(rest);
  const code = PORT_CODE.exec(rest);
  const port = name
    ? (PORTS[name[1]?.toLowerCase() ?? ''] ?? null)
    : code
      ? (code[1] ?? '').toLowerCase()
      : null;
  const tail = (name ?? code)?.[0].length ?? 0;
  return { ...mention, version: `${version[1]}.${version[2] ?? '0'}`, port, end: end + tail };
}
