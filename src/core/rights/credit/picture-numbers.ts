/** Numbers by which captions and credits name pictures: `Fig. 3`, `(3)`, `3:`, `III.`, `1–3`, `2 and 4`. */
import { everyMatch } from '../../words/every-match';

/** A number, or several, as they stand in a text. */
export interface NumberSpan {
  readonly numbers: readonly number[];
  readonly start: number;
  readonly end: number;
}

const LABEL =
  '(?:fig(?:ure|ur)?s?|ph(?:oto(?:graph)?)?s?|pictures?|pics?|images?|illustrations?|plates?|nos?|numbers?|numéros?|números?|abb(?:ildung(?:en)?)?|bild(?:er)?|fotos?|nr|nummer|tafel|imágenes|imagen|figuras?|n°|nº|#)';
const ONE = '(?:\\d{1,3}|[ivx]{1,6})';
const LIST = `${ONE}(?:\\s*(?:[,;&/+–—-]|\\band\\b|\\bund\\b|\\bet\\b|\\by\\b|\\bto\\b|\\bbis\\b|\\bà\\b|\\ba\\b)\\s*${ONE}(?![\\p{L}\\d.]))*`;
/** Behind a label; alone in brackets; or at the beginning of a part, with a sign behind it. */
const LABELLED = new RegExp(`(?<![\\p{L}\\p{N}])${LABEL}[.:]?\\s*(${LIST})(?![\\p{L}\\d]|\\.\\d)`, 'giu');
const BRACKETED = new RegExp(`[([]\\s*(${LIST})\\s*[)\\]]`, 'giu');
const LEADING = new RegExp(
  `(?:^|[\\n;|·•]\\s*|[.,]\\s+)(${LIST})(?=\\s*[:.)\\]–—=-](?!\\d)|\\s*$)|[;|·•\\n]\\s*(${LIST})(?=\\s+\\p{L})`,
  'giu',
);

/** All numbers in a text that may name pictures, in its order. */
export function numbersIn(text: string): NumberSpan[] {
  const spans: NumberSpan[] = [];
  for (const pattern of [LABELLED, BRACKETED, LEADING]) {
    for (const match of everyMatch(pattern, text)) {
      const written = match[1] ?? match[2] ?? '';
      const numbers = expanded(written);
      const start = match.index + (pattern === LEADING ? match[0].length - written.length : 0);
      const end = match.index + match[0].length;
      if (numbers.length > 0 && !spans.some((one) => start < one.end && end > one.start))
        spans.push({ numbers, start, end });
    }
  }
  return spans.sort((a, b) => a.start - b.start);
}

/** The numbers that a caption carries: at its beginning, at its end in brackets, or behind a label. */
export function captionNumbers(caption: string): number[] {
  const found = numbersIn(caption).filter(
    ({ start, end }) =>
      start === 0 ||
      end >= caption.trimEnd().length ||
      new RegExp(`^${LABEL}`, 'iu').test(caption.slice(start)),
  );
  return [...new Set(found.flatMap(({ numbers }) => numbers))];
}

const MOST_IN_A_RANGE = 200;

/** `1–3, 5` as 1, 2, 3, 5. */
function expanded(list: string): number[] {
  const numbers: number[] = [];
  const parts = list.split(/\s*([,;&/+–—-]|and|und|et|y|to|bis|à|a)\s*(?=\d|[ivx])/iu);
  let tie = '';
  for (const part of parts) {
    const number = /^\d+$/u.test(part) ? Number(part) : fromRoman(part.toLowerCase());
    if (number === null) {
      tie = part.toLowerCase();
      continue;
    }
    const last = numbers.at(-1);
    const isRange = /^(?:[–—-]|to|bis|à|a)$/u.test(tie) && last !== undefined && number > last && number - last <= MOST_IN_A_RANGE; // oxfmt-ignore
    if (isRange) for (let n = last + 1; n < number; n++) numbers.push(n);
    numbers.push(number);
  }
  return numbers;
}

const ROMAN = /^(x{0,3})(ix|iv|v?i{0,3})$/u;

function fromRoman(text: string): number | null {
  const [, tens, ones] = ROMAN.exec(text) ?? [];
  if (tens === undefined || ones === undefined || text === '') return null;
  const ONES: Readonly<Record<string, number>> = { ix: 9, iv: 4 };
  return 10 * tens.length + (ONES[ones] ?? (ones.startsWith('v') ? 4 + ones.length : ones.length));
}
