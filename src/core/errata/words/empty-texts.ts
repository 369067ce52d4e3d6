/** Texts that stand in an alt attribute and say nothing of what is shown. */
import { decodePath } from '../../address/resolve-address';
import { isCameraName } from '../../picture/title-from-name';
import { primaryOf } from '../../words/languages/known-languages';
import { remembered } from '../../words/remembered';
import { wordLists, type WordList } from './word-lists';

/** In characters. No file's name or address is longer, and what looks for them takes more than its share of time in longer texts. */
const MAX_ADDRESS = 2000;
const ENDING = /.\.(?:jpe?g|jfif|png|gif|webp|avif|svg|bmp|tiff?|heic|ico)$/iu;
/** Whether a text ends as names of pictures do; of a sentence that may be so as well. */
export const endsAsFile = (text: string): boolean => text.length <= MAX_ADDRESS && ENDING.test(text.trim());

const USUAL_ENDING = /\.(?:jpe?g|png|gif|webp)$/iu;
/** An address, whole or from the root or a folder of the site on. */
const ADDRESS = /^(?:https?:\/\/)?[^\s]*\/[^\s]+\.(?:jpe?g|jfif|png|gif|webp|avif|svg|bmp)(?:\?\S*)?$/iu;
/** Nobody writes a sentence with underscores, or with hyphens and digits and no blank. */
const WRITTEN_BY_MACHINE = /^[\p{L}\d]+(?:[_-][\p{L}\d]+)+$/u;
/** Of these no person writes one as words: underscores, a pixel size, a long number, three parts with a number. */
const SURELY_BY_MACHINE =
  /^[\p{L}\d-]*[\p{L}\d]_[\p{L}\d_-]*\d[\p{L}\d_-]*$|^[\p{Ll}\d]+(?:_[\p{Ll}\d]+)+$|[-_]\d{2,4}x\d{2,4}$|[-_]\d{6,}|^[\p{Ll}\d]+(?:-[\p{Ll}\d]+){2,}$(?<=^.*[-]\d+.*$)/u;
/** How programs name what they photograph off the screen. */
const SCREEN_NAME =
  /^(?:screen ?shot|bildschirmfoto|capture d[’']écran|captura de pantalla)\s.*\d{4}|^\p{L}+ image \d{4}-\d\d/iu;

/** A number alone, as programs count what has a name already. */
const NUMBERED = /^\(?\d+\)?\.\w+$/u;

/** One word with a picture's ending, or words of which the last one is such a name: a number, or with a hyphen or an underscore in it. */
function hasEnding(text: string): boolean {
  if (!ENDING.test(text)) return false;
  const parts = text.split(/[\s/]/u);
  const last = parts.at(-1) as string;
  return (
    parts.length === 1 || (USUAL_ENDING.test(last) && (/[_-]/u.test(last.slice(1)) || NUMBERED.test(last)))
  );
}

/** What programs put around the name of a picture that they make smaller: its width, its size, another ending. */
const OF_RENDITION =
  /^\d{2,4}px-|(?:[-_](?:\d{2,5}x\d{2,5}|\d{3,4}w|thumb(?:nail)?|scaled|small|medium|large))$|\.\w{2,5}$/iu;

/** In characters. File systems take no longer name (POSIX, `NAME_MAX`), and what is taken off its ends is looked for again and again. */
const LONGEST_NAME = 255;

/**
 * A name as words: without what renditions add to it, with blanks for what stands for blanks in addresses. `''` for what no file
 * can be called.
 */
function nameInWords(name: string): string {
  if (name.length > LONGEST_NAME) return '';
  let left = name;
  for (let before = ''; before !== left;) {
    before = left;
    left = left.replace(OF_RENDITION, '');
  }
  return left
    .replace(/[-_+\s]+/gu, ' ')
    .trim()
    .toLowerCase();
}

/** Whether a text is its own file’s name with its ending, however blanks are written: a sentence may end in another’s. */
function isOwnName(text: string, address: string): boolean {
  if (!ENDING.test(text)) return false;
  const path = decodePath(address.replace(/[?#].*$/su, ''), { keepsQueries: false });
  const own = nameInWords(path.slice(path.lastIndexOf('/') + 1));
  return own !== '' && nameInWords(text) === own;
}

const isNamedSo: (text: string) => boolean = remembered(
  (text) => hasEnding(text) || ADDRESS.test(text) || SCREEN_NAME.test(text) || isCameraName(text),
);

const bareName = (path: string) => (path.split('/').at(-1) ?? path).replace(/\.\w{2,5}$/u, '');

/**
 * Whether a text is the name of a file rather than words: by its ending, by a camera’s way of naming, or word for word.
 *
 * @param address of the file that it stands with
 */
export function isFileName(text: string, address: string): boolean {
  if (text.length > MAX_ADDRESS) return false;
  if (isNamedSo(text) || isOwnName(text, address)) return true;
  if (SURELY_BY_MACHINE.test(text)) return true;
  return (
    WRITTEN_BY_MACHINE.test(text) &&
    /[_\d]/u.test(text) &&
    text.toLowerCase() === bareName(address).toLowerCase()
  );
}

/** In lower case, without marks and numbers at its ends. */
const bare = (text: string) =>
  text
    .toLowerCase()
    .replace(/^[^\p{L}]+|[^\p{L}]+$/gu, '')
    .replace(/\s+/gu, ' ');

/**
 * Whether a text says only that there is a picture (`picture`), or only of what sort it is (`sort`): “photo 3”, “poster”.
 *
 * @param language of the page
 */
export const saysOnly = (text: string, language: string | null): 'picture' | 'sort' | null =>
  saidIn(primaryOf(language))(text);

const saidIn = remembered((language) => {
  const lists = wordLists(language);
  return remembered((text) => saidBy(text, lists));
});

function saidBy(text: string, lists: readonly WordList[]): 'picture' | 'sort' | null {
  const word = bare(text);
  if (lists.some(({ generic }) => generic.includes(word))) return 'picture';
  if (lists.some(({ sortOnly }) => sortOnly.includes(word))) return 'sort';
  if (/^(\p{L})\1{2,}$/iu.test(word)) return 'picture';
  return lists.some((list) => isHollow(word, list)) ? 'picture' : null;
}

/** A word for a picture with others around it that add nothing: “a picture of”, “main image here”. */
function isHollow(text: string, { noun, filler }: WordList): boolean {
  const words = text.split(/[\s’']+/u).filter(Boolean);
  return (
    words.length <= MOST_HOLLOW &&
    words.some((word) => noun.includes(word)) &&
    words.every((word) => filler.includes(word) || noun.includes(word))
  );
}

const MOST_HOLLOW = 5;
