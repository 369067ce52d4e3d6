/** What a picture shows, as far as its ageing goes, guessed from where it stands and what is said of it. */
import type { PictureKind } from './shelf-life';

export interface KindSources {
  readonly path: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly altTexts: readonly string[];
  readonly captions: readonly string[];
  readonly headings: readonly string[];
  readonly pages: readonly { readonly path: string; readonly title: string }[];
}

export interface KindGuess {
  readonly kind: PictureKind;
  /** What it was guessed from, in words. */
  readonly reason: string;
}

/** Words of each kind, in English, German, French and Spanish, as they begin. */
const WORDS: Readonly<Record<Exclude<PictureKind, 'evergreen'>, RegExp>> = {
  portrait:
    /(?<!\p{L})(?:portraits?|staff|tutors?|teachers?|team|headshots?|our people|principal|director|governors?|trustees?|kollegium|lehrer(?:in|innen)?|mitarbeiter|vorstand|[ée]quipe|professeurs?|profesor(?:es|a|as)?|equipo|directora?)(?!\p{L})/giu,
  'class group':
    /(?<!\p{L})(?:class(?:es)? of|class photo|class \d|year group|form \d|pupils|choirs?|groups?|ensembles?|orchestras?|quartets?|klassenfoto|klasse \d|jahrgang|gruppe|chor|orchester|classe de|photo de classe|groupe|chorale|orchestre|clase de|foto de clase|grupo|coro|orquesta)(?!\p{L})/giu,
  event:
    /(?<!\p{L})(?:concerts?|festivals?|open (?:day|house)|fair|performances?|rehearsals?|ceremony|celebration|party|trip|excursion|match|tournament|poster|flyer|konzert|fest|feier|ausflug|aufführung|plakat|f[êe]te|spectacle|sortie|affiche|concierto|fiesta|excursi[óo]n|cartel|news|archive)(?!\p{L})/giu,
  building:
    /(?<!\p{L})(?:buildings?|fa[çc]ades?|front|entrance|hall|rooms?|classrooms?|campus|garden|playground|stairs|tower|house|geb[äa]ude|eingang|schulhaus|raum|saal|b[âa]timent|entr[ée]e|salle|cour|edificio|entrada|aula|sala|patio)(?!\p{L})/giu,
  product:
    /(?<!\p{L})(?:products?|shop|store|price|for sale|to buy|catalogue|cat[áa]logo|preis|kaufen|produits?|boutique|prix|tienda|precio)(?!\p{L})/giu,
};

/** What each source counts: the words nearest to the picture most. */
const COUNTS = { name: 3, alt: 3, caption: 3, heading: 1.5, section: 2, page: 1 } as const;
const LEAST = 2;

/** Words after which follows not what is shown but where or when: “a viola in the practice room”. */
const ASIDE =
  /(?:\p{L}\s+(?:in|at|on|by|beside|behind|before|under|over|from|near|outside|inside|im|am|an|bei|vor|hinter|neben|unter|auf|aus|dans|sur|sous|devant|derri[èe]re|chez|[àa]u?|aux|en|sobre|bajo|ante|desde)|(?<!\p{L})(?:where|during|while|wo|während|où|pendant|donde|durante))\s[^,;:.–]*$/iu;
const ASIDE_SHARE = 0.5;

interface Source {
  readonly count: number;
  readonly text: string;
  /** Where it stands, in words. */
  readonly where: string;
  /** Whether each page counts for itself; of alt texts, captions and headings the same word counts once. */
  readonly isOfPage?: boolean;
}

/** Words of the page count by how many of the pages have them: a picture in every page’s head is of none of them. */
function sourcesOf({ path, altTexts, captions, headings, pages }: KindSources): Source[] {
  const name = path.slice(path.lastIndexOf('/') + 1).replace(/[-_.\d]+/gu, ' ');
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
    ...all(headings, COUNTS.heading, 'the heading above it'),
    ...ofPages(pages.map(({ title }) => title), COUNTS.page, 'the page it stands on'),
    ...ofPages(pages.map(section), COUNTS.section, 'the section it stands in'),
  ]; // prettier-ignore
}

/** Long side, in pixels, below which a picture shows nobody and nothing: it is an icon. */
const LEAST_PX = 64;

/** The likeliest kind with its reason, or `null` where nothing tells, and of an icon. */
export function guessKind(sources: KindSources): KindGuess | null {
  if (Math.max(sources.widthPx, sources.heightPx) < LEAST_PX) return null;
  const all = sourcesOf(sources);
  const isUpright = sources.heightPx > sources.widthPx * 1.1;
  let best: (KindGuess & { readonly score: number }) | null = null;
  for (const [kind, pattern] of Object.entries(WORDS) as [PictureKind, RegExp][]) {
    const { score, reason } = scored(pattern, all);
    const sum = score + (kind === 'portrait' && isUpright ? 1 : 0);
    if (reason && sum >= LEAST && (!best || sum > best.score)) best = { kind, reason, score: sum };
  }
  return best && { kind: best.kind, reason: best.reason };
}

/** How much the sources speak for a kind; the same word in several alt texts, or in several captions, counts once. */
function scored(pattern: RegExp, sources: readonly Source[]): { score: number; reason: string } {
  const seen = new Set<string>();
  let score = 0;
  let strongest = 0;
  let reason = '';
  for (const { count, text, where, isOfPage } of sources) {
    for (const match of text.matchAll(pattern)) {
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
