/** Words that stand in credits beside names and licences, in the languages that Ibidem reads. */

/** What a picture is called in its credit. */
const NOUNS = [
  'photo', 'photos', 'photograph', 'photographs', 'photography', 'photographer', 'photographers', 'photographed', 'photocredit', 'image', 'images', 'picture', 'pictures', 'illustration', 'illustrations', 'drawing', 'pic', 'pics',
  'foto', 'fotos', 'fotografie', 'fotografien', 'fotograf', 'fotografin', 'fotografiert', 'bild', 'bilder', 'aufnahme', 'aufnahmen', 'abbildung', 'bildquelle', 'bildnachweis', 'fotonachweis', 'zeichnung',
  'photographie', 'photographies', 'photographe', 'cliché', 'crédit', 'crédits', 'illustratrice', 'dessin',
  'fotografía', 'fotografías', 'fotógrafo', 'fotógrafa', 'imagen', 'imágenes', 'ilustración', 'crédito', 'créditos',
]; // oxfmt-ignore

/** What ties a name to it. */
const TIES = [
  'by', 'via', 'courtesy', 'of', 'from', 'credit', 'credits', 'credited', 'copyright', 'c', 'source', 'author', 'artist', 'creator', 'rights', 'taken', 'shot', 'made', 'under', 'licence', 'license', 'licensed', 'licences', 'the', 'a', 'and', 'with', 'kind', 'permission', 'used',
  'von', 'vom', 'durch', 'quelle', 'urheber', 'urheberin', 'autor', 'autorin', 'lizenz', 'lizenziert', 'unter', 'mit', 'freundlicher', 'genehmigung', 'und', 'nachweis', 'rechte',
  'par', 'de', 'du', 'des', 'auteur', 'autrice', 'source', 'sous', 'licence', 'avec', 'autorisation', 'et', 'droits', 'courtoisie',
  'por', 'del', 'autora', 'fuente', 'bajo', 'licencia', 'con', 'permiso', 'cortesía', 'y', 'derechos', 'obra',
]; // oxfmt-ignore

/** Words of licences' names. */
const LICENCE = [
  'cc', 'cc0', 'creative', 'commons', 'by', 'sa', 'nc', 'nd', 'by-sa', 'by-nc', 'by-nd', 'by-nc-sa', 'by-nc-nd', 'cc-by', 'cc-by-sa', 'cc-by-nc', 'cc-by-nd', 'cc-by-nc-sa', 'cc-by-nc-nd', 'attribution', 'sharealike', 'noncommercial', 'noderivatives', 'noderivs', 'share', 'alike', 'international', 'unported', 'generic', 'version', 'v', 'namensnennung', 'weitergabe', 'atribución', 'reconocimiento', 'partage', 'public', 'domain', 'gemeinfrei',
]; // oxfmt-ignore

/** How people are addressed. */
const ADDRESSES = ['mr', 'mrs', 'ms', 'miss', 'dr', 'prof', 'professor', 'sir', 'herr', 'frau', 'mme', 'mlle', 'sr', 'sra', 'don', 'doña']; // oxfmt-ignore

const ALL = new Set([...NOUNS, ...TIES, ...LICENCE, ...ADDRESSES]);

/** Whether a word, folded, belongs to the making of a credit, and to no name. */
export const isCreditWord = (word: string): boolean => ALL.has(word);

/** Words that add nothing to a recorded line, wherever they stand. */
const EMPTY_IN_LINES = new Set(['photo', 'photos', 'photograph', 'photographs', 'image', 'images', 'picture', 'pictures', 'by', 'via', 'courtesy', 'c', 'copyright', 'foto', 'fotos', 'bild', 'bilder', 'photographie', 'fotografie', 'fotografía', 'imagen']); // oxfmt-ignore
/** Words that do so behind one of those. */
const EMPTY_BEHIND = new Set(['of', 'von', 'par', 'de', 'por']);

/** The places of those words of a line that say something. */
export function sayingWords(words: readonly string[]): number[] {
  const saying: number[] = [];
  let wasEmpty = false;
  for (const [i, word] of words.entries()) {
    const isEmpty: boolean = EMPTY_IN_LINES.has(word) || (wasEmpty && EMPTY_BEHIND.has(word));
    if (!isEmpty) saying.push(i);
    wasEmpty = isEmpty;
  }
  return saying;
}

/** Words that tell readers that a picture was changed. */
export const TELLS_CHANGE =
  /(?<!\p{L})(?:cropped|crop|detail|cut (?:to|out|from|down)|trimmed|turned|rotated|black and white version|modified|adapted|edited|altered|changed|changes|mirrored|retouched|recolou?red|resized|based on|derived|beschnitten|gespiegelt|gedreht|zugeschnitten|ausschnitt|bearbeitet|verändert|abgewandelt|recadrée?|modifiée?|retouchée?|recoupée?|détail|adaptée?|recortad[ao]|retocad[ao]|modificad[ao]|adaptad[ao]|editad[ao])(?!\p{L})/iu;
