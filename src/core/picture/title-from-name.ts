/** A title for a picture out of what is there: its file's name where that says something, else the words around it. */

export interface TitleSources {
  readonly path: string;
  readonly widthPx: number | null;
  readonly heightPx: number | null;
  readonly captions: readonly string[];
  readonly altTexts: readonly string[];
}

export interface ProposedTitle {
  readonly title: string;
  readonly from: 'file name' | 'caption' | 'alt text';
}

const LONGEST = 80;

/** Names that cameras, phones, scanners and messengers give: a prefix and a number, or nothing but a moment. */
const CAMERA_NAME =
  /^(?:(?:img|dsc[fn]?|dscn|pict|pxl|mvi|gopr|imag|image|photo|foto|bild|scan|scn|screenshot|bildschirmfoto|capture|wa|p|r|sam|hpim|kif|cimg|dji|picture|pic|slide)[\s-]*\d[\d\s-]*(?:wa\d+)?|[\d\s-]+|[0-9a-f]{12,}|[0-9a-f-]{36})(?:\s*(?:mp|pro|burst|hdr|edit(?:ed)?))?$/iu;

/** What editors, galleries and file managers add to a name. */
const ADDED =
  /(?:[\s-]+(?:thumb(?:nail)?s?|scaled|rotated|edited|small|large|big|medium|mini|full|original|orig|copy|kopie|copie|copia|final|neu|new|web|retina|crop(?:ped)?)|\s*\(\d+\)|@\dx|[\s-]+e\d{10,}|[\s-]+v\d{1,2})$/iu;
const SIZE = /[\s-]+\d{2,5}\s?x\s?\d{2,5}$/iu;
const NUMBER = /[\s-]+(\d{1,5})$/u;
const YEAR = /^(?:19|20)\d\d$/u;

/** Words in a name that say nothing of what is shown. */
const EMPTY_WORDS =
  /^(?:banner|header|hero|background|bg|thumb|image|img|picture|photo|bild|foto|default|untitled|unnamed|unbenannt|sans titre|sin t[íi]tulo|tmp|temp|test)$/iu;

/** Words that persons and programs number as well, and short numbers. */
const NUMBERED =
  /^(?:slide|picture|pic|image|imag|photo|foto|bild|screenshot|bildschirmfoto|capture)(?!\p{L})|^[\d\s_-]{1,9}$/iu;

/** Whether a text is a name that a camera, a phone, a scanner or a messenger gives, with or without its ending. */
export function isCameraName(text: string): boolean {
  const name = spaced(text.replace(/\.\w{3,4}$/u, ''));
  return CAMERA_NAME.test(name) && !NUMBERED.test(name);
}

/** The title that is proposed for a picture, or `null` where nothing says what it is. */
export function proposeTitle(sources: TitleSources): ProposedTitle | null {
  const fromName = titleOfName(sources);
  if (fromName) return { title: fromName, from: 'file name' };
  const [caption] = sources.captions.filter(isShort);
  if (caption) return { title: tidied(caption), from: 'caption' };
  const [alt] = sources.altTexts.filter((text) => isShort(text) && !isNameOfFile(text));
  return alt ? { title: tidied(alt), from: 'alt text' } : null;
}

const isShort = (text: string) => text.trim().length >= 3 && text.trim().length <= LONGEST;
const isNameOfFile = (text: string) => /\.\w{3,4}$/u.test(text.trim()) || CAMERA_NAME.test(spaced(text));

/** What the name says once all is taken off that machines put there; `null` where nothing is left. */
function titleOfName({ path, widthPx, heightPx }: TitleSources): string | null {
  const file = decoded(path.slice(path.lastIndexOf('/') + 1)).replace(/\.\w{2,5}$/u, '');
  let name = spaced(file);
  if (CAMERA_NAME.test(name)) return null;
  for (let before = ''; before !== name;) {
    before = name;
    name = name.replace(SIZE, '').replace(ADDED, '');
    const [, number] = NUMBER.exec(name) ?? [];
    // A year says something; a width or a running number does not.
    if (
      number !== undefined &&
      !(YEAR.test(number) && Number(number) !== widthPx && Number(number) !== heightPx)
    )
      name = name.replace(NUMBER, '');
  }
  name = name.replace(/[\s-]+/gu, ' ').trim();
  if (name.replace(/[^\p{L}]/gu, '').length < 3 || EMPTY_WORDS.test(name) || CAMERA_NAME.test(name))
    return null;
  return tidied(name);
}

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    // A lone per cent sign is a character like any other.
    return text;
  }
}

/** Underscores, dots, pluses and humps are spaces; hyphens stay until the end, since additions hang on them. */
function spaced(name: string): string {
  return name
    .replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2')
    .replace(/[_.+]+/gu, ' ')
    .replace(/\s+/gu, ' ')
    .trim();
}

/** Begins with a capital and has no full stop; a name all in capitals is brought down. */
function tidied(text: string): string {
  const bare = text
    .trim()
    .replace(/\s+/gu, ' ')
    .replace(/[\s.,;:–-]+$/u, '');
  const isShouted = bare.length > 4 && bare === bare.toUpperCase();
  const words = isShouted ? bare.toLowerCase() : bare;
  return words.charAt(0).toUpperCase() + words.slice(1);
}
