/** What points to where a picture of unknown origin comes from: each clue in words, with what it makes likely. */
import { isoDay, type Day } from '../dating/day';
import { hostOf } from './record-index';

/** What is known of the picture, by whoever looked. */
export interface OriginFacts {
  /** Its file's name, without folders. */
  readonly name: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** What the file itself says. */
  readonly embedded: {
    readonly creator?: string | undefined;
    readonly credit?: string | undefined;
    readonly copyright?: string | undefined;
    readonly source?: string | undefined;
    readonly camera?: string | undefined;
    readonly taken?: string | undefined;
  };
  /** When it was first seen on the site. */
  readonly firstSeen: { readonly day: Day; readonly page: string } | null;
  /** From which address its bytes, or those it was made from, were fetched, and when. */
  readonly fetched: { readonly address: string; readonly on: string } | null;
  /** Another host from which a page loads a picture of the same name. */
  readonly loaded: { readonly host: string; readonly page: string } | null;
  /** Other files of the same picture, or nearly, that are recorded. */
  readonly alike: readonly { readonly path: string; readonly holder: string }[];
  /** Whose the other pictures in its folder are, as far as is recorded. */
  readonly neighbours: readonly { readonly holder: string; readonly count: number }[];
  /** How many pictures in its folder nothing is recorded of. */
  readonly unrecordedNeighbours: number;
}

/** Where it likely comes from. */
type Origin = 'the organisation' | 'a picture agency' | 'somebody’s page' | 'a known holder' | 'nobody yet';

export interface OriginClue {
  readonly points: Origin;
  /** 1 weak to 3 strong. */
  readonly strength: 1 | 2 | 3;
  readonly says: string;
  /** Whom to ask what. */
  readonly ask: string;
}

const CAMERA_NAME = /^(?:img|dsc[fn]?|dscn|p\d|imgp|pict|mvi|gopr|pxl|sam|cimg|r00|_mg|_dsc)[-_]?\d{3,}/iu;
const DATED_NAME = /^\d{8}[-_]\d{6}/u;
const MESSENGER_NAME = /^(?:img|vid|photo|image)[-_]\d{8}[-_](?:wa|tg)?\d{2,}/iu;
const SCREEN_NAME = /screen[-_ ]?shot|bildschirm|capture|captura|capture d.écran/iu;
const SAVED_NAME =
  /^(?:download|image|images|unnamed|photo|untitled|index|bild|foto|imagen|téléchargement)[-_ ]?(?:\(\d+\)|\d{0,2})?\.\w+$/iu;
const HASH_NAME = /^[0-9a-f]{16,}[-_.]/iu;
const CATALOGUE_NAME = /(?:^|[-_])\d{7,12}(?:[-_.]|$)/u;
const AGENCY_WORDS =
  /(?:^|[-_ ])(?:stock|agency|preview|comp|lowres|watermark|royalty|licen[cs]ed?|rf|rm)(?:[-_ .]|$)/iu;
/** Longest sides in which shops of pictures show what they sell, in pixels. */
const PREVIEW_SIDES = new Set([400, 450, 470, 500, 600, 612, 626, 640, 1000, 1024]);
const SHARE_SHAPE = [1200, 630] as const;

/** Clues, the strongest first. There is always one: what to do where nothing points anywhere. */
export function originClues(facts: OriginFacts): OriginClue[] {
  const clues = [...fromFile(facts), ...fromName(facts), ...fromSize(facts), ...fromSite(facts)];
  const sorted = clues.sort((a, b) => b.strength - a.strength);
  if (sorted.length > 0) return sorted;
  return [
    {
      points: 'nobody yet',
      strength: 1,
      says: 'Nothing about the file or the site says where it comes from.',
      ask: 'Ask whoever keeps the page on which it stands; if nobody knows, put another picture in its place.',
    },
  ];
}

const clue = (points: Origin, strength: OriginClue['strength'], says: string, ask: string): OriginClue => ({ points, strength, says, ask }); // oxfmt-ignore

function fromFile({ embedded }: OriginFacts): OriginClue[] {
  const { creator, credit, copyright, source, camera, taken } = embedded;
  const named = [creator, credit, copyright].filter((text): text is string => Boolean(text?.trim()));
  const clues: OriginClue[] = [];
  if (named.length > 0)
    clues.push(clue('a known holder', 3, `The file names ${[...new Set(named)].join(', ')}.`, `Ask ${named[0]} whether and how it may be shown.`)); // oxfmt-ignore
  if (source?.trim())
    clues.push(
      clue('a known holder', 2, `The file says that it comes from ${source}.`, 'Look there for its terms.'),
    );
  if (camera)
    clues.push(clue('the organisation', 2, `A camera wrote into it (${camera}${taken ? `, ${taken.slice(0, 10).replaceAll(':', '-')}` : ''}): it was not taken from a web page.`, 'Ask who of you has, or had, that camera.')); // oxfmt-ignore
  return clues;
}

function fromName({ name, embedded }: OriginFacts): OriginClue[] {
  if (AGENCY_WORDS.test(name))
    return [clue('a picture agency', 2, `Its name, ${name}, has words of the picture trade.`, 'Look through the bills of that year for a picture agency.')]; // oxfmt-ignore
  if (MESSENGER_NAME.test(name))
    return [clue('the organisation', 1, `It is named as messengers name what is sent: ${name}.`, 'Ask who sent it, and who took it: that is seldom the same.')]; // oxfmt-ignore
  if (CAMERA_NAME.test(name) || DATED_NAME.test(name))
    return [clue('the organisation', 2, `It is named as a camera or telephone names its pictures: ${name}.`, 'Ask who took pictures for you at that time.')]; // oxfmt-ignore
  if (SCREEN_NAME.test(name))
    return [clue('somebody’s page', 2, `It is a picture of a screen: ${name}.`, 'What it shows belongs to whoever made that page or program: ask them.')]; // oxfmt-ignore
  if (SAVED_NAME.test(name))
    return [clue('somebody’s page', 2, `It is named as browsers name what is saved from a page: ${name}.`, 'Ask whoever put it there from which page they took it.')]; // oxfmt-ignore
  if (HASH_NAME.test(name))
    return [clue('somebody’s page', 1, 'Its name is a string of signs, as large sites give them.', 'Ask whoever put it there from which page they took it.')]; // oxfmt-ignore
  if (CATALOGUE_NAME.test(name) && !embedded.camera)
    return [clue('a picture agency', 2, `Its name carries a long number, as catalogues of pictures do: ${name}.`, 'Look through the bills of that year for a picture agency, and for that number.')]; // oxfmt-ignore
  return [];
}

function fromSize({ widthPx, heightPx, embedded }: OriginFacts): OriginClue[] {
  if (embedded.camera) return [];
  if (widthPx === SHARE_SHAPE[0] && heightPx === SHARE_SHAPE[1])
    return [clue('somebody’s page', 1, 'It has just the size in which pages offer a picture for sharing, 1200 × 630.', 'Look for the page that offers it.')]; // oxfmt-ignore
  const longest = Math.max(widthPx, heightPx);
  if (!PREVIEW_SIDES.has(longest) || widthPx === heightPx) return [];
  return [clue('a picture agency', 1, `Its longer side has ${longest} pixels, a size in which agencies show what they sell.`, 'Look through the bills; a preview may not be shown at all.')]; // oxfmt-ignore
}

function fromSite({
  fetched,
  loaded,
  firstSeen,
  alike,
  neighbours,
  unrecordedNeighbours,
}: OriginFacts): OriginClue[] {
  const clues: OriginClue[] = [];
  if (fetched)
    clues.push(clue('somebody’s page', 3, `It was fetched from ${hostOf(fetched.address)} on ${fetched.on}: ${fetched.address}`, `Look there for its terms, and ask whoever keeps ${hostOf(fetched.address)}.`)); // oxfmt-ignore
  if (loaded)
    clues.push(clue('somebody’s page', 2, `${loaded.page} loads a picture of the same name from ${loaded.host}.`, `Compare the two; if it is one picture, ask whoever keeps ${loaded.host}.`)); // oxfmt-ignore
  for (const { path, holder } of alike.slice(0, 3))
    clues.push(clue('a known holder', 3, `${path} looks the same, and is recorded as ${holder}’s.`, `Compare the two; if it is one picture, record ${holder} here as well.`)); // oxfmt-ignore
  const [most] = [...neighbours].sort((a, b) => b.count - a.count);
  const all = neighbours.reduce((sum, { count }) => sum + count, 0) + unrecordedNeighbours;
  if (most && most.count >= 3 && most.count * 2 > all)
    clues.push(clue('a known holder', 1, `${most.count} of ${all} other pictures in its folder are ${most.holder}’s.`, `Ask ${most.holder}.`)); // oxfmt-ignore
  if (firstSeen)
    clues.push(clue('nobody yet', 1, `It was first seen on ${isoDay(firstSeen.day)}, on ${firstSeen.page}.`, 'Ask who kept that page then.')); // oxfmt-ignore
  return clues;
}
