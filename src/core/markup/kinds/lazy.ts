/**
 * Pictures that a script shows later: their addresses wait in `data-` attributes. Which ones is a custom of scripts,
 * not a standard, so the list can be given; the common ones are built in.
 */
import { isPictureAddress } from '../../address/resolve-address';
import { readStyleAttribute } from '../../styles/read-sheet';
import type { Element } from '../attribute-value';
import { wholeAttribute, type ElementReader, type FoundReference } from './kind';
import { candidates } from './srcset';

/** Attributes (lower case) in which addresses of pictures wait, where a site names no others. */
export const LAZY_ATTRIBUTES: readonly string[] = [
  'data-src', 'data-srcset', 'data-bg', 'data-bgset', 'data-background', 'data-background-image', 'data-original',
  'data-original-set', 'data-lazy', 'data-lazy-src', 'data-lazy-srcset', 'data-poster', 'data-image', 'data-img',
  'data-large', 'data-full', 'data-full-src', 'data-thumb', 'data-zoom', 'data-zoom-image', 'data-hi-res',
  'data-fallback', 'data-url', 'data-href', 'data-photo', 'data-picture', 'data-icon', 'data-cover',
]; // oxfmt-ignore

/** Elements that show a picture themselves: what waits in their `…src` is one, whatever its name ends in. */
const SHOWS_PICTURE = new Set(['img', 'source']);

/** The waiting pictures of one element. */
export function lazyReferences(
  element: Element,
  page: ElementReader,
  attributes: ReadonlySet<string>,
): FoundReference[] {
  const found: FoundReference[] = [];
  for (const { name } of element.attrs) {
    if (!name.startsWith('data-') || !attributes.has(name)) continue;
    found.push(...(/set$/.test(name) ? candidates('lazy', name, page) : single(element, page, name)));
  }
  return found;
}

function single(element: Element, page: ElementReader, name: string): FoundReference[] {
  const place = page.locate(name);
  if (!place) return [];
  if (/url\(/i.test(place.value)) {
    return readStyleAttribute(`background:${place.value}`).map(({ value, span }) => ({
      kind: 'lazy',
      attribute: name,
      value,
      span: place.spanOf(span.start - 'background:'.length, span.end - 'background:'.length),
      descriptor: '',
      escapes: ['html', 'css'],
    }));
  }
  const whole = wholeAttribute('lazy', name, page);
  const isSure = SHOWS_PICTURE.has(element.tagName) && /src$/.test(name);
  return whole.filter(
    ({ value }) =>
      (isSure && !/\s/.test(value)) ||
      (isPictureAddress({ kind: 'elsewhere', url: value }) && !/^\s*[{[]/.test(value)),
  );
}
