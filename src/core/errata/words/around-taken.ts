/** When a picture was taken, as far as that is known from something else than the words that are to be checked. */
import type { DateOrigin } from '../../dating/date-evidence';
import { mentionsInWords } from '../../dating/date-mentions';
import { partsOf, sharedSpan, type Day, type DaySpan } from '../../dating/day';
import { standsInItsTime } from '../../dating/own-time';
import type { PageToCheck, PictureFacts, PlacementToCheck } from '../page-to-check';

/** Words round a day up: a concert of December is told of in January. */
const TOLERANCE_DAYS = 62;

/**
 * @param checked origins that may not be the witness
 * @returns its days, and those around them that words may well name; `null` where nothing else tells
 */
export function aroundTaken(
  picture: PictureFacts | null,
  checked: readonly DateOrigin[],
): { readonly span: DaySpan; readonly around: DaySpan } | null {
  const dating = picture?.dating;
  if (!dating || dating.from === null || dating.until === null) return null;
  const isWitnessed = dating.because.some(
    ({ origin, weight, from }) => from !== null && weight >= 1 && !checked.includes(origin),
  );
  if (!isWitnessed) return null;
  const span = { from: dating.from, until: dating.until };
  return { span, around: { from: dating.from - TOLERANCE_DAYS, until: dating.until + TOLERANCE_DAYS } };
}

/** Whether a page is of the very time of a picture: news of its year do not age with it. */
export function isOfItsTime({ dating }: PictureFacts, { path, title, today }: PageToCheck): boolean {
  const rules = { today, thisYear: partsOf(today).year };
  return dating !== null && standsInItsTime(dating, [{ path, title }], rules);
}

/** Words by which a picture is shown for what was: in a caption, or over a section. */
const WAS =
  /(?<!\p{L})(?:before (?:we|they|it|its|our)|before the(?!\s+\d{4}\s+\p{L})|formerly|in (?:the )?old(?:en)? days|back then|then and now|used to|once stood|former|until its|until \d{4}|as it (?:was|looked)|bis \d{4}|aussah(?:en)?|jusqu[’']en \d{4}|tel(?:le)? qu[’']|hasta \d{4}|como era|vor de[mnr]|früher|damals|einst|ehemalige[nrs]?|avant (?:les?|la)|autrefois|jadis|ancien(?:ne)?s?|à l[’']époque|antes de|antiguamente|antaño|antigu[oa]s?)(?!\p{L})/iu;
const HISTORY =
  /(?<!\p{L})(?:history|archives?|(?:the )?old days|then and now|former|damals|früher|einst|ehemalige[nrs]?|autrefois|jadis|anciens|antaño|antiguamente|the past|chronicle|\p{L}*geschichte|archiv|chronik|rückblick|histoire|archives|historia|archivo|memoria)(?!\p{L})/iu;
/** Pages that tell of what was when it was; what they show with its day stays as it is. */
const REPORTS =
  /(?<!\p{L})(?:news|reports?|diary|journal|blog|berichte?|neuigkeiten|aktuelles|nachrichten|tagebuch|actualités|actus|nouvelles|noticias|novedades|diario)(?!\p{L})/iu;
/** Words by which it is shown for what is. */
const IS = /(?<!\p{L})(?:today|nowadays|now|heute|jetzt|aujourd[’']hui|maintenant|hoy|ahora)(?!\p{L})/iu;

function isShownForItsAge({ entry, headings }: PlacementToCheck['context'], caption: string): boolean {
  const own = `${caption} ${entry ?? ''}`;
  if (IS.test(own)) return false;
  return WAS.test(own) || headings.some((heading) => HISTORY.test(heading));
}

/** A page tells of the years beside its own, too. */
const BESIDE_DAYS = 366;
/** From so many years on, a heading that names its year shows a picture for its age. */
const OLD_YEARS = 10;

/** A report begins with its title and then its day. */
const NEAR_BEGINNING = 70;

/**
 * Whether what stands right around a picture is of its own time: an entry that begins with its day, as news do, or a
 * heading that names a year long past.
 */
export function isToldOfItsTime(
  { dating }: PictureFacts,
  { context, caption }: PlacementToCheck,
  { today, title }: PageToCheck,
): boolean {
  if (!dating || dating.until === null) return false;
  if (isShownForItsAge(context, caption ?? '')) return true;
  const rules = { thisYear: partsOf(today).year };
  // Whoever names a decade speaks of how it was in it.
  if (mentionsInWords(caption ?? '', rules).some(({ precision }) => precision === 'decade')) return true;
  const taken = { from: (dating.from ?? dating.until) - BESIDE_DAYS, until: dating.until + BESIDE_DAYS };
  const entry = context.entry ?? '';
  const [first] = mentionsInWords(entry, rules);
  const isDateline = first !== undefined && first.precision === 'day' && entry.startsWith(first.text);
  if (isDateline && sharedSpan(first, taken) !== null) return true;
  // What follows a stroke is the name of the site.
  const own = title.split(/\s[|–—·-]\s/u)[0] ?? title;
  const isReport = [own, ...context.headings.slice(0, 1)].some((text) => REPORTS.test(text));
  const dated = context.headings.slice(1).flatMap((text) => mentionsInWords(text, rules));
  const isBegun = first?.precision === 'day' && entry.indexOf(first.text) <= NEAR_BEGINNING;
  if (isReport && isBegun && sharedSpan(first, taken) !== null) return true;
  if (isReport && dated.some((one) => one.precision === 'day' && sharedSpan(one, taken) !== null))
    return true;
  if (partsOf(today).year - partsOf(dating.until).year < OLD_YEARS) return false;
  const heading = context.headings.at(-1) ?? '';
  return mentionsInWords(heading, rules).some((one) => sharedSpan(one, taken) !== null);
}

/** A picture that a camera dates to a day, for examples. */
export function takenOn(day: Day): Pick<PictureFacts, 'dating'> {
  const span = { from: day, until: day };
  return {
    dating: {
      ...span,
      because: [{ ...span, origin: 'camera', weight: 6, text: '' }],
      against: [],
      belief: 6,
    },
  };
}
