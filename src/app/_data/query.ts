import Joi from 'joi';

export type SearchParams = Promise<Record<string, string | string[] | undefined>>;

/** What a screen of a site is given. */
export interface SiteScreenProps {
  readonly params: Promise<{ slug: string }>;
  readonly searchParams: SearchParams;
}

const SHEET = Joi.number().integer().min(1).max(100_000).default(1);
const TEXT = Joi.string().trim().allow('').max(200).default('');

const MOST_NUMBERS = 2000;

/** U+0000 is no letter of any word, and the database takes no text with it. */
const first = (value: string | string[] | undefined) =>
  (Array.isArray(value) ? value[0] : value)?.replaceAll('\0', '');

/** The part of a list's address that all lists share; what can't be read counts as not given. */
export async function listQuery(params: SearchParams) {
  const given = await params;
  const section = first(given['section']);
  return {
    given: (name: string) => first(given[name]),
    query: (TEXT.validate(first(given['q'])).value ?? '') as string,
    section: section ?? null,
    sheet: Number(
      SHEET.validate(first(given['sheet'])).error ? 1 : SHEET.validate(first(given['sheet'])).value,
    ),
  };
}

/** Numbers in a part of an address, as in `12,15,18`; what is no number above 0 is left out. */
export function numbersIn(text: string | string[] | undefined): number[] {
  return String(text ?? '')
    .split(',')
    .map(Number)
    .filter((id) => Number.isInteger(id) && id > 0)
    .slice(0, MOST_NUMBERS);
}

/** An address with some of its parameters changed; `null` takes one out. */
export function hrefWith(path: string, parameters: Readonly<Record<string, string | number | null>>): string {
  const query = new URLSearchParams();
  for (const [name, value] of Object.entries(parameters))
    if (value !== null && value !== '') query.set(name, String(value));
  const text = query.toString();
  return text ? `${path}?${text}` : path;
}

/** Words as a text search: each as the beginning of a word, all of them wanted. Empty where nothing can be searched. */
export function tsQuery(query: string): string {
  const words = query.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
  return words.map((word) => `${word}:*`).join(' & ');
}
