/** Where addresses of pictures stand in values of declarations. */
import { ident, string, tokenize, tokenNames, url } from 'css-tree';
import type { Span } from '../source/span';

/** Functions whose strings are addresses. */
export const IMAGE_SET = /^(?:-webkit-)?image-set$/i;

/**
 * Addresses in a value that css-tree does not parse: one for each case, as in `if(…)`, or with modifiers behind it, as in
 * `url("…" crossorigin(anonymous))` (CSS Values 5, §4.5 and §5.3). None in what no browser can make sense of.
 *
 * @param value where it stands in the text
 */
export function addressesInRaw(text: string, value: Span): { value: string; span: Span }[] {
  const found: { value: string; span: Span }[] = [];
  const around: string[] = [];
  let isBroken = false;
  tokenize(text.slice(value.start, value.end), (type, from, to) => {
    const whole = { start: value.start + from, end: value.start + to };
    const written = text.slice(whole.start, whole.end);
    const add = (address: string) => {
      const clean = address.trim();
      if (clean !== '' && !clean.startsWith('#'))
        found.push({ value: clean, span: addressSpan(text, whole) });
    };
    const name = tokenNames[type] ?? '';
    if (name === 'function-token') around.push(ident.decode(written.slice(0, -1)));
    else if (name === '(-token') around.push('');
    else if (name === ')-token') around.pop();
    else if (name === 'url-token') add(url.decode(written));
    else if (name === 'string-token' && isOfAddresses(around.at(-1) ?? '')) add(string.decode(written));
    else if (name.startsWith('bad-')) isBroken = true;
  });
  return isBroken ? [] : found;
}

const isOfAddresses = (name: string): boolean => name.toLowerCase() === 'url' || IMAGE_SET.test(name);

/** The span of the address alone inside `url( "…" )` or a string, without quotes and blanks. */
export function addressSpan(text: string, whole: Span): Span {
  let { start, end } = whole;
  const quoted = /^["']/u.test(text.slice(start, start + 1));
  if (!quoted) {
    start += text.slice(start, end).indexOf('(') + 1;
    if (text[end - 1] === ')') end--;
    while (start < end && /\s/.test(text[start] ?? '')) start++;
    while (end > start && /\s/.test(text[end - 1] ?? '')) end--;
  }
  const quote = text[start];
  if (quote === '"' || quote === "'") {
    start++;
    if (end - 1 >= start && text[end - 1] === quote) end--;
  }
  while (start < end && /\s/.test(text[start] ?? '')) start++;
  while (end > start && /\s/.test(text[end - 1] ?? '')) end--;
  return { start, end };
}
