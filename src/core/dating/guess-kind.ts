/** What a picture shows, as far as its ageing goes, guessed from where it stands and what is said of it. */
import { everyMatch } from '../words/every-match';
import { KIND_WORDS } from './kind-words';
import type { Precision } from './date-mentions';
import type { PictureKind } from './shelf-life';

export interface KindSources {
  readonly path: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly altTexts: readonly string[];
  readonly captions: readonly string[];
  /** What its rows and cards say. */
  readonly entries?: readonly string[];
  readonly headings: readonly string[];
  /** How exactly its captions and alt texts name a time. */
  readonly times?: readonly Precision[];
  readonly pages: readonly { readonly path: string; readonly title: string }[];
}

export interface KindGuess {
  readonly kind: PictureKind;
  /** What it was guessed from, in words. */
  readonly reason: string;
}

/** Four points of a name alone as alt text: nothing else is so surely a portrait. */
const NAME_ALONE = 4;
const NAME =
  /^\p{Lu}[\p{L}’'-]+(?:\s+(?:von|van|de|der|den|du|la|le|del)\s?)?(?:\s+\p{Lu}[\p{L}’'.-]+){1,2}$/u;

/** Whether an alt text is a person's name, and the row or caption begins with it. */
function isNamedAlone({ altTexts, captions, entries = [] }: KindSources): boolean {
  const beside = [...captions, ...entries];
  return altTexts.some(
    (alt) => NAME.test(alt.trim()) && beside.some((text) => text.trim().startsWith(alt.trim())),
  );
}

/** What each source counts: the words nearest to the picture most. */
const COUNTS = { name: 3, alt: 3, caption: 3, entry: 2, heading: 1.5, section: 2, page: 1 } as const;
const LEAST = 2;

/** Words after which follows not what is shown but where or when: “a viola in the practice room”. */
const ASIDE =
  /(?:\p{L}\s+(?:in|at|on|to|by|beside|through|along|around|towards|behind|before|under|over|from|near|outside|inside|of the|of our|im|am|an|zu[mr]?|bei|durch|vor|hinter|neben|unter|auf|aus|dans|sur|sous|devant|derri[èe]re|chez|vers|[àa]u?|aux|en|sobre|bajo|ante|desde|hacia|hasta|junto al?)|(?<!\p{L})(?:where|during|while|wo|während|où|pendant|donde|durante))\s[^,;:.–]*$/iu;
const ASIDE_SHARE = 0.5;

interface Source {
  readonly count: number;
  readonly text: string;
  /** Where it stands, in words. */
  readonly where: string;
  /** Whether each page counts for itself; of alt texts, captions and headings the same word counts once. */
  readonly isOfPage?: boolean;
}

/** A file that is final is the last of several versions, unless its name speaks of a contest. */
const LAST_VERSION =
  /(?<!(?:cup|semi|quarter|half|league|match|grand|junior|senior|tennis|football|hockey|chess|tournament|pokal|halb|viertel)[-_ ]?)[-_ ]final(?=[-_ ]?\d*\.\w+$)/iu;

/** Words of the page count by how many of the pages have them: a picture in every page’s head is of none of them. */
function sourcesOf({ path, altTexts, captions, entries = [], headings, pages }: KindSources): Source[] {
  const name = path
    .slice(path.lastIndexOf('/') + 1)
    .replace(LAST_VERSION, '')
    .replace(/[-_.\d]+/gu, ' ');
  const all = (texts: readonly string[], count: number, where: string) =>
    texts.map((text) => ({ count, text, where }));
  const section = ({ path: page }: (typeof pages)[number]) =>
    page.slice(0, Math.max(0, page.indexOf('/'))).replace(/[-_]+/gu, ' ');
  const ofPages = (texts: readonly string[], count: number, where: string) =>
    texts.map((text) => ({ count: count / pages.length, text, where, isOfPage: true }));
  return [
    { count: COUNTS.name, text: name, where: 'its name' },
    ...all(altTexts, COUNTS.alt, 'its alt text'),
    ...all(captions, COUNTS.caption, 'its caption'),
    ...all(entries.filter((text) => !captions.includes(text)), COUNTS.entry, 'its row'),
    ...all(headings, COUNTS.heading, 'the heading above it'),
    // What follows a stroke is the name of the site, on every page.
    ...ofPages(pages.map(({ title }) => title.split(/\s[|–—·]\s/u)[0] ?? title), COUNTS.page, 'the page it stands on'),
    ...ofPages(pages.map(section), COUNTS.section, 'the section it stands in'),
  ]; // oxfmt-ignore
}

/** Long side, in pixels, below which a picture shows nobody and nothing: it is an icon. */
const LEAST_PX = 64;

/** The likeliest kind with its reason, or `null` where nothing tells, and of an icon. */
export function guessKind(sources: KindSources): KindGuess | null {
  if (Math.max(sources.widthPx, sources.heightPx) < LEAST_PX) return null;
  const all = sourcesOf(sources);
  const isUpright = sources.heightPx > sources.widthPx * 1.1;
  let best: (KindGuess & { readonly score: number }) | null = null;
  for (const [kind, pattern] of Object.entries(KIND_WORDS) as [PictureKind, RegExp][]) {
    const { score, reason } = scored(pattern, all);
    const isPerson = kind === 'portrait' && isNamedAlone(sources);
    const dated = datedAs(kind, sources.times ?? []);
    const sum = score + (kind === 'portrait' && isUpright ? 1 : 0) + (isPerson ? NAME_ALONE : 0) + dated;
    const told = reason || (isPerson ? 'a name beside it' : dated > 0 ? 'the time that its words name' : '');
    if (told && sum >= LEAST && (!best || sum > best.score)) best = { kind, reason: told, score: sum };
  }
  return best && { kind: best.kind, reason: best.reason };
}

/** Whoever names the day shows what was on it; a school year is named under those who were together in it. */
function datedAs(kind: PictureKind, times: readonly Precision[]): number {
  if (kind === 'class group') return times.includes('school-year') ? LEAST : 0;
  return kind === 'event' && times.some((one) => one === 'day' || one === 'season') ? LEAST : 0;
}

/** How much the sources speak for a kind; the same word in several alt texts, or in several captions, counts once. */
function scored(pattern: RegExp, sources: readonly Source[]): { score: number; reason: string } {
  const seen = new Set<string>();
  let score = 0;
  let strongest = 0;
  let reason = '';
  for (const { count, text, where, isOfPage } of sources) {
    for (const match of everyMatch(pattern, text)) {
      const key = `${where} ${match[0].toLowerCase()}`;
      if (seen.has(key)) continue;
      if (!isOfPage) seen.add(key);
      const weight = count * (ASIDE.test(text.slice(0, match.index)) ? ASIDE_SHARE : 1);
      score += weight;
      if (weight <= strongest) continue;
      strongest = weight;
      reason = `“${match[0]}” in ${where}`;
    }
  }
  return { score, reason };
}
