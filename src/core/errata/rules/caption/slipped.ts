import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { sharedWords, stemOf } from '../../../words/content-words';
import { pageWords, telling, type PageWords, type PictureWords } from '../../words/picture-words';

/** Shorter words are in too many captions. */
const LEAST_LETTERS = 4;
/** Of the words of a heading so many make it the one that is spoken of. */
const MOST_OF = 0.6;

export const slipped: Rule = {
  id: 'caption/slipped',
  degree: 'must',
  level: 'guessed',
  title: 'The caption belongs to another picture',
  why: 'Readers take one for the other, and nobody tells them.',
  remedy: 'Give each picture of the row its own caption again.',
  applies: isPicture,
  check: (placement, { page }) => {
    const { caption } = placement;
    const words = pageWords(page);
    const own = words.of(placement);
    if (!caption || !own || !isAtOdds(own, words)) return null;
    const links = linksAround(own, words);
    const isStrong = (one: PictureWords) => links.ownerOf(one) !== null && links.captionOf(one) !== null;
    const owner = links.ownerOf(own);
    if (owner && (isStrong(own) || isStrong(owner)))
      return { evidence: `“${caption}” fits the picture “${owner.placement.alt?.trim()}” beside it.` };
    const right = links.captionOf(own);
    if (right && isStrong(right))
      return {
        evidence: `“${placement.alt?.trim()}” fits “${right.placement.caption}”, which stands under another.`,
      };
    const heading = headingOfAnother(placement, page, words);
    return heading
      ? {
          evidence: `“${caption}” speaks of “${heading}”; it stands under “${placement.context.headings.at(-1)}”.`,
        }
      : null;
  },
  examples: [
    {
      html: '<div><figure><img src="a.jpg" alt="Harp with a carved pillar"><figcaption>The old cello</figcaption></figure><figure><img src="b.jpg" alt="Cello on its side"><figcaption>A harp from Ostrey</figcaption></figure></div>',
      evidence: '“The old cello” fits the picture “Cello on its side” beside it.',
    },
    {
      html: '<h1>Archive</h1><h2>Book fair 2009</h2><p><img src="a.jpg" alt="Clown"></p><h2>Flood of 2013</h2><figure><img src="b.jpg" alt="A chain of hands"><figcaption>The book fair in full swing</figcaption></figure>',
      evidence: '“The book fair in full swing” speaks of “Book fair 2009”; it stands under “Flood of 2013”.',
    },
    {
      html: '<div><figure><img src="a.jpg" alt="Bicycle on two hooks"><figcaption>New brakes</figcaption></figure><figure><img src="b.jpg" alt="Iron"><figcaption>The iron that burnt</figcaption></figure></div>',
      evidence: null,
    },
  ],
};

const keep = (words: readonly string[]) => words.filter((word) => word.length >= LEAST_LETTERS);

/** Whether alt text and caption of a picture have no word in common, but for those of the page. */
function isAtOdds({ alt, caption, heading }: PictureWords, words: PageWords): boolean {
  if (alt.length === 0 || caption.length === 0) return false;
  const own = telling(caption, words);
  return sharedWords(telling(alt, words), own).length === 0 && sharedWords(own, heading).length === 0;
}

interface Links {
  readonly ownerOf: (one: PictureWords) => PictureWords | null;
  readonly captionOf: (one: PictureWords) => PictureWords | null;
}

const linksKnown = new WeakMap<PageWords, Map<string, Links>>();

/** The links of the row that a picture stands in; found once for all of them. */
function linksAround(own: PictureWords, words: PageWords): Links {
  const path = own.placement.context.group?.path ?? '';
  const rows = linksKnown.get(words) ?? new Map<string, Links>();
  linksKnown.set(words, rows);
  let links = rows.get(path);
  if (!links) {
    const row = [own, ...words.beside(own.placement)];
    links = linksOf(
      row.slice(0, LONGEST_ROW).filter((one) => isAtOdds(one, words)),
      words,
    );
    rows.set(path, links);
  }
  return links;
}

/** Longer rows are lists of files, and nobody keeps captions in them by hand. */
const LONGEST_ROW = 200;

/** Which picture of a row each caption fits, and which caption each picture, by words that stand but once in each. */
function linksOf(row: readonly PictureWords[], words: PageWords): Links {
  const marks = (field: 'alt' | 'caption') => {
    const byStem = new Map<string, PictureWords | null>();
    for (const one of row)
      for (const stem of new Set(keep(telling(one[field], words)).map(stemOf)))
        byStem.set(stem, byStem.has(stem) ? null : one);
    return byStem;
  };
  const owners = new Map<PictureWords, PictureWords>();
  const captions = new Map<PictureWords, PictureWords>();
  const byCaption = marks('caption');
  for (const [stem, shown] of marks('alt')) {
    const told = shown === null ? null : (byCaption.get(stem) ?? null);
    if (!shown || !told || shown === told) continue;
    owners.set(told, shown);
    captions.set(shown, told);
  }
  return { ownerOf: (one) => owners.get(one) ?? null, captionOf: (one) => captions.get(one) ?? null };
}

/** The heading of another section of the page that a caption speaks of, while nothing of it fits its own. */
function headingOfAnother(placement: PlacementToCheck, page: PageToCheck, words: PageWords): string | null {
  const own = words.of(placement);
  const { headings } = placement.context;
  if (!own || headings.length < 2) return null;
  if (COMPARES.test(placement.caption ?? '')) return null;
  const beyond = (list: readonly string[]) =>
    keep(list.filter((word) => sharedWords([word], words.topic).length === 0));
  const caption = beyond(own.caption);
  if (sharedWords(caption, [...own.alt, ...own.heading]).length > 0) return null;
  const others = new Map(words.pictures.map((one) => [one.placement.context.headings.at(-1), one]));
  for (const [heading, other] of others) {
    if (!heading || other.placement.context.headings.length < 2 || headings.includes(heading)) continue;
    const subject = beyond(other.heading);
    const shared = sharedWords(subject, caption).filter((word) => !/^\d+$/u.test(word));
    // An event has a year; of other headings most words must be there, so that “Options” is none.
    const isEvent = /\d{4}/u.test(heading) && shared.some((word) => !words.common.has(word));
    if (isEvent || (shared.length > 1 && shared.length >= MOST_OF * subject.length)) return heading;
  }
  return null;
}

/** A caption that compares names the other by right. */
const COMPARES = /compar|vergleich|zum unterschied|unlike|\bnot\b|anders als|contrairement|a diferencia/iu;
