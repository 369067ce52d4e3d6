/**
 * How assistive technology tells a picture in its place: its role, its name, and what is told before and after it.
 * Roles and names by HTML-AAM 1.0 and accname 1.2; the order of telling is that of the document.
 */
import { isOnlyContent } from '../errata/alt-branch';
import type { PlacementToCheck } from '../errata/page-to-check';

export interface Spoken {
  /** The heading and the words before it. */
  readonly before: string;
  /** What is told of the picture; empty where it is passed over. */
  readonly said: string;
  readonly after: string;
}

type PlaceToTell = Pick<
  PlacementToCheck,
  'kind' | 'link' | 'name' | 'alt' | 'decorative' | 'hidden' | 'raw' | 'caption' | 'context'
>;

const AROUND = 90;

/** What a listener hears of a place. */
export function spoken(placement: PlaceToTell): Spoken {
  const { context, caption } = placement;
  const heading = context.headings.at(-1);
  return {
    before: [heading ? `Heading, ${heading}.` : '', lastWords(context.before)].filter(Boolean).join(' '),
    said: said(placement),
    after: [caption && context.inFigure ? `Caption, ${caption}.` : '', firstWords(context.after, caption)]
      .filter(Boolean)
      .join(' '),
  };
}

function said({ kind, link, context, name, alt, decorative, hidden, raw }: PlaceToTell): string {
  if (hidden) return '';
  // Where nothing names it, most programs read its address, as far as the file's name; what is drawn has none.
  const fileName = kind === 'drawn' ? '' : (raw.split(/[?#]/u)[0]?.split('/').at(-1) ?? raw);
  const isNameless = name === '' && !(decorative && kind !== 'input');
  const says = isNameless ? fileName : name;
  if (kind === 'area') return told('Link', says);
  if (kind === 'input') return told('Button', says);
  // What stands in a button is told as its name, and no longer as a picture.
  if (context.button !== undefined && !link) return told('Button', decorative ? '' : says, context.button);
  if (link && isOnlyContent(link)) {
    const target = link.href.split('/').at(-1) || link.href;
    return decorative || (alt === '' && name === '') ? told('Link', target) : told('Link', 'image', says);
  }
  if (decorative) return '';
  return link ? told('Link', 'image', says, link.text.trim()) : told('Image', says);
}

const told = (...parts: readonly string[]) => `${parts.filter(Boolean).join(', ')}.`;

const lastWords = (text: string) =>
  text.length <= AROUND ? text : `… ${text.slice(-AROUND).replace(/^\S*\s/u, '')}`;

function firstWords(text: string, caption: string | null): string {
  const rest = caption && text.startsWith(caption) ? text.slice(caption.length).trim() : text;
  return rest.length <= AROUND ? rest : `${rest.slice(0, AROUND).replace(/\s\S*$/u, '')} …`;
}
