import { altBranch, isOnlyContent } from '../../alt-branch';
import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { remembered } from '../../../words/remembered';
import { contentWords, sharedWords, stemOf } from '../../../words/content-words';
import { primaryOf, vocabulariesOf, wordsFor } from '../../../words/languages/known-languages';
import { isTitleOfFigure } from '../../words/told-beside';
import { pageWords, sentencesAround } from '../../words/picture-words';

/** So many words may an alt text have besides those of its sort and of the page, and still tell nothing. */
const MOST_OTHER_WORDS = 1;
/** A longer alt text tells something of its own. */
const MOST_WORDS = 3;

export const contentNowhere: Rule = {
  id: 'alt/content-nowhere',
  degree: 'must',
  level: 'guessed',
  title: 'The text leaves it to the picture, and the alt text does not tell it',
  why: 'Who can’t see the picture is sent to it all the same: what it holds stands nowhere in words.',
  remedy: 'Tell in the alt text, or better on the page for everybody, what is to be read off the picture.',
  standard: 'WCAG 2.2, 1.1.1; W3C, Images tutorial: complex images',
  applies: (placement) => isPicture(placement) && !isOnlyContent(placement.link),
  check: (placement, { page }) => {
    const alt = (placement.alt ?? placement.name).trim();
    if (alt !== '' && isSurelyTold(alt, page)) return null;
    const sent = sendingText(placement, page);
    const branch = altBranch(placement);
    if (alt === '') {
      // An alt text that is not there at all is another rule’s.
      if (placement.alt === null || sent === null) return null;
      return { evidence: `“${sent}”, and the alt text is empty.`, branch: 'complex' };
    }
    if (!tellsNothing(alt, placement, page, sent)) return null;
    const because = sent === null ? 'what it holds stands nowhere beside it' : `the text says “${sent}”`;
    return { evidence: `The alt text is “${alt}”; ${because}.`, branch };
  },
  examples: [
    {
      html: '<p>How hot? See the diagram.</p><img src="a.png" alt="">',
      evidence: '“See the diagram.”, and the alt text is empty.',
    },
    {
      html: '<p>Days, times and halls of all groups:</p><img src="a.png" alt="Timetable">',
      evidence: 'The alt text is “Timetable”; the text says “Days, times and halls of all groups:”.',
    },
    {
      html: '<h2>Who does what</h2><img src="a.png" alt="Organisation chart">',
      evidence: 'The alt text is “Organisation chart”; what it holds stands nowhere beside it.',
    },
    {
      html: '<p>Where the money goes is shown here:</p><img src="a.png" alt="Pie chart of spending">',
      evidence:
        'The alt text is “Pie chart of spending”; the text says “Where the money goes is shown here:”.',
    },
    {
      html: '<p>Alle Termine entnehmen Sie bitte der Übersicht:</p><img src="a.png" alt="Terminübersicht">',
      evidence:
        'The alt text is “Terminübersicht”; the text says “Alle Termine entnehmen Sie bitte der Übersicht:”.',
      language: 'de',
    },
    {
      html: '<p>Holidays:</p><img src="a.png" alt="Holiday timetable, repeated in the list below">',
      evidence: null,
    },
    {
      html: '<p>Figure 7.25. The CPU menu</p><img src="a.png" alt="The CPU menu"><p>What is shown can be changed in the tab menu.</p>',
      evidence: null,
    },
    { html: '<p>Where it came from:</p><img src="a.png" alt="Chart: paint 61 %, tea 8 %">', evidence: null },
    { html: '<p>We start at the top and work downwards.</p><img src="a.png" alt="">', evidence: null },
    { html: '<img src="a.png" alt="Map of the world in blue and gold">', evidence: null },
  ],
};

/** Whether an alt text says more than any that leaves it to the picture, whatever stands around it. */
function isSurelyTold(alt: string, page: PageToCheck): boolean {
  if (/\d/u.test(alt)) return true;
  const words = wordsOfAlt(alt, page);
  return words.length !== 1 && !words.some(isSortIn(page.language));
}

const wordsOfAlt = (alt: string, page: PageToCheck) =>
  contentWords(alt.replace(SORT_OF_CHART, '$1$2'), pageWords(page).small);

/** Whether a word is one for a picture that holds facts. */
function isSortIn(language: string | null): (word: string) => boolean {
  const stems = stemsOfSorts(primaryOf(language));
  return (word) =>
    stems.has(stemOf(word)) || /(?:plan|skizze|tabelle|karte|tafel|liste|übersicht|diagramm)$/u.test(word);
}

const sendersIn = remembered((language) => {
  const lists = vocabulariesOf(language);
  return remembered((text) => lists.some(({ sendsToPicture }) => sendsToPicture.test(text)));
});

/** The sentence that sends readers to the picture, or `null`. */
function sendingText(placement: PlacementToCheck, page: PageToCheck): string | null {
  const sends = sendersIn(primaryOf(page.language));
  const entry = (placement.context.entry ?? '').replace(placement.caption ?? '', '').trim();
  if (entry !== '') return sends(entry) ? entry : null;
  const { before, after } = sentencesAround(placement);
  if (before !== '' && (sends(before) || (/:\s*$/u.test(before) && (placement.alt ?? '') !== '')))
    return before;
  return sends(after) && !belongsToNext(placement, page, after) ? after : null;
}

/** What stands between two pictures and sends to one is said of the one that follows. */
function belongsToNext(placement: PlacementToCheck, page: PageToCheck, sentence: string): boolean {
  const near = pageWords(page).near(placement);
  const next = near[near.findIndex((one) => one.placement === placement) + 1]?.placement;
  return next !== undefined && next.context.before.includes(sentence.replace(/\s*…$/u, '').slice(0, 40));
}

/** Whether an alt text gives nothing but the sort of picture, and words that stand around it already. */
function tellsNothing(
  alt: string,
  placement: PlacementToCheck,
  page: PageToCheck,
  sent: string | null,
): boolean {
  const lists = vocabulariesOf(page.language);
  if (isTitleOfFigure(placement) || lists.some(({ toldBeside }) => toldBeside.test(alt))) return false;
  const { small, topic } = pageWords(page);
  const words = wordsOfAlt(alt, page);
  const figures = wordsFor(page.language, 'holdsFigures');
  const isSort = isSortIn(page.language);
  if (!words.some(isSort)) return sent !== null && words.length === 1 && !/:\s*$/u.test(sent);
  const { headings, before, after, entry } = placement.context;
  const around = contentWords(`${headings.join(' ')} ${sent ?? before}`, small);
  const rest = words.filter((word) => !isSort(word));
  const other = rest.filter((word) => sharedWords([word], [...around, ...topic]).length === 0);
  if (sent !== null) return other.length <= MOST_OTHER_WORDS;
  // Nothing sends to it: then only where no figure stands around that could be its content.
  const isStrong =
    words.some((word) => figures.has(word)) && words.length <= MOST_WORDS && !AT_A_TABLE.test(alt);
  return (
    // Without a heading it may stand for a press: “Menu”.
    headings.length > 0 &&
    isStrong &&
    other.length <= MOST_OTHER_WORDS &&
    !/\d/u.test(`${entry ?? ''} ${after}`) &&
    !FIGURE.test(before) &&
    !placement.caption
  );
}

/** The sort of a chart tells no more than that it is one: “pie chart”, “gráfico de barras”. */
const SORT_OF_CHART =
  /(?<!\p{L})(?:pie|bar|line|column|area|flow|stacked|donut|organi[sz]ation(?:al)?)[ -](charts?|graphs?|diagrams?)(?!\p{L})|(?<!\p{L})(graphiques?|diagrammes?|gráficos?|gráficas?|diagramas?)(?: (?:de|en|à) (?:barres|bâtons|secteurs|lignes|camembert|barras|líneas|columnas|tarta|sectores)| circulaires?| circular(?:es)?)(?!\p{L})/giu;

/** A number that is no year: distances, hours and prices that stand in words before the picture. */
const FIGURE = /(?<![\d.,])(?!(?:19|20)\d\d(?!\d))\d/u;

/** “Hands at a table” is of furniture. */
const AT_A_TABLE =
  /(?<!\p{L})(?:at|under|around|round|unter|sous|bajo)\s+(?:\p{L}+\s+)?(?:tables?|tafel|tableau)(?!\p{L})/iu;

/** Stems of the words for pictures that hold facts, by the primary language. */
const stemsOfSorts: (language: string) => ReadonlySet<string> = remembered(
  (language) => new Set([...wordsFor(language, 'holdsFigures', 'holdsText')].map(stemOf)),
);
