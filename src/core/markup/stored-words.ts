/**
 * Words about a picture that its markup keeps in an attribute: a title that shows under a mouse only, or a field from
 * which a script takes what it writes beside an enlarged picture.
 */
import type { Element } from './attribute-value';
import { collapse } from './node-text';

export interface StoredWords {
  /** Name of the attribute, lower case. */
  readonly attribute: string;
  /** At most 300 characters, without tags. */
  readonly text: string;
}

/** Data attributes that hold words for readers, by the last part of their name. */
const FIELD = /^data-(?:[a-z\d]+-)*(?:caption|title|description|desc|legend|credit|text)$/u;
const LONGEST = 300;
const MOST = 6;
/** Values of that sort are for scripts: structures, addresses, numbers, switches. */
const FOR_SCRIPTS = /^[{[#]|^\S+$|^(?:true|false)$/u;

/** The fields of an element and of the link around it, each once. */
export function storedWords(element: Element, link: Element | null): StoredWords[] {
  const found: StoredWords[] = [];
  for (const { attrs } of link ? [element, link] : [element]) {
    for (const { name, value } of attrs) {
      if (name !== 'title' && !(name.startsWith('data-') && FIELD.test(name))) continue;
      const text = collapse(value.replace(/<[^<>]*>/gu, ' ')).slice(0, LONGEST);
      if (FOR_SCRIPTS.test(text) || text === '' || found.some((one) => one.text === text)) continue;
      if (found.length < MOST) found.push({ attribute: name, text });
    }
  }
  return found;
}
