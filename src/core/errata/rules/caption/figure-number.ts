import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { pageWords } from '../../words/picture-words';

const NUMBER =
  /^\W*(?<word>fig(?:ure|ura|\.)?|abb(?:ildung|\.)?|bild|plate|tafel|planche|lámina|table|tab\.?|illustration|image|foto|photo)\s*(?:n[°º.]\s*)?(?<number>\d{1,3})(?!\d|\s*(?:st|nd|rd|th))/iu;

export const figureNumber: Rule = {
  id: 'caption/figure-number',
  degree: 'should',
  level: 'read',
  title: 'The figures of the page are numbered wrongly',
  why: 'Where the text speaks of “figure 3”, readers look at the wrong one, or for one that is not there.',
  remedy: 'Number them anew from the first, and look through the text for their numbers.',
  applies: isPicture,
  check: (placement, { page }) => {
    const number = numberOf(placement);
    if (number === null) return null;
    const before = numbersBefore(placement, page);
    if (before.length === 0)
      return number > 1 && isRow(placement, page) ? { evidence: `The first is number ${number}.` } : null;
    if (before.includes(number)) return { evidence: `Number ${number} is there twice.` };
    const last = before.at(-1) as number;
    const byPlace = (before[0] as number) + before.length;
    return number === last + 1 || number === byPlace
      ? null
      : { evidence: `After number ${last} comes ${number}.` };
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>Figure 1. Lens</figcaption></figure><figure><img src="b.jpg" alt="y"><figcaption>Figure 1. Bath</figcaption></figure>',
      evidence: 'Number 1 is there twice.',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>Fig. 1: Lens</figcaption></figure><figure><img src="b.jpg" alt="y"><figcaption>Fig. 3: Bath</figcaption></figure>',
      evidence: 'After number 1 comes 3.',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>Figure 1. Lens</figcaption></figure><figure><img src="b.jpg" alt="y"><figcaption>Figure 2. Bath</figcaption></figure>',
      evidence: null,
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>Plate 4: tree mallow</figcaption></figure>',
      evidence: null,
    },
  ],
};

interface Numbered {
  readonly word: string;
  readonly number: number;
}

function numbered({ caption }: PlacementToCheck): Numbered | null {
  const { word, number } = NUMBER.exec(caption ?? '')?.groups ?? {};
  return word && number ? { word: word.toLowerCase().slice(0, 3), number: Number(number) } : null;
}

const numberOf = (placement: PlacementToCheck): number | null => numbered(placement)?.number ?? null;

function numbersBefore(placement: PlacementToCheck, page: PageToCheck): number[] {
  const own = numbered(placement);
  const { pictures } = pageWords(page);
  const at = pictures.findIndex((one) => one.placement === placement);
  return pictures.slice(0, at).flatMap((one) => {
    const other = numbered(one.placement);
    return other && other.word === own?.word ? [other.number] : [];
  });
}

/** A page may show plate 4 of a book; several that are numbered on it begin with the first. */
function isRow(placement: PlacementToCheck, page: PageToCheck): boolean {
  const own = numbered(placement);
  const row = pageWords(page).pictures.filter((one) => numbered(one.placement)?.word === own?.word);
  const numbers = row.map((one) => numberOf(one.placement) ?? 0);
  return row.length >= LEAST_ROW && numbers.some((number) => number === 1);
}

const LEAST_ROW = 2;
