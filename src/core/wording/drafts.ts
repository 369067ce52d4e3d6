/** Drafts of an alt text out of what is known of a picture. They begin a text; what is to be seen a person must say. */
import { isOnlyContent } from '../errata/alt-branch';
import { alike } from '../errata/words/alike';
import { isFileName, saysOnly } from '../errata/words/empty-texts';
import { countingWords } from '../errata/words/read-words';
import type { LinkAround } from '../markup/placement';
import type { StoredWords } from '../markup/stored-words';

/** Where the words of a draft come from. */
export type DraftSource =
  | 'link target'
  | 'elsewhere'
  | 'attribute'
  | 'file'
  | 'people'
  | 'title'
  | 'in the picture'
  | 'heading';

export interface Draft {
  readonly text: string;
  readonly from: DraftSource;
  /** For words of other places: how many have them. */
  readonly places?: number;
}

export interface KnownWords {
  /** BCP 47 of the page, or `null`. */
  readonly language: string | null;
  /** What stands in the alt text now, or `null`. */
  readonly alt: string | null;
  readonly caption: string | null;
  /** Address of the file as the page writes it. */
  readonly raw: string;
  readonly link: LinkAround | null;
  /** Title of the page that a link around it leads to. */
  readonly targetTitle: string | null;
  /** Alt texts of the picture's places, by how many have each. */
  readonly altTexts: Readonly<Record<string, number>>;
  /** Description or alt text that the file carries. */
  readonly embedded: string | null;
  /** A title that a person gave it. */
  readonly title: string | null;
  /** Names of the people, places and things on it. */
  readonly people: readonly string[];
  readonly places: readonly string[];
  readonly things: readonly string[];
  /** Words that were read in the picture itself. */
  readonly readText: string | null;
  readonly headings: readonly string[];
  /** Words that its element, or the link around it, keeps in attributes. */
  readonly stored: readonly StoredWords[];
}

const MOST = 6;
const LEAST_READ = 3;
/** A draft of more characters is cut at the end of a sentence. */
const LONG = 150;

/** Drafts, the likeliest first; none that says what stands there already, or nothing at all. */
export function draftsOf(known: KnownWords): Draft[] {
  const { language, raw, link } = known;
  const all: Draft[] = [];
  const add = (text: string | null | undefined, from: DraftSource, places?: number) => {
    const clean = gist((text ?? '').replace(/\s+/gu, ' ').trim());
    if (clean === '' || isFileName(clean, raw) || saysOnly(clean, language) !== null) return;
    if (known.alt !== null && alike(clean, known.alt)) return;
    if (all.some((one) => alike(one.text, clean))) return;
    all.push({ text: clean, from, ...(places === undefined ? {} : { places }) });
  };
  // A press on it goes somewhere: that is what must be said, whatever is to be seen.
  if (isOnlyContent(link)) add(known.targetTitle, 'link target');
  const elsewhere = Object.entries(known.altTexts).sort((a, b) => b[1] - a[1]);
  for (const [text, places] of elsewhere) add(text, 'elsewhere', places);
  for (const { text } of known.stored) add(text, 'attribute');
  add(known.embedded, 'file');
  add(named(known), 'people');
  add(known.title, 'title');
  // Less than that is a sign on a wall, or leaves that look like letters.
  if (countingWords(known.readText ?? '').length >= LEAST_READ) add(known.readText, 'in the picture');
  add(known.headings.at(-1), 'heading');
  return all.slice(0, MOST);
}

/** “Anna Fiel, Ben Roth, harp, engine room”: who, what and where, as far as named. */
const named = ({ people, places, things }: KnownWords) => [...people, ...things, ...places].join(', ');

/** The first sentences that fit into one breath. */
function gist(text: string): string {
  if (text.length <= LONG) return text;
  const sentences = text.match(/[^.!?]+[.!?]+(?=\s|$)/gu) ?? [];
  let taken = '';
  for (const sentence of sentences) {
    if ((taken + sentence).trim().length > LONG) break;
    taken += sentence;
  }
  return taken.trim() || `${text.slice(0, LONG).replace(/\s\S*$/u, '')} …`;
}
