/** Texts that stand in an alt attribute and say nothing of what is shown. */
import { isCameraName } from '../../picture/title-from-name';
import { wordLists } from './word-lists';

const ENDING =
  /^[^\s/]+\.(?:jpe?g|jfif|png|gif|webp|avif|svg|bmp|tiff?|heic|ico)$|[^\s/]+[_-][^\s/]*\.(?:jpe?g|png|gif|webp)$/iu;
/** Nobody writes a sentence with underscores, or with hyphens and digits and no blank. */
const WRITTEN_BY_MACHINE = /^[\p{L}\d]+(?:[_-][\p{L}\d]+)+$/u;

const bareName = (path: string) => (path.split('/').at(-1) ?? path).replace(/\.\w{2,5}$/u, '');

/**
 * Whether a text is the name of a file rather than words: by its ending, by a camera’s way of naming, or word for word.
 *
 * @param address of the file that it stands with
 */
export function isFileName(text: string, address: string): boolean {
  if (ENDING.test(text) || isCameraName(text)) return true;
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
export function saysOnly(text: string, language: string | null): 'picture' | 'sort' | null {
  const word = bare(text);
  const lists = wordLists(language);
  if (lists.some(({ generic }) => generic.includes(word))) return 'picture';
  return lists.some(({ sortOnly }) => sortOnly.includes(word)) ? 'sort' : null;
}
