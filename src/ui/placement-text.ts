/** Says in words where a placement is written, and what is written with it. */
import type { PlacementKind } from '@/core/markup/kinds/kind';
import type { DeclaredSlot } from '@/core/markup/placement';

const KIND: Readonly<Record<PlacementKind, string>> = {
  img: 'on the page',
  srcset: 'on the page, for some screen sizes',
  source: 'on the page, for some screen sizes',
  input: 'a button',
  area: 'a link on part of a picture',
  drawn: 'drawn by the page itself',
  poster: 'still of a clip',
  video: 'clip',
  audio: 'sound',
  'svg-image': 'in a drawing',
  object: 'embedded',
  embed: 'embedded',
  icon: 'icon of the page',
  preload: 'loaded ahead',
  meta: 'shown where the page is shared',
  link: 'opened by a click',
  'attribute-background': 'background',
  css: 'from a style',
  lazy: 'shown as the reader gets there',
  'json-ld': 'told to search engines',
  manifest: 'icon of the saved page',
  'iframe-srcdoc': 'in a frame on the page',
  noscript: 'for readers without scripts',
};

/** What kind of place it is, for people. */
export function kindText(kind: PlacementKind, isSheet: boolean): string {
  return kind === 'css' && isSheet ? 'from a style sheet' : KIND[kind];
}

/** Whether a place of a kind stands on its page alone: no file is shown there. */
export const showsNoFile = (kind: PlacementKind): boolean => kind === 'drawn' || kind === 'area';

/** What a place is called that shows no file. */
export function nameWithoutFile(kind: PlacementKind, raw: string): string {
  return kind === 'drawn' ? `<${raw}>` : raw;
}

/** Declared size in CSS pixels, or how it is written otherwise. */
export function slotText({ widthPx, heightPx, descriptor }: DeclaredSlot): string {
  if (widthPx && heightPx) return `${widthPx} × ${heightPx}`;
  if (widthPx) return `${widthPx} wide`;
  if (heightPx) return `${heightPx} high`;
  return descriptor ? `for ${descriptor.replace(/w$/, ' px')}` : '';
}
