/**
 * Splits a `srcset` into its candidates as the HTML standard does, commas inside addresses included.
 * https://html.spec.whatwg.org/multipage/images.html#parse-a-srcset-attribute
 */

/** One image candidate; `start` and `end` delimit its address within the attribute's decoded value. */
export interface SrcsetCandidate {
  readonly url: string;
  readonly start: number;
  readonly end: number;
  /** `480w`, `2x`, or empty. */
  readonly descriptor: string;
}

const SPACE = /[\t\n\f\r ]/;

/** The candidates in the order written; those with a descriptor that a browser refuses are left out. */
export function parseSrcset(value: string): SrcsetCandidate[] {
  const candidates: SrcsetCandidate[] = [];
  let at = 0;
  while (at < value.length) {
    while (at < value.length && (SPACE.test(value[at] ?? '') || value[at] === ',')) at++;
    if (at >= value.length) break;
    const start = at;
    while (at < value.length && !SPACE.test(value[at] ?? '')) at++;
    let end = at;
    let descriptor = '';
    if (value[end - 1] === ',') {
      while (end > start && value[end - 1] === ',') end--;
    } else {
      const tail = readDescriptor(value, at);
      at = tail.end;
      descriptor = tail.descriptor;
    }
    if (end > start && isDescriptor(descriptor)) {
      candidates.push({ url: value.slice(start, end), start, end, descriptor });
    }
  }
  return candidates;
}

/** Reads to the next comma that is not inside parentheses. */
function readDescriptor(value: string, from: number): { descriptor: string; end: number } {
  let at = from;
  let inParentheses = false;
  for (; at < value.length; at++) {
    const character = value[at];
    if (character === '(') inParentheses = true;
    else if (character === ')') inParentheses = false;
    else if (character === ',' && !inParentheses) break;
  }
  return { descriptor: value.slice(from, at).trim(), end: at + 1 };
}

const FLOAT = /^-?(?:\d+|\d*\.\d+)(?:e[+-]?\d+)?x$/i;

function isDescriptor(descriptor: string): boolean {
  if (descriptor === '') return true;
  const parts = descriptor.split(/[\t\n\f\r ]+/);
  const widths = parts.filter((part) => /^\d+w$/.test(part) && Number.parseInt(part) > 0);
  const heights = parts.filter((part) => /^\d+h$/.test(part));
  const densities = parts.filter((part) => FLOAT.test(part) && Number.parseFloat(part) >= 0);
  if (widths.length + heights.length + densities.length !== parts.length) return false;
  if (densities.length > 1 || widths.length > 1 || heights.length > 1) return false;
  return densities.length === 0 ? widths.length === 1 : widths.length + heights.length === 0;
}
