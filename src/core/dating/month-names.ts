/** Names of months in the languages whose pages are read for dates, by their first letters; data, not rules. */
const MONTHS: readonly (readonly string[])[] = [
  ['january', 'jan', 'januar', 'jänner', 'janvier', 'janv', 'enero', 'ene'],
  ['february', 'feb', 'februar', 'feber', 'février', 'fevrier', 'févr', 'febrero'],
  ['march', 'mar', 'märz', 'maerz', 'mrz', 'mars', 'marzo'],
  ['april', 'apr', 'avril', 'avr', 'abril', 'abr'],
  ['may', 'mai', 'mayo'],
  ['june', 'jun', 'juni', 'juin', 'junio'],
  ['july', 'jul', 'juli', 'juillet', 'juil', 'julio'],
  ['august', 'aug', 'août', 'aout', 'agosto', 'ago'],
  ['september', 'sep', 'sept', 'septembre', 'septiembre', 'setiembre'],
  ['october', 'oct', 'oktober', 'okt', 'octobre', 'octubre'],
  ['november', 'nov', 'novembre', 'noviembre'],
  ['december', 'dec', 'dezember', 'dez', 'décembre', 'decembre', 'déc', 'diciembre', 'dic'],
];

const NUMBER = new Map(MONTHS.flatMap((names, i) => names.map((name) => [name, i + 1] as const)));

/** The month that a word names, 1 to 12, or `null`. */
export function monthOf(word: string): number | null {
  return NUMBER.get(word.toLowerCase()) ?? null;
}

/** A pattern that any of the names fits. */
export const MONTH_PATTERN = [...NUMBER.keys()].sort((a, b) => b.length - a.length).join('|');

/** Words for seasons, with the first and last month of each, as meteorologists count; winter ends in the year after. */
export const SEASONS: ReadonlyMap<string, readonly [number, number]> = new Map<
  string,
  readonly [number, number]
>([
  ...['spring', 'frühling', 'frühjahr', 'printemps', 'primavera'].map((w) => [w, [3, 5]] as const),
  ...['summer', 'sommer', 'été', 'verano'].map((w) => [w, [6, 8]] as const),
  ...['autumn', 'herbst', 'automne', 'otoño'].map((w) => [w, [9, 11]] as const),
  ...['winter', 'hiver', 'invierno'].map((w) => [w, [12, 14]] as const),
  ...['christmas', 'weihnachten', 'noël', 'navidad'].map((w) => [w, [11, 13]] as const),
]);

/** Words before a year that make it a beginning, an end or a founding, not the time of a picture. */
export const NOT_THE_TIME =
  /(?<!\p{L})(?:since|planted(?: in)?|made(?: in)?|cast(?: in)?|won(?: in)?|printed(?: in)?|published(?: in)?|bought(?: in)?|model(?: of)?|year of construction:?|(?:lot|plot|room|medal|coin|bell|book|chronicle|recipe|calendar|edition|stamp|plate|pump|engine|sheet|no\.?|number|inventory)(?: of| for)?|lote|posten|parzelle|raum|salle|parcelle|aula|sala|baujahr:?|jahrgang|gepflanzt|gegossen|gedruckt|gekauft|modell|\p{L}*(?:medaille|münze|glocke|chronik|buch|rezept|kalender|ausgabe|spritze|pumpe|blatt|nummer|inventar)(?: von| des jahres| für)?|nr\.?|planté(?: en)?|fabriqué(?: en)?|coulée?(?: en)?|millésime|modèle|(?:médaille|pièce|cloche|livre|chronique|recette|calendrier|numéro|n°)(?: de)?|plantad[oa](?: en)?|fabricad[oa](?: en)?|modelo(?: de)?|(?:medalla|moneda|campana|libro|crónica|receta|calendario|número|nº)(?: de)?|until|till|from|before|after|founded(?: in)?|established(?: in)?|built(?: in)?|born(?: in)?|est\.?|as in|©|copyright|\(c\)|seit|bis|ab|vor|nach|gegründet|erbaut|geboren|depuis|jusqu[’']?(?:en|à)|avant|après|fondée?(?: en)?|né(?:e)?(?: en)?|desde|hasta|antes de|fundad[oa](?: en)?|nacid[oa](?: en)?)\s*$/iu;
