import { attributeText, type Element } from './attribute-value';
import type { FoundReference } from './kinds/kind';
import type { DeclaredSlot } from './placement';

/** The slot of a place whose markup says nothing about it. */
export const NOTHING_DECLARED: DeclaredSlot = {
  widthPx: null,
  heightPx: null,
  sizes: null,
  descriptor: '',
  type: null,
  media: null,
  loading: null,
  classes: '',
  writtenIn: '',
};

/** Pixels of a legacy dimension attribute (HTML standard, "rules for parsing dimension values"); `null` for per cent. */
function pixels(value: string | null): number | null {
  const match = /^\s*(\d+(?:\.\d+)?)\s*(px|%)?/.exec(value ?? '');
  return match && match[2] !== '%' ? Number(match[1]) : null;
}

/** A `width: 300px` in a style attribute; `null` where it is not in pixels. */
function stylePixels(style: string | null, property: keyof typeof IN_PIXELS): number | null {
  const match = style === null ? null : IN_PIXELS[property].exec(style);
  return match ? Number(match[1]) : null;
}

const IN_PIXELS = {
  width: /(?:^|;)\s*width\s*:\s*(\d+(?:\.\d+)?)px/i,
  height: /(?:^|;)\s*height\s*:\s*(\d+(?:\.\d+)?)px/i,
};

/** What an element's own markup declares about the space for its picture. */
export function declaredSlot(element: Element, sizer: Element, found: FoundReference): DeclaredSlot {
  const style = attributeText(sizer, 'style');
  return {
    widthPx: stylePixels(style, 'width') ?? pixels(attributeText(sizer, 'width')),
    heightPx: stylePixels(style, 'height') ?? pixels(attributeText(sizer, 'height')),
    sizes: attributeText(element, 'sizes'),
    type: attributeText(element, 'type'),
    media: attributeText(element, 'media'),
    loading: attributeText(sizer, 'loading'),
    classes: attributeText(element, 'class') ?? '',
    ...writtenSlot(found),
  };
}

/** What of it the reference itself says. */
function writtenSlot({ descriptor, attribute, escapes }: FoundReference) {
  return { descriptor, writtenIn: attribute, ...(escapes ? { escapes } : {}) };
}

/** The slot of another reference of the same kind at the same element. */
export function slotBeside({ escapes: _, ...slot }: DeclaredSlot, found: FoundReference): DeclaredSlot {
  return { ...slot, ...writtenSlot(found) };
}
