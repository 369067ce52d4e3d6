/** Whether a picture is a leftover of a template: each clue by itself with its weight, so that the verdict can be read. */
import { BARE_NAMES, SAMPLE_NAMES, SAMPLE_TEXT, WRITTEN_SIZE } from './placeholder-words';
import type { GreyPlane } from './grey-plane';

/** What a person said of a picture: it holds, whatever the clues say. */
export type Teaching = 'placeholder' | 'not a placeholder';

export interface PlaceholderSources {
  readonly paths: readonly string[];
  readonly widthPx: number;
  readonly heightPx: number;
  /** As `emptinessOf` gives it. */
  readonly emptiness: number;
  /** Whether a camera left its marks in the file. */
  readonly isFromCamera: boolean;
  readonly altTexts: readonly string[];
  readonly captions: readonly string[];
  /** Text before and after its placements. */
  readonly nearTexts: readonly string[];
  /** Sections of the pages that show it. */
  readonly sections: readonly string[];
  readonly teaching: Teaching | null;
  /** Whether it looks like one that a person taught. */
  readonly looksTaught: boolean;
}

export interface PlaceholderClue {
  /** In natural log-odds: above 0 it speaks for a leftover, below 0 against. */
  readonly weight: number;
  readonly text: string;
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
/** Belief from which a picture is called a leftover. */
const BELIEVED = 0.8;
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
  if (teaching === 'placeholder') return [{ weight: 12, text: 'You said that it is one.' }];
  if (teaching === 'not a placeholder') return [{ weight: -12, text: 'You said that it is none.' }];
  const clues: PlaceholderClue[] = [];
  const clue = (weight: number, text: string) => clues.push({ weight, text });
  if (sources.looksTaught) clue(7, 'It looks like one that you pointed out.');
  named(sources, clue);
  said(sources, clue);
  looked(sources, clue);
  return clues;
}

/** A file's name without its ending, as words. */
const inWords = (path: string) => path.replace(/\.\w{2,5}$/u, '').replace(/[_.]/gu, ' ');

type Clue = (weight: number, text: string) => void;

function named({ paths, widthPx, heightPx, altTexts }: PlaceholderSources, clue: Clue): void {
  const names = paths.map((path) => path.slice(path.lastIndexOf('/') + 1));
  const name = names.find((one) => SAMPLE_NAMES.test(inWords(one)));
  if (name) clue(3.2, `Its name says so: “${name}”.`);
  const alt = altTexts.find((one) => SAMPLE_NAMES.test(one));
  if (alt) clue(2.9, `Its alt text says so: “${alt}”.`);
  const sized = names.find((one) => {
    const [, width, height] = WRITTEN_SIZE.exec(one) ?? [];
    return Number(width) === widthPx && Number(height) === heightPx;
  });
  const bare = names.find((one) => BARE_NAMES.test(one));
  if (bare && !name) clue(1, `Its name says nothing: “${bare}”.`);
  if (sized && name) clue(0.8, `Its name is its size: “${sized}”.`);
}

function said({ captions, nearTexts, altTexts, sections }: PlaceholderSources, clue: Clue): void {
  const caption = captions.find((one) => SAMPLE_TEXT.test(one));
  if (caption) clue(3, `Its caption is a template’s: “${caption.slice(0, 80)}”.`);
  const near = nearTexts.find((one) => SAMPLE_TEXT.test(one));
  if (near && !caption) clue(2, 'A template’s text stands around it.');
  const real = new Set(captions.filter((one) => !SAMPLE_TEXT.test(one)));
  if (new Set(sections).size >= 3 && real.size >= 2)
    clue(1.6, `It stands in ${new Set(sections).size} sections with ${real.size} different captions.`);
  const told = altTexts.find((one) => one.trim().split(/\s+/u).length >= 4 && !SAMPLE_NAMES.test(one));
  if (told) clue(-1.2, `Somebody described it: “${told.slice(0, 80)}”.`);
}

function looked(
  { widthPx, heightPx, emptiness, isFromCamera, captions, altTexts, nearTexts, paths }: PlaceholderSources,
  clue: Clue,
): void {
  if (isFromCamera) clue(-4, 'A camera took it.');
  if (Math.min(widthPx, heightPx) < LEAST_PX) return;
  const isTold = [...captions, ...altTexts, ...nearTexts].some(
    (one) => SAMPLE_TEXT.test(one) || SAMPLE_NAMES.test(one),
  );
  const isNamed = paths.some((path) => SAMPLE_NAMES.test(inWords(path)));
  if (emptiness >= EMPTY)
    clue(isTold || isNamed ? 2 : 1, 'Next to nothing is to be seen on it: one or two tones.');
  if (emptiness < FULL) clue(-1.5, 'It is as full as a photograph.');
}

/** Tones that are told apart. */
const TONES = 24;

/** How empty a picture is: the share of it that its two commonest tones cover, 0 to 1. */
export function emptinessOf({ data }: GreyPlane): number {
  const counts = new Uint32Array(TONES);
  for (const value of data) counts[Math.min(TONES - 1, Math.floor((value * TONES) / 256))]! += 1;
  counts.sort();
  return (counts[TONES - 1]! + counts[TONES - 2]!) / data.length;
}
