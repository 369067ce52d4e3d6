/**
 * A list of widths for a place that had one file: browsers with fewer pixels load fewer. Written where the page lists widths
 * at other pictures already, so that it is kept up as those are.
 */
import { siblingReference } from '../edit/write-value';
import { elementOfSpot } from '../markup/element-path';
import { escapesOf } from '../markup/escapes-of';
import type { Placement } from '../markup/placement';
import type { Rendition, SwapPlace } from './plan-swap';

/** A place by its spot in the structure of the page; its thread may bear the name of an earlier one. */
type Spotted = Pick<Placement, 'kind' | 'declared'> & { readonly spot: string };

/** Elements of a page whose pictures are listed by widths, and those that a `picture` chooses for. */
export interface ListsOfPage {
  /** Whether an `img` of the page has widths and sizes. */
  readonly hasWidths: boolean;
  readonly listed: ReadonlySet<string>;
}

/** @param places all of the page, or those of kind `srcset` */
export function listsOfPage(places: readonly Spotted[]): ListsOfPage {
  const lists = places.filter(({ kind }) => kind === 'srcset');
  return {
    hasWidths: lists.some(({ declared }) => /^\d+w$/u.test(declared.descriptor) && Boolean(declared.sizes)),
    listed: new Set(lists.map(({ spot }) => elementOfSpot(spot))),
  };
}

/** An address that means the same within a list: there, blanks and commas part one from the next. */
export const FITS_LIST = /^[^\s,"'()<>`=]+$/u;

/** Whether a place can get a list as far as its page tells: an `img` of its own with a width in pixels and no list yet. */
export function mayBeListed(place: Spotted & Pick<Placement, 'raw'>, lists: ListsOfPage): boolean {
  if (place.kind !== 'img' || !place.declared.widthPx || !lists.hasWidths) return false;
  const element = elementOfSpot(place.spot);
  const isChosen = lists.listed.has(element) || /(?:^|>)[^>]*picture:\d+/u.test(element);
  return !isChosen && FITS_LIST.test(place.raw);
}

/**
 * Whether a place can get a list: one that may, whose address stands in quotes.
 *
 * @param text of the source that the place stands in
 */
export function canBeListed(
  place: Spotted & Pick<Placement, 'raw' | 'start' | 'end'>,
  lists: ListsOfPage,
  text: string,
): boolean {
  if (!mayBeListed(place, lists)) return false;
  const quote = text.charAt(place.end);
  return /["']/u.test(quote) && text.charAt(place.start - 1) === quote;
}

/**
 * What stands behind the closing quote of the address: the list, and how wide the picture is shown.
 *
 * @param renditions of the place, from the narrowest on
 * @param cssWidth of the place, in CSS pixels, > 0
 */
export const listAttributes = (
  place: SwapPlace,
  renditions: readonly Rendition[],
  cssWidth: number,
): string => ` srcset="${candidatesOf(place, renditions, true)}" sizes="${sizesOf(cssWidth)}"`;

/** The entries of a `srcset`, each beside the file that stood there; with their widths, or one for all screens. */
export const candidatesOf = (
  place: SwapPlace,
  renditions: readonly Rendition[],
  isByWidth: boolean,
): string =>
  renditions
    .map(({ path, widthPx }) => {
      const address = siblingReference(place.raw, path.split('/').at(-1) ?? path, escapesOf(place));
      return isByWidth ? `${address} ${widthPx}w` : address;
    })
    .join(', ');

/** How wide a place is: never wider than the screen. */
export function sizesOf(cssWidth: number): string {
  const width = Math.round(cssWidth);
  return `(max-width: ${width}px) 100vw, ${width}px`;
}
