/** Whether a picture is a leftover of a template: each clue by itself with its weight, so that the verdict can be read. */
import { contentWords, sharedWords, tokensOf } from '../words/content-words';
import { wordsFor } from '../words/languages/known-languages';
import { namesIn } from '../words/proper-names';
import type { DrawnSign } from './drawn-signs';
import {
  BARE_NAMES,
  FILLER_IN_PICTURE,
  NO_PICTURE_WISHED,
  PROMPT_IN_PICTURE,
  SAMPLE_NAMES,
  SAMPLE_TEXT,
  SURE_NAMES,
  SIZE_IN_PICTURE,
  SPEAKS_OF_SIGN,
  isPromptRead,
  NOBODYS_NAME,
  UNFILLED_BEGINNING,
  UNFILLED_ROW,
  WRITTEN_SIZE,
} from './placeholder-words';
import type { GreyPlane } from './grey-plane';
import { BELIEVED, SAID, type PlaceholderClue, type Teaching } from './leftover-strength';

/** What a person said of a picture: it holds, whatever the clues say. */

/** A place that shows it, as far as it tells a leftover. */
export interface PlaceholderPlace {
  readonly alt: string | null;
  readonly caption: string | null;
  /** The heading right over it; empty where there is none. */
  readonly heading: string;
  /** What its row, card or paragraph says. */
  readonly entry: string;
  /** Text before and after it. */
  readonly near: string;
  readonly section: string;
  readonly page: string;
  /** The run of like elements that it stands in; `null` where in none. */
  readonly row: string | null;
  /** Whether a press on it leads to the first page. */
  readonly isHomeLink: boolean;
}

export interface PlaceholderSources {
  readonly paths: readonly string[];
  readonly widthPx: number;
  readonly heightPx: number;
  /** As `emptinessOf` gives it. */
  readonly emptiness: number;
  /** The sign that is drawn; `null` where none is. */
  readonly sign: DrawnSign | null;
  /** The words that were read in it; `null` where that was not tried. */
  readonly readText: string | null;
  /** Whether a camera left its marks in the file. */
  readonly isFromCamera: boolean;
  readonly places: readonly PlaceholderPlace[];
  /** Of its row's other pictures, how many are photographs: 0 to 1; 0 where it stands in no row. */
  readonly photosBeside: number;
  /** How many other files have its name with another number. */
  readonly numberedBeside: number;
  readonly teaching: Teaching | null;
  /** Whether it looks like one that a person taught. */
  readonly looksTaught: boolean;
}

export interface PlaceholderVerdict {
  /** 0 to 1. */
  readonly belief: number;
  readonly isPlaceholder: boolean;
  /** What speaks for it and against it, the strongest first. */
  readonly clues: readonly PlaceholderClue[];
}

/** Few pictures of a site are leftovers: about one in twenty. */
const PRIOR = -3;
/** Emptiness of a photograph hardly reaches this. */
const EMPTY = 0.9;
const FULL = 0.5;
/** Smaller pictures are icons and bullets, which are flat by right. */
const LEAST_PX = 90;

/** Weighs all clues; they are taken as independent, as the sum of log-odds does. */
export function placeholderVerdict(sources: PlaceholderSources): PlaceholderVerdict {
  const clues = cluesOf(sources).sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
  const sum = clues.reduce((total, { weight }) => total + weight, PRIOR);
  const belief = 1 / (1 + Math.exp(-sum));
  return { belief, isPlaceholder: belief >= BELIEVED, clues };
}

function cluesOf(sources: PlaceholderSources): PlaceholderClue[] {
  const { teaching } = sources;
  if (teaching === 'placeholder') return [{ weight: 12, text: SAID[teaching] }];
  if (teaching === 'not a placeholder') return [{ weight: -12, text: SAID[teaching] }];
  const clues: PlaceholderClue[] = [];
  const clue = (weight: number, text: string) => clues.push({ weight, text });
  if (sources.looksTaught) clue(7, 'It looks like one that you pointed out.');
  named(sources, clue);
  said(sources, clue);
  drawn(sources, clue);
  looked(sources, clue);
  stood(sources, clue);
  return clues;
}

/** A file's name without its ending, as words. */
const inWords = (path: string) => path.replace(/\.\w{2,5}$/u, '').replace(/[_.]/gu, ' ');

type Clue = (weight: number, text: string) => void;

const distinct = (texts: readonly (string | null)[]): string[] => [
  ...new Set(texts.flatMap((text) => (text?.trim() ? [text] : []))),
];

function named({ paths, widthPx, heightPx, places, numberedBeside }: PlaceholderSources, clue: Clue): void {
  const names = paths.map((path) => path.slice(path.lastIndexOf('/') + 1));
  const name = names.find((one) => SAMPLE_NAMES.test(inWords(one)));
  // Nobody who put a picture of their own in calls it a placeholder; “sample” and “unknown” may be what it shows.
  if (name) clue(SURE_NAMES.test(inWords(name)) ? 6 : 3.2, `Its name says so: “${name}”.`);
  // Within a sentence a sample is a thing: a jar with the honey sample.
  const alt = distinct(places.map((place) => place.alt)).find(
    (one) => SAMPLE_NAMES.test(one) && one.trim().split(/\s+/u).length <= NAMES_WORDS,
  );
  if (alt) clue(2.9, `Its alt text says so: “${alt}”.`);
  const sized = names.find((one) => {
    const [, width, height] = WRITTEN_SIZE.exec(one) ?? [];
    return Number(width) === widthPx && Number(height) === heightPx;
  });
  const bare = names.find((one) => BARE_NAMES.test(one));
  if (bare && !name) clue(1, `Its name says nothing: “${bare}”.`);
  if (sized && name) clue(0.8, `Its name is its size: “${sized}”.`);
  if (name && numberedBeside > 0)
    clue(
      2.7,
      `${numberedBeside === 1 ? 'Another one has' : `${numberedBeside} others have`} its name with another number.`,
    );
}

const NAMES_WORDS = 3;
/** So small are the signs of buttons, and no picture that waits for another. */
const ICON_PX = 48;
/** Alt texts of so many words describe; shorter ones name. */
const DESCRIBES_WORDS = 4;

function said(
  { paths, places, sign, emptiness, readText, widthPx, heightPx }: PlaceholderSources,
  clue: Clue,
): void {
  const captions = distinct(places.map(({ caption }) => caption));
  const caption = captions.find((one) => SAMPLE_TEXT.test(one));
  if (caption) clue(3, `Its caption is a template’s: “${caption.slice(0, 80)}”.`);
  const unfilled = distinct(places.map(({ alt }) => alt)).find((one) => SAMPLE_TEXT.test(one));
  if (unfilled) clue(3, `Its alt text is a template’s: “${unfilled.slice(0, 80)}”.`);
  // Beside an icon stands what a press on it does.
  const isIcon = Math.max(widthPx, heightPx) < ICON_PX;
  const entry = isIcon ? undefined : places.find((place) => SAMPLE_TEXT.test(place.entry));
  // What stands on every page has a template's text beside it somewhere.
  const isNear = places.filter((place) => SAMPLE_TEXT.test(place.near)).length * 2 >= places.length;
  if (entry && !caption) clue(6.2, `It stands with a template’s text: “${entry.entry.slice(0, 60)}”.`);
  else if (isNear && !caption) clue(2, 'A template’s text stands around it.');
  const real = captions.filter((one) => !SAMPLE_TEXT.test(one));
  const sections = new Set(places.map(({ section }) => section).filter((section) => section !== ''));
  if (sections.size >= 3 && real.length >= 2)
    clue(1.6, `It stands in ${sections.size} sections with ${real.length} different captions.`);
  const alts = distinct(places.map(({ alt }) => alt)).filter((one) => !SAMPLE_NAMES.test(one));
  // What should be there is named beside a sign as well; only words for what is drawn speak of the sign.
  if (sign !== null || isPrompt(readText)) {
    const isOfTones = sign === null || TONES_ONLY.has(sign);
    const about = places.find(
      (place) =>
        SPEAKS_OF_SIGN.test(`${place.alt ?? ''} ${aroundOf(place)}`) || (isOfTones && namesColour(place)),
    );
    if (about)
      clue(
        -4.5,
        `The text speaks of what is drawn: “${`${about.alt ?? ''} ${aroundOf(about)}`.trim().slice(0, 60)}”.`,
      );
  } else {
    const told = alts.find((one) => one.trim().split(/\s+/u).length >= DESCRIBES_WORDS);
    if (told) clue(-1.2, `Somebody described it: “${told.slice(0, 80)}”.`);
    const spoken = places.find(isSpokenOf);
    // Beside a placeholder stands what should be there.
    const isSure = paths.some((path) => SURE_NAMES.test(inWords(path.slice(path.lastIndexOf('/') + 1))));
    if (spoken && !isSure && cardsOf(places) < MANY_CARDS)
      clue(-3.4, `The text speaks of it: “${aroundOf(spoken).slice(0, 60).trim()}”.`);
  }
  // A sign or a photograph of a template is never described; so are many others.
  if (alts.length === 0 && captions.length === 0 && (sign !== null || emptiness < FULL))
    clue(0.7, 'Nobody has described it.');
  const wish = places.find(({ alt, caption: below, entry: row }) =>
    NO_PICTURE_WISHED.test(`${alt ?? ''} ${below ?? ''} ${row}`),
  );
  if (wish) clue(-6, 'Somebody wishes not to be shown.');
}

/** Whether what was read in it is nothing but a prompt, a filler or a size. */
const isPrompt = (readText: string | null): boolean => {
  const text = (readText ?? '').replace(/\s+/gu, ' ').trim();
  return (
    PROMPT_IN_PICTURE.test(text) ||
    isPromptRead(text) ||
    FILLER_IN_PICTURE.test(text) ||
    SIZE_IN_PICTURE.test(text)
  );
};

const COLOURS = wordsFor(null, 'colours');

const TONES_ONLY: ReadonlySet<DrawnSign> = new Set<DrawnSign>(['flat', 'gradient', 'soft blobs']);

/** A chart of colours names them; a bare tone may be one of its fields. */
const namesColour = (place: PlaceholderPlace): boolean =>
  tokensOf(`${place.alt ?? ''} ${place.caption ?? ''} ${place.entry}`).some(
    (word) =>
      COLOURS.has(word) ||
      [...COLOURS].some(
        (colour) => colour.length >= 3 && word.endsWith(colour) && word.length <= colour.length + 6,
      ),
  );

const aroundOf = ({ caption, entry, heading }: PlaceholderPlace) => `${caption ?? ''} ${entry} ${heading}`;

/** Whether what stands around a place has words of its alt text: a drawing that the text is about. */
function isSpokenOf(place: PlaceholderPlace): boolean {
  const { alt } = place;
  if (!alt || SAMPLE_NAMES.test(alt) || SAMPLE_TEXT.test(aroundOf(place))) return false;
  const own = contentWords(alt, SMALL);
  return own.length >= 2 && sharedWords(own, contentWords(aroundOf(place), SMALL)).length > 0;
}

/** How much each sign tells by itself: many a site draws in bare tones on purpose. */
const SIGN_WEIGHT: Readonly<Record<DrawnSign, readonly [weight: number, text: string]>> = {
  flat: [3.4, 'It is one bare tone.'],
  gradient: [4.8, 'It is a run from one colour to another, and nothing else.'],
  'soft blobs': [4.8, 'It is soft blobs of colour, and nothing else.'],
  checkerboard: [4.8, 'It is the checkerboard that programs draw where nothing is.'],
  'crossed frame': [4.8, 'It is a crossed frame, as drafts have for a picture to come.'],
  'mountains and sun': [4.8, 'It is the sign for “a picture”: mountains and a sun.'],
  'outline of a person': [4.8, 'It is the outline of a person.'],
  'play triangle': [4.8, 'It is a play triangle on a bare ground.'],
  'large letters': [3.9, 'It is a letter or two on a bare ground.'],
  'initials in a disc': [3.2, 'It is a letter or two in a disc.'],
  camera: [4.6, 'It is the sign for “a photograph”: a camera.'],
  'question mark': [3.9, 'It is a question mark on a bare ground.'],
  hatching: [4.8, 'It is slanting stripes, and nothing else.'],
  'sign of a broken picture': [4.8, 'It is what a browser draws for a missing picture.'],
};

function drawn({ sign, readText, widthPx, heightPx }: PlaceholderSources, clue: Clue): void {
  const text = (readText ?? '').replace(/\s+/gu, ' ').trim();
  if (NO_PICTURE_WISHED.test(text)) return clue(-6, `It says why there is no picture: “${text}”.`);
  if (FILLER_IN_PICTURE.test(text)) return clue(6.5, `Filler text stands in it: “${text.slice(0, 60)}”.`);
  if (PROMPT_IN_PICTURE.test(text) || isPromptRead(text))
    return clue(6.5, `It says itself that a picture is to come: “${text}”.`);
  if (SIZE_IN_PICTURE.test(text)) return clue(5.2, `A size is written in it: “${text}”.`);
  // Icons and marks are made of the same shapes.
  if (!sign || Math.max(widthPx, heightPx) < LEAST_PX) return;
  const [weight, words] = SIGN_WEIGHT[sign];
  clue(weight, words);
}

function looked(
  { widthPx, heightPx, emptiness, isFromCamera, places, paths, sign, readText }: PlaceholderSources,
  clue: Clue,
): void {
  if (isFromCamera) clue(-4, 'A camera took it.');
  if (places.some(({ isHomeLink }) => isHomeLink)) clue(-4, 'It leads to the first page, as a logo does.');
  const words = (readText ?? '').split(/\s+/u).filter((word) => /\p{L}{3}/u.test(word));
  if (words.length >= MANY_WORDS && !FILLER_IN_PICTURE.test(readText ?? ''))
    clue(-2.5, `It says something: “${words.slice(0, 8).join(' ')}”.`);
  if (Math.min(widthPx, heightPx) < LEAST_PX) return;
  const texts = places.flatMap(({ alt, caption, near }) => [alt ?? '', caption ?? '', near]);
  const isTold = texts.some((one) => SAMPLE_TEXT.test(one) || SAMPLE_NAMES.test(one));
  const isNamed = paths.some((path) => SAMPLE_NAMES.test(inWords(path)));
  if (emptiness >= EMPTY && sign === null)
    clue(isTold || isNamed ? 2 : 1, 'Next to nothing is to be seen on it: one or two tones.');
  if (emptiness < FULL) clue(-1.5, 'It is as full as a photograph.');
}

/** A notice or a poster has more words than a prompt. */
const MANY_WORDS = 4;
/** Fewer places in a row may be chance. */
const MANY_IN_ROW = 3;
const MANY_CARDS = 3;
const LEAST_PORTRAIT_PX = 40;

/** What its places tell together: rows that nobody filled in, one picture for several people, or for unrelated things. */
function stood(sources: PlaceholderSources, clue: Clue): void {
  const { places, emptiness, photosBeside, sign } = sources;
  const unfilled = places.filter(
    ({ entry }) => UNFILLED_ROW.test(entry) || UNFILLED_BEGINNING.test(entry) || NOBODYS_NAME.test(entry),
  );
  const rows = new Map<string, PlaceholderPlace[]>();
  for (const place of places)
    if (place.row !== null) rows.set(place.row, [...(rows.get(place.row) ?? []), place]);
  const longest = [...rows.values()].sort((a, b) => b.length - a.length)[0] ?? [];
  if (unfilled.length >= 2)
    clue(6.2, `It stands in ${unfilled.length} rows that nobody has filled in: “${unfilled[0]?.entry}”.`);
  else if (longest.length >= MANY_IN_ROW && longest.every(({ alt, caption }) => !alt?.trim() && !caption))
    clue(2.5, `It stands ${longest.length} times in one row, and nobody has described it.`);
  const people = new Set(
    places.flatMap(({ entry, caption, heading }) => {
      const [first] = namesIn(entry || caption || heading);
      return first ? [first.words.join(' ')] : [];
    }),
  );
  // What stands for a person is no sign of a few pixels, as menus have them.
  const isFewTones = emptiness >= FULL || sign !== null;
  const isLarge = Math.max(sources.widthPx, sources.heightPx) >= LEAST_PORTRAIT_PX;
  // The name of who should be there speaks of nothing that is drawn.
  const isAbout = places.some((place) => isSpokenOf(place) && namesIn(place.alt ?? '').length === 0);
  if (people.size >= 2 && isFewTones && isLarge && !isAbout)
    clue(2.5, `It stands for ${people.size} people by name.`);
  else if (people.size === 1 && sign !== null && !isAbout) clue(1.2, 'It stands where a person is named.');
  const cards = cardsOf(places);
  if (cards >= MANY_CARDS) clue(6.2, `It stands for ${cards} things that have nothing in common.`);
  if (photosBeside >= MOST_PHOTOS && (sign !== null || emptiness >= EMPTY))
    clue(1.6, 'The others of its row are photographs.');
}

const MOST_PHOTOS = 0.6;

/** Under how many different things it stands, none of which has a word in common with another, or with its alt text. */
function cardsOf(places: readonly PlaceholderPlace[]): number {
  const kept: string[][] = [];
  for (const place of places) {
    // What a link leads to, or a style sheet shows, is no entry of its own.
    if (place.alt === null || (place.entry === '' && !place.caption)) continue;
    const words = contentWords(`${place.alt} ${place.caption ?? ''} ${place.entry}`, SMALL);
    if (words.length === 0) continue;
    if (!kept.some((others) => sharedWords(words, others).length > 0)) kept.push(words);
  }
  // A picture that is described alike everywhere is one that somebody chose.
  const alts = distinct(places.map(({ alt }) => alt));
  return alts.length === 1 &&
    places.every(({ alt }) => alt?.trim()) &&
    (alts[0] ?? '').trim().split(/\s+/u).length >= DESCRIBES_WORDS
    ? 0
    : kept.length;
}

/** A site may be written in several languages. */
const SMALL = wordsFor(null, 'functionWords');

/** Tones that are told apart. */
const TONES = 24;

/** How empty a picture is: the share of it that its two commonest tones cover, 0 to 1. */
export function emptinessOf({ data }: GreyPlane): number {
  const counts = new Uint32Array(TONES);
  for (let i = 0; i < data.length; i++)
    counts[Math.min(TONES - 1, Math.floor((data[i]! * TONES) / 256))]! += 1;
  counts.sort();
  return (counts[TONES - 1]! + counts[TONES - 2]!) / data.length;
}
