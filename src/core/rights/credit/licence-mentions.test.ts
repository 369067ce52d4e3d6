/** Licences as texts and links name them, and what is only like it. */
import { describe, expect, it } from 'vitest';
import { catalogued, type CommonsLicence } from '../licences';
import { textAlone, type CreditText } from './credit-text';
import { idOfDeed, namesAnyLicence, namesLicence } from './licence-mentions';

const commons = (id: string): CommonsLicence => {
  const found = catalogued(id)?.commons;
  if (!found) throw new Error(`${id} is not in the catalogue`);
  return found;
};

describe.each<[id: string, named: readonly string[], not: readonly string[]]>([
  [
    'CC-BY-4.0',
    ['CC BY 4.0', 'CC-BY-4.0', 'cc by 4', 'CCBY4.0', '(cc) by 4.0', 'CC BY v4.0', 'CC BY, version 4.0', 'CC BY 4.0 International', 'Creative Commons Attribution 4.0', 'Creative Commons BY 4.0', 'Creative Commons Licence Attribution 4.0', 'Creative Commons Attribution (CC BY) 4.0', 'Namensnennung 4.0 International', 'Atribución 4.0 Internacional', 'CC BY 4,0'],
    ['CC BY', 'CC BY 3.0', 'CC BY-SA 4.0', 'CC BY 4.5', 'CC BY 40', 'CC BY 2004', 'CC0 1.0', 'by 4.0', 'Attribution: Ann Lee', 'CC BY 4.0 Germany'],
  ],
  [
    'CC-BY-SA-3.0',
    ['CC BY-SA 3.0', 'CC-BY-SA-3.0', 'BY-SA 3.0', 'CC BY SA 3.0', 'CC BY-SA 3.0 Unported', 'Creative Commons Attribution-ShareAlike 3.0', 'Creative Commons Attribution Share Alike 3.0', 'Namensnennung – Weitergabe unter gleichen Bedingungen 3.0', 'Attribution - Partage dans les mêmes conditions 3.0', 'Attribution - Partage à l’identique 3.0', 'Atribución-CompartirIgual 3.0', 'CC BY–SA 3.0'],
    ['CC BY 3.0', 'CC BY-SA 4.0', 'CC BY-NC-SA 3.0', 'CC BY-SA 3.0 DE', 'CC BY-SA 3.0 Deutschland', 'CC BY-Sandra 3.0'],
  ],
  [
    'CC-BY-NC-ND-3.0-DE',
    ['CC BY-NC-ND 3.0', 'CC BY-NC-ND 3.0 DE', 'CC BY-NC-ND 3.0 Germany', 'CC BY-NC-ND 3.0 (Deutschland)', 'CC BY-ND-NC 3.0', 'Namensnennung-Nicht kommerziell-Keine Bearbeitungen 3.0 Deutschland', 'Attribution-NonCommercial-NoDerivs 3.0 Germany'],
    ['CC BY-NC-ND 3.0 AT', 'CC BY-NC-ND 3.0 Unported', 'CC BY-NC 3.0 DE', 'CC BY-NC-ND 4.0 DE'],
  ],
])('%s', (id, named, not) => {
  it.each(named)('is named by “%s”', (text) => {
    expect(namesLicence(textAlone(text), commons(id))).toBe(true);
  });
  it.each(not)('is not named by “%s”', (text) => {
    expect(namesLicence(textAlone(text), commons(id))).toBe(false);
  });
}); // oxfmt-ignore

/** A text in which what stands in square brackets is linked. */
function linked(written: string, ...hrefs: readonly string[]): CreditText {
  let text = '';
  const links: { href: string; start: number; end: number }[] = [];
  for (const part of written.split(/(\[[^\]]*\])/u)) {
    const isLink = part.startsWith('[');
    const words = isLink ? part.slice(1, -1) : part;
    if (isLink)
      links.push({ href: hrefs[links.length] ?? '', start: text.length, end: text.length + words.length });
    text += words;
  }
  return { text, links };
}
const deed = (rest: string) => `https://creativecommons.org/licenses/${rest}`;

it.each<[string, readonly string[], boolean]>([
  ['Ann Lee, [licence]', [deed('by/4.0/')], true],
  ['Ann Lee, [licence]', [deed('by/4.0')], true],
  ['Ann Lee, [licence]', [deed('by/4.0/deed.de')], true],
  ['Ann Lee, [licence]', [deed('by/4.0/legalcode.en')], true],
  ['Ann Lee, [licence]', ['http://www.creativecommons.org/licenses/by/4.0/?ref=x'], true],
  ['Ann Lee []', [deed('by/4.0/')], true],
  ['Ann Lee, [CC BY]', [deed('by/4.0/')], true],
  ['Ann Lee, [CC BY 4.0]', ['https://licences.example/'], true],
  ['Ann Lee, [licence]', [deed('by-sa/4.0/')], false],
  ['Ann Lee, [licence]', [deed('by/3.0/')], false],
  ['Ann Lee, [licence]', [deed('by/4.0/at/')], false],
  ['Ann Lee, [licence]', ['https://other.example/licenses/by/4.0/'], false],
  ['Ann Lee, [CC BY 4.0]', [deed('by-sa/4.0/')], false],
  ['Ann Lee, [CC BY 3.0]', [deed('by/4.0/')], false],
  ['Ann Lee, CC BY 4.0 ([deed])', [deed('by/3.0/')], false],
  ['[Deed], CC BY 4.0', [deed('by/3.0/')], false],
  ['The hall: [CC BY 4.0]; the river: [CC BY-SA 3.0]', [deed('by/4.0/'), deed('by-sa/3.0/')], true],
  ['The hall: [CC BY-SA 3.0]; the river: [CC BY 4.0]', [deed('by/4.0/'), deed('by-sa/3.0/')], false],
])('“%s” to %j names CC BY 4.0: %s', (written, hrefs, isNamed) => {
  expect(namesLicence(linked(written, ...hrefs), commons('CC-BY-4.0'))).toBe(isNamed);
});

it.each<[string, boolean]>([
  ['Ann Lee, CC BY', true],
  ['Ann Lee, Creative Commons Attribution', true],
  ['Attribution: Ann Lee', false],
  ['Painted by Sandra', false],
  ['', false],
])('“%s” names a licence at all: %s', (text, isAny) => {
  expect(namesAnyLicence(textAlone(text))).toBe(isAny);
});

it.each<[string, string | null]>([
  [deed('by/4.0/'), 'CC-BY-4.0'],
  [deed('by-nc-sa/3.0/de/'), 'CC-BY-NC-SA-3.0-DE'],
  [`Licensed under ${deed('by-nd/2.5/deed.en')}, ask first`, 'CC-BY-ND-2.5'],
  ['https://creativecommons.org/publicdomain/zero/1.0/', 'CC0-1.0'],
  ['https://creativecommons.org/publicdomain/mark/1.0/', 'PDM-1.0'],
  ['creativecommons.org/licenses/by/4.0/', 'CC-BY-4.0'],
  ['https://creativecommons.org/about/', null],
  ['CC BY 4.0', null],
  ['', null],
])('the deed in “%s” is that of %s', (text, id) => {
  expect(idOfDeed(text)).toBe(id);
});
