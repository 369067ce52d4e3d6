/** Words that templates leave behind, in the languages of the sites that are read; data, not rules. */
import { distance } from 'fastest-levenshtein';

/**
 * In names of files, and in titles and alt texts. A sample lesson is a lesson: such words count alone, before a number,
 * or before a word for a picture.
 */
export const SAMPLE_NAMES =
  /(?:^|[^\p{L}])(?:placeholder|place-holder|(?:sample|dummy|blank)(?=[\W_]*(?:$|\d{1,2}(?!\d)|\d{2,4}x\d{2,4}|\.|images?(?!\p{L})|img|photos?(?!\p{L})|pics?(?!\p{L})|pictures?(?!\p{L})|text|logo|banner|slide|thumb))|lorem|stock[\s_-]?photo|no[\s_-]?image|no[\s_-]?photo|no[\s_-]?picture|(?:image|photo|picture)[\s_-]?(?:is[\s_-])?(?:not[\s_-]?available|unavailable|(?:is[\s_-])?coming[\s_-]?soon)|image[\s_-]?missing|coming-?soon|default[\s_-]?(?:image|photo|picture|user|avatar|thumb(?:nail)?)|(?<=^[\s_-]?)default(?=$)|example[\s_-]?(?:image|photo|picture)|template-?(?:image|photo)|your-?(?:image|photo|logo)|spacer|untitled-?image|avatar|(?:your|ihr|votre|su|tu)[_-]?(?:image|photo|logo|bild|foto)|(?<=^\P{L}?)(?:example|exemple|ejemplo|beispiel|unbekannt(?:e|er)?|unknown|inconnue?|desconocid[oa])(?=[\s_-]?\d{1,2}(?!\d)|\P{L}*$|[\s_-](?:person|user|author|artist))|(?:demo|muster|sample|dummy|blank|avatar|default)[\s_-]?\d{1,2}(?!\d)|dem(?:n[äa]|nae)chst|bient[oô]t|pr[óo]ximamente|bild[\s_-]?fehlt|foto[\s_-]?(?:folgt|fehlt)|photo[\s_-]?to[\s_-]?follow|platzhalter|beispielbild|musterbild|symbolbild|kein[\s_-]?(?:bild|foto)(?:[\s_-]?(?:vorhanden|verf[üu]gbar))?|bild[\s_-]?(?:folgt|fehlt)|(?:image|photo)[\s_-]?d[’'\s_-]?exemple|exemple[\s_-]?image|(?:image|photo)[\s_-]?(?:non|indisponible|à venir|a venir)(?:[\s_-]?disponible)?|pas d[’']image|image-?par-?d[ée]faut|imagen?[\s_-]?de[\s_-]?(?:ejemplo|muestra)|imagen[\s_-]?no[\s_-]?disponible|sin[\s_-]?imagen|marcador)(?:$|[^\p{L}])/iu;

/** Those of them that nobody gives to a picture of their own. */
export const SURE_NAMES =
  /(?:^|[^\p{L}])(?:placeholder|place-holder|platzhalter(?:bild)?|marcador|lorem|no[\s_-]?(?:image|photo|picture)|beispielbild|musterbild|kein[\s_-]?(?:bild|foto)|sin[\s_-]?imagen|coming[\s_-]?soon|default[\s_-]?(?:image|photo|picture)|(?:dummy|sample)[\s_-]?(?:image|photo|pic|picture|img)|(?:your|ihr|votre|tu)[\s_-]?(?:image|photo|logo|bild|foto)|stock[\s_-]?photo|bild[\s_-]?(?:folgt|fehlt)|foto[\s_-]?(?:folgt|fehlt)|image-?par-?d[ée]faut|imagen?[\s_-]?de[\s_-]?(?:ejemplo|muestra))(?:$|[^\p{L}])/iu;

/** Names that say no more than that there is a picture, with a number. */
export const BARE_NAMES =
  /^(?:image|img|picture|pic|photo|slide|banner|bild|foto|imagen)[\s_-]?\d{0,3}\.\w+$/iu;

/** In captions and text around a picture. */
export const SAMPLE_TEXT =
  /lorem ipsum|dolor sit amet|caption goes here|^\s*(?:image|picture|photo|figure) (?:caption|title|description)\s*$|(?<!\p{L})(?:add|insert|place|put|type|write|enter) (?:a |an |your |the )?(?:image|picture|photo|caption|alt(?:ernative)? text|text|title|description)s?(?: (?:caption|title|description|alt text|text))?(?: (?:of|for|to) (?:the|your|this) (?:image|picture|photo))?(?: here)?(?=\W*$|\s*[.!…:;)\]]|\s+–)|(?<!\p{L})your (?:text|caption|title|image|photo) (?:goes )?here|click to edit|sample (?:text|caption|title)|title of (?:the )?(?:image|picture)|bildunterschrift (?:hier|einf[üu]gen)|(?:text|bild) (?:hier )?einf[üu]gen|beispieltext|(?:bild|alt)?beschreibung (?:hier )?einf[üu]gen|alternativtext (?:hier|einf[üu]gen)|alt(?:ernative)? text (?:goes )?here|texte alternatif ici|titre de l[’']image|description de l[’']image|texto alternativo aqu[íi]|t[íi]tulo de la imagen|descripci[óo]n de la imagen|ins[ée]rez (?:une|votre|le)|votre texte ici|l[ée]gende ici|texto de ejemplo|inserte (?:una|su|el)|pie de foto aqu[íi]/iu;

/** A pixel size written out, as in `600x400`. */
export const WRITTEN_SIZE = /(\d{2,5})\s?[x×]\s?(\d{2,5})/u;

/** Drawn within a picture in place of one; told of the whole of what it says. */
export const PROMPT_IN_PICTURE =
  /^\W*(?:(?:image|picture|photo|foto|bild|imagen|fotografía)s?\W*(?:not (?:yet )?available|unavailable|coming soon|to follow|to come|here|missing|folgt|fehlt|in kürze|in vorbereitung|in preparation|en préparation|en preparación|pending|kommt|in arbeit|à venir|non disponible|bientôt|manquante|pr[óo]ximamente|no disponible|pendiente|aquí)?|(?:not yet|noch|encore|aún|todavía)?\s?(?:no|kein|sin|pas d[e’'])\s?(?:image|picture|photo|bild|foto|imagen)(?: (?:available|vorhanden|verfügbar|disponible))?|(?:bild|foto) folgt in kürze|coming soon|demnächst|bientôt disponible|pr[óo]ximamente|(?:your|ihr|votre|su|tu)\s?(?:logo|image|photo|picture|text|headline|title|bild|foto|titre|texte|título|texto|imagen|name|banner|ad)(?: (?:here|hier|ici|aquí))?(?:\W+your \w+ here)?|(?:sample|placeholder|platzhalter|muster|beispiel(?:bild)?|exemple|ejemplo|muestra|dummy|specimen|preview only)|logo(?: here)?|slide \d|banner|header|text (?:here|hier)|headline)\W*$/iu;
/** Filler text, wherever it stands within. */
export const FILLER_IN_PICTURE =
  /lorem\s+ipsum|ipsum\s+dolor|dolor\s+sit|consectetur|your (?:headline|text|title) (?:goes )?here|ihr text hier|votre texte ici|su texto aquí/iu;
/** Nothing but a pixel size. */
export const SIZE_IN_PICTURE = /^\W*\d{2,4}\s*[x×X*]\s*\d{2,4}\s*(?:px|pixels?)?\W*$/u;
/** That there is none on purpose. */
export const NO_PICTURE_WISHED =
  /(?<!\p{L})(?:own (?:wish|request)|prefers? not|asked not|wunsch|möchte nicht|demande|souhait|deseo|petición|prefiere no|by request)(?!\p{L})/iu;
/** A row that begins with what should stand there, and goes on in the same way. */
export const UNFILLED_BEGINNING =
  /^\W*(?:name|vorname|nom|nombre|title|titel|titre|título)\s+(?:here|hier|ici|aquí|surname|nachname|prénom|apellidos?)\b.{0,60}$/iu;
/**
 * Words by which a text speaks of what a sign is made of: then it was drawn on purpose. Parts of drawings, of lessons, of
 * riddles, of charts of colours, of games.
 */
export const SPEAKS_OF_SIGN =
  /(?<!\p{L})(?:outlines?|silhouettes?|umriss\p{L}*|schattenriss\p{L}*|contours?|siluetas?|contornos?|frames?|rahmen|cadres?|marcos?|wires?|seile?|cables?|brac(?:e|es|ing)|streben?|cross(?:es|ed)?|kreuz\p{L}*|crois\p{L}*|cruz\p{L}*|diagonals?|hills?|hügel|collines?|colinas?|mountains?|berge?|montagnes?|montañas?|sun|sonne|soleil|sol|sketch(?:es)?|\p{L}*skizzen?|croquis|bocetos?|drawings?|\p{L}*zeichnung(?:en)?|dessins?|dibujos?|diagrams?|scales?|skala|échelle|escala|paints?|farben?|\p{L}*farbtafel\p{L}*|lack|couleurs?|peinture|colou?rs?|pintura|ral|swatch(?:es)?|chess\p{L}*|schach\p{L}*|échiquier|ajedrez|checker\p{L}*|marks?|monogramm?e?s?|initialen?|letters?|buchstaben?|lettres?|letras?|signs?|zeichen|signes?|signos?|symbole?s?|quiz|rätsel|guess|riddle|devinette|adivina|mystery|templates?|vorlagen?|modèles?|plantillas?|measures?|\p{L}*maß(?:e|en)?|mesures?|medidas?|dimensions?|mm|cm|kameras?|cameras?|appareils? photo|cámaras?|fragezeichen|question marks?|points? d[’']interrogation|stripes?|streifen|schraff\p{L}*|hatching|rayures|rayas|who is|wer ist|qui est|quién es)(?!\p{L})/iu;
/** Words that a template writes into a row until somebody fills it in. */
const ROW_WORDS =
  '(?:first |last |full |your )?names?|surname|vor(?:- und nach)?name|nachname|nom|prénom|nombre|apellidos?|name der person|title|titel|titre|título|heading|headline|überschrift|role|rolle|funktion|fonction|función|cargo|puesto|poste|position|job title|function|text|texte|texto|beschreibung|description|descripción|hier|here|ici|aquí|e-?mail|correo|telefon|phone|téléphone|teléfono|amt';
const JOINED = '\\s*(?:[,–—|/:·-]|(?<!\\p{L})(?:and|und|et|y|&)(?!\\p{L}))?\\s*';
/** A row of nothing else. */
export const UNFILLED_ROW = new RegExp(`^\\W*(?:${ROW_WORDS})(?:${JOINED}(?:${ROW_WORDS}))*\\W*$`, 'iu');
/** Names that stand for anybody in forms and templates, with what may follow in the row. */
export const NOBODYS_NAME =
  /(?<!\p{L})(?:\p{L}+ muster(?:mann|frau)|john doe|jane doe|john q\.? public|fulan[oa] de tal|monsieur untel|madame unetelle)(?!\p{L})/iu;

/** What a sign in place of a picture says, word by word and without accents: readers of letters lose those. */
const PROMPT_WORDS = {
  nouns:
    'image images photo photos picture pictures bild bilder foto fotos imagen imagenes fotografia fotografie photographie logo headline title titel titre titulo text texte texto banner',
  states:
    'coming soon follow follows available unavailable missing pending here preparation folgt fehlt kurze kuerze vorbereitung vorhanden verfugbar verfuegbar hier demnachst kommt venir indisponible disponible bientot prochainement manquante manquant ici attente proximamente pendiente falta aqui preparacion',
  owners: 'your ihr euer votre ton su tu sponsor sponsors partner partenaire patrocinador',
  small:
    'yet none is to be in on noch es konnte stehen wird non de d une un la le les en encore aun el a goes y',
};
const [NOUNS, STATES, OWNERS, SMALL_WORDS] = [
  PROMPT_WORDS.nouns,
  PROMPT_WORDS.states,
  PROMPT_WORDS.owners,
  PROMPT_WORDS.small,
].map((words) => words.split(' ')) as [string[], string[], string[], string[]];
/** In a word of so many letters one may have been read for another. */
const FORGIVEN = 5;
const FORGIVEN_NOUN = 4;
/** German joins what is to be seen to the picture. */
const COMPOUND = /.{3}(?:bild|foto)$/u;
const NEGATIONS = /^(?:no|not|kein|keine|sin|pas|sans)$/u;
const MOST_PROMPT_WORDS = 7;

/** Whether what was read in a picture is nothing but a prompt: that a picture is to come, or whose logo may stand there. */
export function isPromptRead(read: string): boolean {
  const words = withoutAccents(read).split(' ').filter(Boolean);
  if (words.length === 0 || words.length > MOST_PROMPT_WORDS) return false;
  const sorts = words.map((word) => {
    if (COMPOUND.test(word) || NOUNS.some((one) => isNearly(word, one, FORGIVEN_NOUN))) return 'noun';
    if (STATES.some((one) => isNearly(word, one, FORGIVEN))) return 'state';
    if (OWNERS.includes(word)) return 'owner';
    if (NEGATIONS.test(word)) return 'none';
    return SMALL_WORDS.includes(word) ? 'small' : 'other';
  });
  const has = (sort: (typeof sorts)[number]) => sorts.includes(sort);
  if (has('other')) return false;
  if (has('noun')) return has('state') || has('owner') || has('none');
  return has('state') && (words.length >= LEAST_PROMPT_WORDS || LONE_STATES.test(words.join(' ')));
}

/** A word alone, such as “here”, may be on a map. */
const LEAST_PROMPT_WORDS = 2;
const LONE_STATES =
  /^(?:unavailable|pending|demnachst|bientot|prochainement|pr.ximamente|pendiente|indisponible)$/u;

const isNearly = (word: string, known: string, forgiven: number): boolean =>
  word === known || (known.length >= forgiven && distance(word, known) <= 1);

const withoutAccents = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
