/** What a picture shows, as far as its ageing goes, guessed from where it stands and what is said of it. */
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
    /(?<!\p{L})(?:portraits?|staff|crew|personnel|tutors?|teachers?|trainers?|team|headshots?|(?:our|the) people|people of|who we are|principal|director|governors?|trustees?|committee|board members?|kollegium|lehrer(?:in|innen|kollegium)?|mitarbeiter(?:innen)?|mitarbeitende|mannschaft|vorstand|beirat|ansprechpartner|[ée]quipe|professeurs?|bureau|comité|personnel|profesor(?:es|a|as)?|equipo|directora?|directiva|personal)(?!\p{L})/giu,
  'class group':
    /(?<!\p{L})(?:class(?:es)? of|class photo|class \d\p{L}?|year group|form \d|pupils|choirs?|(?:youth |school |age )?groups?|ensembles?|orchestras?|quartets?|school year|klassenfoto|klasse \d\p{L}?|jahrgang|\p{L}*gruppen?|\p{L}*chor|\p{L}*orchester|schuljahr|schulklassen?|ags?|classe de|photo de classe|groupes?|chorale|orchestre|année scolaire|clase de|foto de clase|grupos?|coro|orquesta|curso escolar)(?!\p{L})/giu,
  event:
    /(?<!\p{L})(?:concerts?|festivals?|events?|what(?:[’']s| is) on|open (?:day|house)|fairs?|fête|performances?|rehearsals?|ceremony|celebrations?|part(?:y|ies)|trips?|excursions?|outings?|match|tournaments?|races?|\p{L}*[ -]?walk|swaps?|sale|jumble|barbecue|dance|quiz night|carnival|parade|march|reunion|anniversary|apple day|(?:seedy|family|harvest) \p{L}*day|poster|flyer|\p{L}*konzert|\p{L}*feste?s?|\p{L}*feier(?:n|lichkeiten)?|\p{L}*ausflug|aufführung(?:en)?|tag der offenen tür|maibaum|advents?\p{L}*|\p{L}*markt|\p{L}*umzug|jubiläum|\p{L}*turnier|flohmarkt|plakat|f[êe]tes?|spectacles?|sorties?|kermesse|marché|bal|anniversaire|tournoi|vide-grenier|affiche|conciertos?|fiestas?|excursi[óo]n(?:es)?|mercadillo|feria|verbena|aniversario|torneo|carrera|cartel|news|archive)(?!\p{L})/giu,
  building:
    /(?<!\p{L})(?:buildings?|fa[çc]ades?|front|entrance|halls?|rooms?|classrooms?|campus|garden|playground|stairs|towers?|houses?|sheds?|huts?|barns?|cellar|basement|annexe?|extension|workshop|greenhouse|gates?|roof|courtyard|stables?|kitchen|apiary|geb[äa]ude|eingang|schulhaus|\p{L}*haus|\p{L}*häuser|hof|\p{L}*turm|keller|anbau|\p{L}*scheune|\p{L}*schuppen|\p{L}*hütte|\p{L}*halle|tor|dach|raum|räume|\p{L}*saal|b[âa]timents?|maisons?|entr[ée]e|salles?|cour|tour|cave|hangar|grange|toit|atelier|edificios?|casa|entrada|aula|salas?|patio|torre|s[óo]tano|granero|cobertizo|nave|tejado)(?!\p{L})/giu,
  product:
    /(?<!\p{L})(?:products?|shop|store|price|for sale|to buy|catalogue|cat[áa]logo|\p{L}*laden|\p{L}*shop|preise?|kaufen|waren|produits?|boutique|prix|tienda|precios?|productos?)(?!\p{L})/giu,
};

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

/** Words of the page count by how many of the pages have them: a picture in every page’s head is of none of them. */
function sourcesOf({ path, altTexts, captions, entries = [], headings, pages }: KindSources): Source[] {
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
    ...all(entries.filter((text) => !captions.includes(text)), COUNTS.entry, 'its row'),
    ...all(headings, COUNTS.heading, 'the heading above it'),
    // What follows a stroke is the name of the site, on every page.
    ...ofPages(pages.map(({ title }) => title.split(/\s[|–—·]\s/u)[0] ?? title), COUNTS.page, 'the page it stands on'),
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
    const isPerson = kind === 'portrait' && isNamedAlone(sources);
    const sum = score + (kind === 'portrait' && isUpright ? 1 : 0) + (isPerson ? NAME_ALONE : 0);
    const told = reason || (isPerson ? 'a name beside it' : '');
    if (told && sum >= LEAST && (!best || sum > best.score)) best = { kind, reason: told, score: sum };
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
