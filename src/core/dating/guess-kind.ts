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
    /(?<!\p{L})(?:class(?:es)? of|class photo|class \d|year group|form \d|pupils|choirs?|group photo|klassenfoto|klasse \d|jahrgang|chor|classe de|photo de classe|chorale|clase de|foto de clase|coro)(?!\p{L})/giu,
  event:
    /(?<!\p{L})(?:concerts?|festivals?|open (?:day|house)|fair|performances?|rehearsals?|ceremony|celebration|party|trip|excursion|match|tournament|poster|flyer|konzert|fest|feier|ausflug|aufführung|plakat|f[êe]te|spectacle|sortie|affiche|concierto|fiesta|excursi[óo]n|cartel|news|archive)(?!\p{L})/giu,
  building:
    /(?<!\p{L})(?:buildings?|fa[çc]ades?|front|entrance|hall|rooms?|classrooms?|campus|garden|playground|stairs|tower|house|geb[äa]ude|eingang|schulhaus|raum|saal|b[âa]timent|entr[ée]e|salle|cour|edificio|entrada|aula|sala|patio)(?!\p{L})/giu,
  product:
    /(?<!\p{L})(?:products?|shop|store|price|for sale|to buy|menu|catalogue|cat[áa]logo|preis|kaufen|produits?|boutique|prix|tienda|precio)(?!\p{L})/giu,
};

/** What each source counts: the words nearest to the picture most. */
const COUNTS = { name: 3, alt: 3, caption: 3, heading: 1.5, section: 2, page: 1 } as const;
const LEAST = 2;

/** The likeliest kind with its reason, or `null` where nothing tells. */
export function guessKind(sources: KindSources): KindGuess | null {
  const name = sources.path.slice(sources.path.lastIndexOf('/') + 1).replace(/[-_.\d]+/gu, ' ');
  const texts: [keyof typeof COUNTS, string, string][] = [
    ['name', name, 'its name'],
    ...sources.altTexts.map((text): [keyof typeof COUNTS, string, string] => ['alt', text, 'its alt text']),
    ...sources.captions.map((text): [keyof typeof COUNTS, string, string] => [
      'caption',
      text,
      'its caption',
    ]),
    ...sources.headings.map((text): [keyof typeof COUNTS, string, string] => [
      'heading',
      text,
      'the heading above it',
    ]),
    ...sources.pages.map(({ title }): [keyof typeof COUNTS, string, string] => [
      'page',
      title,
      'the page it stands on',
    ]),
    ...sources.pages.map(({ path }): [keyof typeof COUNTS, string, string] => [
      'section',
      path.slice(0, Math.max(0, path.indexOf('/'))).replace(/[-_]+/gu, ' '),
      'the section it stands in',
    ]),
  ];
  let best: { kind: PictureKind; score: number; reason: string } | null = null;
  for (const [kind, pattern] of Object.entries(WORDS) as [PictureKind, RegExp][]) {
    const seen = new Set<string>();
    let score = kind === 'portrait' && sources.heightPx > sources.widthPx * 1.1 ? 1 : 0;
    let reason = '';
    for (const [source, text, where] of texts) {
      for (const [word] of text.matchAll(pattern)) {
        const key = `${source} ${word.toLowerCase()}`;
        if (seen.has(key)) continue;
        seen.add(key);
        score += COUNTS[source];
        if (reason === '') reason = `“${word}” in ${where}`;
      }
    }
    if (reason !== '' && score >= LEAST && (!best || score > best.score)) best = { kind, score, reason };
  }
  return best && { kind: best.kind, reason: best.reason };
}
