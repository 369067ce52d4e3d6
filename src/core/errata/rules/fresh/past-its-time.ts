import { isHistoric } from '../../../dating/own-time';
import { spanText } from '../../../dating/shelf-life';
import { isSeen } from '../../places';
import type { PageToCheck, PictureFacts, PlacementToCheck } from '../../page-to-check';
import type { Rule } from '../../rule';
import { isOfItsTime, isToldOfItsTime, takenOn } from '../../words/around-taken';
import { changedBeside } from '../../words/changed-beside';

/** What announces a day. */
const POSTER =
  /(?<!\p{L})(?:posters?|flyers?|bill (?:of|for)|handbill|leaflet|plakate?|\p{L}*plakat|handzettel|affiches?|carteles?|octavilla|folleto)(?!\p{L})|^bill:/iu;
/** Days for which it may hang on: a month, as in a shop's window. */
const POSTER_DAYS = 31;

const isPoster = ({ alt, caption, raw }: PlacementToCheck): boolean =>
  [alt ?? '', caption ?? '', raw.slice(raw.lastIndexOf('/') + 1).replace(/[-_.\d]+/gu, ' ')].some((text) =>
    POSTER.test(text),
  );

const takenText = ({ dating }: PictureFacts): string => spanText(dating ?? { from: null, until: null });

function changeSaid(picture: PictureFacts, placement: PlacementToCheck, page: PageToCheck): string | null {
  const said = changedBeside(picture, placement, page.today);
  return said && `The page says: “${said.slice(0, MOST_SAID)}” It was taken: ${takenText(picture)}.`;
}
const MOST_SAID = 160;

function dayOver(
  { dating }: PictureFacts,
  placement: PlacementToCheck,
  { today }: PageToCheck,
): string | null {
  if (!dating || dating.from === null || dating.until === null || dating.until + POSTER_DAYS >= today)
    return null;
  return isPoster(placement) && !isHistoric(dating, today)
    ? `It announces ${spanText(dating)}, and that is over.`
    : null;
}

function lifeOver(picture: PictureFacts, { today }: PageToCheck): string | null {
  const { kind, currentUntil } = picture;
  if (!kind || currentUntil === null || currentUntil >= today) return null;
  const until = spanText({ from: currentUntil, until: currentUntil });
  return `A picture of the kind “${kind}”, taken: ${takenText(picture)}, was current until ${until}.`;
}

export const pastItsTime: Rule = {
  id: 'fresh/past-its-time',
  degree: 'should',
  level: 'measured',
  title: 'It is past its time',
  why: 'Readers take what it shows for how things are now.',
  remedy: 'Swap it for a newer picture.',
  applies: isSeen,
  check: (placement, { page, picture }) => {
    if (!picture || picture.changed || picture.leftoverClues.length > 0) return null;
    const evidence =
      changeSaid(picture, placement, page) ?? dayOver(picture, placement, page) ?? lifeOver(picture, page);
    // Whether it is shown for its time is asked last: every text around it is read for days.
    if (evidence === null || isOfItsTime(picture, page) || isToldOfItsTime(picture, placement, page))
      return null;
    return { evidence };
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="x">',
      today: '2026-11-25',
      evidence:
        'A picture of the kind “portrait”, taken: 4 September 2017, was current until 4 September 2021.',
      files: {
        'a.jpg': {
          kind: 'portrait',
          currentUntil: 18874,
          dating: { from: 17413, until: 17413, because: [], against: [], belief: 1 },
        },
      },
    },
    {
      html: '<img src="a.jpg" alt="Poster for the harvest supper">',
      today: '2026-11-25',
      evidence: 'It announces 4 September 2017, and that is over.',
      files: { 'a.jpg': takenOn(17413) },
    },
    {
      html: '<img src="a.jpg" alt="Poster for the first concert">',
      evidence: null,
      files: { 'a.jpg': takenOn(-3000) },
    },
    {
      html: '<p>The tack room was repainted in 2024.</p><figure><img src="a.jpg" alt="Hooks"><figcaption>The tack room</figcaption></figure>',
      evidence: 'The page says: “The tack room was repainted in 2024.” It was taken: 4 September 2017.',
      files: { 'a.jpg': takenOn(17413) },
    },
    {
      html: '<p>The hall was repainted in 2016.</p><img src="a.jpg" alt="The hall">',
      evidence: null,
      files: { 'a.jpg': takenOn(17413) },
    },
    {
      html: '<img src="a.jpg" alt="x">',
      title: 'News of 2017',
      evidence: null,
      files: { 'a.jpg': { kind: 'portrait', currentUntil: 18874, ...takenOn(17413) } },
    },
    {
      html: '<ul><li><img src="a.jpg" alt="x"> 4 September 2017 The new tutors</li></ul>',
      evidence: null,
      files: { 'a.jpg': { kind: 'portrait', currentUntil: 18874, ...takenOn(17413) } },
    },
    {
      html: '<img src="a.jpg" alt="x">',
      today: '2019-11-25',
      evidence: null,
      files: { 'a.jpg': { kind: 'portrait', currentUntil: 18874 } },
    },
  ],
};
