/**
 * Elements that stand for a picture without a reference to a file: by their role, or an `img` to which a script gives
 * an address. What is written of them is the name of their tag.
 */
import { attributeText, type Element } from '../attribute-value';
import type { ElementReader, FoundReference } from './kind';

/** Roles of pictures (WAI-ARIA 1.3, `image` and `img`; Graphics-ARIA 1.0). */
const PICTURE_ROLES = new Set(['img', 'image', 'graphics-symbol', 'graphics-document']);

/** Whether the first role that an element claims is that of a picture. */
export function isPictureByRole(element: Element): boolean {
  const [role = ''] = attributeText(element, 'role')?.trim().toLowerCase().split(/\s+/u) ?? [];
  return PICTURE_ROLES.has(role);
}

/** Elements that have a kind of their own when they show a picture. */
const SHOWS_PICTURE = new Set(['img', 'input', 'area', 'object']);

/**
 * The element itself as a place, or nothing.
 *
 * @param found what it refers to in its attributes
 */
export function drawnReference(
  element: Element,
  page: ElementReader,
  found: readonly FoundReference[],
): FoundReference[] {
  const isWaiting = element.tagName === 'img' && found.length === 0;
  if (!isWaiting && (SHOWS_PICTURE.has(element.tagName) || !isPictureByRole(element))) return [];
  const span = page.tagName();
  return span ? [{ kind: 'drawn', attribute: '', value: '', span, descriptor: '' }] : [];
}
