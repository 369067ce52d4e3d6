/** Pictures named in structured data: `script type="application/ld+json"` (JSON-LD 1.1, schema.org terms). */
import { parseTree, type Node as JsonNode } from 'jsonc-parser';
import { isPictureAddress } from '../../address/resolve-address';
import type { KindReader } from './kind';

/** Properties whose value is a picture, as an address, an object or a list of either. */
const PICTURE_TERMS = new Set([
  'image', 'thumbnail', 'thumbnailUrl', 'logo', 'photo', 'photos', 'primaryImageOfPage', 'screenshot',
]); // oxfmt-ignore
/** Where an object that is a picture says its address. */
const ADDRESS_TERMS = new Set(['url', 'contentUrl', '@id']);
/** Deeper nesting than this is no structured data, and would only cost the stack. */
const MAX_DEPTH = 100;

export const jsonLd: KindReader = {
  tags: ['script'],
  read(_element, page) {
    const type = page.text('type')?.trim().toLowerCase().split(';')[0];
    const inside = type === 'application/ld+json' ? page.inside() : null;
    if (!inside) return [];
    return picturesInJson(inside.text, isTermForPicture).map(({ value, start, end, path }) => ({
      kind: 'json-ld',
      attribute: path,
      value,
      span: inside.spanOf(start, end),
      descriptor: '',
    }));
  },
};

/** A string in a JSON text that names a picture; `start` and `end` lie between its quotes. */
export interface JsonPicture {
  readonly value: string;
  readonly start: number;
  readonly end: number;
  /** Names and numbers on the way to it: `@graph/0/image`. */
  readonly path: string;
}

/** Tells from a string's way through the text, and from the object it stands in, whether it names a picture. */
type IsPicture = (value: string, path: readonly (string | number)[], type: string | null) => boolean;

/** The strings of a JSON text that name pictures, with their places. A text that is no JSON has none. */
export function picturesInJson(text: string, isPicture: IsPicture): JsonPicture[] {
  if (isTooDeep(text)) return [];
  const root = parseTree(text, [], { allowTrailingComma: true });
  const found: JsonPicture[] = [];
  const open: { node: JsonNode; path: readonly (string | number)[]; type: string | null }[] = [];
  if (root) open.push({ node: root, path: [], type: null });
  // The list grows as it is walked; an index reads on where taking from its front would cost its length each time.
  for (const { node, path, type } of open) {
    if (node.type === 'string') {
      const value = String(node.value).trim();
      if (value !== '' && isPicture(value, path, type)) found.push(placed(text, node, path));
    } else if (node.type === 'array') {
      const children = node.children ?? [];
      // One by one: an engine takes only so many arguments at a time.
      for (const [i, child] of children.entries()) open.push({ node: child, path: [...path, i], type });
    } else if (node.type === 'object') {
      const own = typeOf(node);
      for (const { children: pair } of node.children ?? []) {
        const [key, value] = pair ?? [];
        if (key && value) open.push({ node: value, path: [...path, String(key.value)], type: own });
      }
    }
  }
  return found.sort((a, b) => a.start - b.start);
}

function placed(text: string, node: JsonNode, path: readonly (string | number)[]): JsonPicture {
  let start = node.offset + 1;
  let end = node.offset + node.length - 1;
  while (start < end && /\s/.test(text[start] ?? '')) start++;
  while (end > start && /\s/.test(text[end - 1] ?? '')) end--;
  return { value: String(node.value).trim(), start, end, path: path.join('/') };
}

function typeOf(node: JsonNode): string | null {
  const pair = node.children?.find(({ children }) => children?.[0]?.value === '@type')?.children;
  return typeof pair?.[1]?.value === 'string' ? pair[1].value : null;
}

function isTooDeep(text: string): boolean {
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    const unit = text.charCodeAt(at);
    if (unit === 0x7b || unit === 0x5b) {
      if (++depth > MAX_DEPTH) return true;
    } else if (unit === 0x7d || unit === 0x5d) depth--;
  }
  return false;
}

function isTermForPicture(value: string, path: readonly (string | number)[], type: string | null): boolean {
  const names = path.filter((step): step is string => typeof step === 'string');
  const own = names.at(-1) ?? '';
  if (PICTURE_TERMS.has(own)) return looksLikeAddress(value);
  if (ADDRESS_TERMS.has(own)) {
    const isOfPicture = type === 'ImageObject' || PICTURE_TERMS.has(names.at(-2) ?? '');
    // An `@id` may be a mere name for the node; only one that reads as a picture's address is taken for one.
    if (isOfPicture && (own !== '@id' || isPictureAddress({ kind: 'elsewhere', url: value })))
      return looksLikeAddress(value);
  }
  return /^(?:https?:\/\/|\/)/i.test(value) && isPictureAddress({ kind: 'elsewhere', url: value });
}

/** Words are no address; fragments point at another node of the same data. */
function looksLikeAddress(value: string): boolean {
  return !/\s/.test(value) && !value.startsWith('#') && !value.startsWith('_:');
}
