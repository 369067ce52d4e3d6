import { isHistoric } from '../../../dating/own-time';
import { spanText } from '../../../dating/shelf-life';
import { isSeen } from '../../places';
import type { PlacementToCheck } from '../../page-to-check';
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
    if (isOfItsTime(picture, page) || isToldOfItsTime(picture, placement, page)) return null;
    const taken = spanText(picture.dating ?? { from: null, until: null });
    const said = changedBeside(picture, placement, page.today);
    if (said) return { evidence: `The page says: “${said.slice(0, 160)}” It was taken: ${taken}.` };
    const { dating } = picture;
    if (
      isPoster(placement) &&
      dating?.until &&
      dating.from &&
      dating.until + POSTER_DAYS < page.today &&
      !isHistoric(dating, page.today)
    )
      return { evidence: `It announces ${spanText(dating)}, and that is over.` };
    if (!picture.kind || picture.currentUntil === null || picture.currentUntil >= page.today) return null;
    const until = spanText({ from: picture.currentUntil, until: picture.currentUntil });
    return {
      evidence: `A picture of the kind “${picture.kind}”, taken: ${taken}, was current until ${until}.`,
    };
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
