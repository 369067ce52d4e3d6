/** When a picture was taken, as far as that is known from something else than the words that are to be checked. */
import type { DateOrigin } from '../../dating/date-evidence';
import { partsOf, type Day, type DaySpan } from '../../dating/day';
import { standsInItsTime } from '../../dating/own-time';
import type { PageToCheck, PictureFacts } from '../page-to-check';

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
