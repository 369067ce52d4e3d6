import { everyMatch } from '../../../words/every-match';
import { altBranch } from '../../alt-branch';
import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import { hasAlt } from '../../places';
import { onceFor } from '../../once-for';
import type { Rule } from '../../rule';
import { alike, bareText } from '../../words/alike';
import { saysOnly } from '../../words/empty-texts';
import { isTitleOfFigure } from '../../words/told-beside';
import { remembered } from '../../../words/remembered';
import { sharedWords, stemOf, tokensOf } from '../../../words/content-words';
import { vocabulariesOf } from '../../../words/languages/known-languages';
import { areOfOtherColours, standsAgainst } from '../../words/opposites';
import { pageWords, telling, textAround, type PictureWords } from '../../words/picture-words';
import { monthsIn } from '../../words/time-words';
import { mayBeOne, namesIn, nameOthers } from '../../../words/proper-names';

/** What an entry is about stands at its beginning. */
const HEAD_WORDS = 2;
const HEAD_OF_ENTRY = 6;
/** Names of two letters more or less are shared by chance. */
const LEAST_LETTERS = 5;

export const altNamesAnother: Rule = {
  id: 'alt/names-another',
  degree: 'must',
  level: 'guessed',
  title: 'The alt text names another than its entry is about',
  why: 'A listener takes one person or thing for another.',
  remedy: 'Write it for this picture; it was probably copied from the one beside.',
  standard: 'WCAG 2.2, 1.1.1',
  applies: hasAlt,
  check: (placement, { page }) => {
    const label = labelOf(placement);
    const branch = altBranch(placement);
    const alt = placement.alt ?? '';
    // What says no more than that there is a picture names nobody.
    if (saysOnly(alt, page.language)) return null;
    // An alt text that a whole row shares tells of the row.
    if (isOfRow(placement, page) && !isNamedInRow(placement, page)) return null;
    const heading = headingOfOtherNumber(placement, page);
    if (heading)
      return { evidence: `The alt text says “${alt.trim()}”; it stands under “${short(heading)}”.`, branch };
    if (label === '' || isSaidThere(label, alt) || isTitleOfFigure(placement)) return null;
    // Of a caption that fits another picture the caption is wrong, unless the alt text was copied.
    const isCopy = isCopied(placement, page);
    // A heading is about its whole section, and so are many pictures: only what stands in an entry can be mixed up.
    const mayBeMixedUp = placement.caption ? isCopy : Boolean(placement.context.entry);
    const other = mayBeMixedUp ? entryOfAnother(placement, page) : null;
    if (other)
      return {
        evidence: `The alt text says “${alt.trim()}”, as for “${short(other)}”; here stands “${short(label)}”.`,
        branch,
      };
    const told = {
      evidence: `The alt text says “${alt.trim()}”; beside it stands “${short(label)}”.`,
      branch,
    };
    const isOther =
      nameOthers(namesIn(alt), namesIn(label)) &&
      !areExplained(placement, label) &&
      !sharedWords(tokensOf(alt), tokensOf(label)).some((word) => word.length >= LEAST_LETTERS);
    if (isOther && (!placement.caption || isCopy || isBacked(placement, page))) return told;
    if (isOtherNumber(alt, label) && !placement.caption) return told;
    const isAgainst =
      standsAgainst(alt, label, page.language) || areOfOtherColours(alt, label, page.language);
    return isAgainst && !placement.caption ? told : null;
  },
  examples: [
    {
      html: '<ul><li><img src="a.jpg" alt="Hornet at its nest"> Wasp: yellow and black</li><li><img src="b.jpg" alt="Hornet at its nest"> Hornet: red breast</li><li><img src="c.jpg" alt="Bee on clover"> Bee: brown</li></ul>',
      evidence:
        'The alt text says “Hornet at its nest”, as for “Hornet: red breast”; here stands “Wasp: yellow and black”.',
    },
    {
      html: '<table><tr><td><img src="a.jpg" alt="Harriet Vale at the radio"></td><td>Robert Quill, keeper</td></tr></table>',
      evidence: 'The alt text says “Harriet Vale at the radio”; beside it stands “Robert Quill, keeper”.',
    },
    {
      html: '<p><img src="a.jpg" alt="Class 4 of Orchard Lane"> Class 6, Mill School</p>',
      evidence: 'The alt text says “Class 4 of Orchard Lane”; beside it stands “Class 6, Mill School”.',
    },
    {
      html: '<table><tr><td><img src="a.jpg" alt="Example for the “Curve Bend” filter"> Original image</td><td><img src="b.jpg" alt="Example for the “Curve Bend” filter"> Filter “Curve Bend” applied</td></tr></table>',
      evidence: null,
    },
    {
      html: '<ul><li><img src="a.jpg" alt="Marcel Gaspe"> Odile Frenoy, chair</li><li><img src="b.jpg" alt="Marcel Gaspe"> Marcel Gaspe, treasurer</li></ul>',
      evidence:
        'The alt text says “Marcel Gaspe”, as for “Marcel Gaspe, treasurer”; here stands “Odile Frenoy, chair”.',
    },
    {
      html: '<h1>Users</h1><h2>Set passwords</h2><img src="a.png" alt="Set passwords"><p>First.</p><h2>Further steps</h2><img src="b.png" alt="Reset passwords"><p>Then.</p>',
      evidence: null,
    },
    {
      html: '<h1>Plot 12</h1><img src="a.jpg" alt="Tomatoes on plot 21"><p>Plot 12 is Eulalia’s.</p>',
      evidence: 'The alt text says “Tomatoes on plot 21”; it stands under “Plot 12”.',
    },
    {
      html: '<h1>Plot 12</h1><img src="a.jpg" alt="The path to plot 21"><p>Plot 21 is next.</p>',
      evidence: null,
    },
    {
      html: '<figure><img src="a.jpg" alt="Ada Hesk on the stairs"><figcaption>Ada Thrale, later the wife of Edmund Hesk</figcaption></figure>',
      evidence: null,
    },
    {
      html: '<ul><li><img src="a.jpg" alt="Three boys sift sand"> Class 5, Orchard Lane</li></ul>',
      evidence: null,
    },
  ],
};

/** Whether what stands there says the alt text word for word. */
const isSaidThere = (label: string, alt: string): boolean =>
  bareText(alt).includes(' ') && ` ${bareText(label)} `.includes(` ${bareText(alt)} `);

/** What stands beside a picture and says what it is: its entry, its caption, or the heading of its own section. */
function labelOf({ context, caption }: PlacementToCheck): string {
  return (
    context.entry ??
    caption ??
    (context.headings.length > 1 ? context.headings.at(-1) : null) ??
    ''
  ).trim();
}

const short = (text: string) => (text.length > 60 ? `${text.slice(0, 60).replace(/\s+\S*$/u, '')} …` : text);

/** The entry of another picture on the page that the alt text fits, while it fits its own in nothing. */
function entryOfAnother(placement: PlacementToCheck, page: PageToCheck): string | null {
  const words = pageWords(page);
  const own = words.of(placement);
  if (!own) return null;
  const alt = telling(own.alt, words);
  const section = placement.context.headings.length > 1 ? own.heading : [];
  const mine = [...(own.caption.length > 0 ? own.caption : own.entry.slice(0, HEAD_OF_ENTRY)), ...section];
  if (alt.length === 0 || mine.length === 0 || sharedWords(alt, mine).length > 0) return null;
  const head = alt.slice(0, HEAD_WORDS);
  for (const other of new Set(head.flatMap((word) => words.about(word)))) {
    if (other === own || isSameFile(other, placement)) continue;
    const label = labelOf(other.placement);
    const subject = telling(
      other.entry.length > 0 ? other.entry : other.placement.context.headings.length > 1 ? other.heading : [],
      words,
    ).slice(0, HEAD_WORDS);
    if (label === '' || alike(label, labelOf(placement)) || sharedWords(head, subject).length === 0) continue;
    // What the other entry is about must be borne out by its own picture, or by the very same words.
    const isBorneOut = sharedWords(other.alt, subject).length > 0;
    if (!isBorneOut) continue;
    // Both must be entries of one kind: of one list, one table, one row of cards.
    if (other.placement.context.headings[0] === placement.context.headings[0]) return label;
  }
  return null;
}

/** Whether all pictures of its row have the same alt text. */
function isOfRow(placement: PlacementToCheck, page: PageToCheck): boolean {
  return haveOneAlt(pageWords(page).row(placement));
}

/** Whether one of its row is about whom the alt text names: then it was copied from there. */
function isNamedInRow(placement: PlacementToCheck, page: PageToCheck): boolean {
  const names = namesIn(placement.alt ?? '');
  // Of a row whose own entry names nobody the alt text may tell as a whole.
  if (!nameOthers(names, namesIn(labelOf(placement)))) return false;
  // Its own entry names none of them, as was just seen.
  const theirs = namesOfRow(pageWords(page).row(placement));
  return names.some((name) => theirs.some((other) => mayBeOne(name, other)));
}

const haveOneAlt = onceFor((row: readonly PictureWords[]): boolean => {
  const [first] = row;
  return row.length > 1 && row.every((one) => alike(one.placement.alt ?? '', first?.placement.alt ?? ''));
});

/** Whom the entries of a row name. */
const namesOfRow = onceFor((row: readonly PictureWords[]) =>
  row.flatMap(({ placement }) => namesIn(labelOf(placement))),
);

/** Whether another picture of the page has the same alt text, and it fits what stands there. */
function isCopied(placement: PlacementToCheck, page: PageToCheck): boolean {
  return pageWords(page)
    .saying('alt', placement.alt ?? '')
    .some(
      (one) =>
        !isSameFile(one, placement) &&
        sharedWords(one.alt, [...one.entry, ...one.caption, ...one.heading]).length > 0,
    );
}

/** Whether headings or the text around name whom the caption names, and not whom the alt text does. */
function isBacked(placement: PlacementToCheck, page: PageToCheck): boolean {
  const around = namesIn(textAround(placement, page));
  const isNamed = (text: string | null) =>
    namesIn(text ?? '').some((one) => around.some((other) => mayBeOne(one, other)));
  return isNamed(placement.caption) && !isNamed(placement.alt);
}

const isSameFile = ({ placement }: PictureWords, { filePath, url }: PlacementToCheck) =>
  (placement.filePath ?? placement.url) === (filePath ?? url);

/** Whether a sentence beside speaks of both: a name by birth, a successor, a guest with others. */
function areExplained({ alt, caption, context }: PlacementToCheck, label: string): boolean {
  const around = `${context.before} ${context.after}`.replace(label, ' ').replace(caption ?? '', ' ');
  const [mine] = namesIn(alt ?? '');
  const [other] = namesIn(label);
  if (!mine || !other) return false;
  return around
    .split(/(?<=[.;!?])\s+/u)
    .map(tokensOf)
    .some((words) => mine.words.some((w) => words.includes(w)) && other.words.some((w) => words.includes(w)));
}

/** A thing and its number: “parcel 12”, “Class 4b”. Of years, hours and shares other rules speak. */
const THING_AND_NUMBER =
  /(?<!\p{L})(?<what>\p{L}{4,})\s(?<number>\d{1,3}\p{Ll}?)(?![\p{L}\d]|[.,:/]\d|\s*(?:%|€|\$|£|°))/giu;

const numbersOfThings = remembered((text) =>
  everyMatch(THING_AND_NUMBER, text).map(({ 0: whole, groups }) => ({
    what: stemOf((groups?.['what'] ?? '').toLowerCase()),
    number: (groups?.['number'] ?? '').toLowerCase(),
    text: whole.toLowerCase(),
  })),
);

/** The heading that gives another number to what the alt text numbers; not where the text speaks of both. */
function headingOfOtherNumber(placement: PlacementToCheck, page: PageToCheck): string | null {
  const [own, second] = numbersOfThings(placement.alt ?? '');
  if (!own || second || placement.caption) return null;
  const { small } = pageWords(page);
  const [word = ''] = own.text.split(' ');
  const pictures = vocabulariesOf(page.language).flatMap(({ pictureWords }) => pictureWords);
  if (small.has(word) || pictures.includes(word) || monthsIn(own.text, page.language).size > 0) return null;
  if (textAround(placement, page).toLowerCase().includes(own.text)) return null;
  const isOther = (text: string) => {
    const theirs = numbersOfThings(text).filter(({ what }) => what === own.what);
    return theirs.length > 0 && theirs.every(({ number }) => number !== own.number);
  };
  return placement.context.headings.toReversed().find(isOther) ?? null;
}

const NUMBERED =
  /(?<!\p{L})(?<what>class|year|form|group|team|room|hall|no|number|nr|klasse|gruppe|raum|saal|halle|classe|groupe|salle|n°|nº|clase|grupo|sala|aula|step|stage|plate|figure|bus|line|track|unit|level|grade)\.?\s*(?<number>\d+\p{L}?)(?!\d)/giu;

const numbered = remembered(
  (text): ReadonlyMap<string, string> =>
    new Map(
      (/\d/u.test(text) ? [...text.matchAll(NUMBERED)] : []).map(({ groups }) => [
        (groups?.['what'] ?? '').toLowerCase(),
        (groups?.['number'] ?? '').toLowerCase(),
      ]),
    ),
);

/** Whether both give a number to the same thing, and not the same one. */
function isOtherNumber(alt: string, label: string): boolean {
  const theirs = numbered(label);
  return [...numbered(alt)].some(([what, number]) => theirs.has(what) && theirs.get(what) !== number);
}
