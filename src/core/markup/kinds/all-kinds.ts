/** The register of the kinds written in attributes; kinds written in CSS are read by `styles/`. */
import { area } from './area';
import { attributeBackground } from './attribute-background';
import { clip } from './clip';
import { embed, object } from './embedded';
import { headLink } from './head-link';
import { img } from './img';
import { input } from './input';
import { jsonLd } from './json-ld';
import type { KindReader } from './kind';
import { link } from './link';
import { meta } from './meta';
import { poster } from './poster';
import { source } from './source';
import { srcset } from './srcset';
import { svgImage } from './svg-image';

const ALL: readonly KindReader[] = [
  img,
  srcset,
  source,
  input,
  area,
  poster,
  clip,
  svgImage,
  object,
  embed,
  headLink,
  meta,
  link,
  attributeBackground,
  jsonLd,
];

const BY_TAG = new Map<string, KindReader[]>();
for (const reader of ALL) {
  for (const tag of reader.tags) BY_TAG.set(tag, [...(BY_TAG.get(tag) ?? []), reader]);
}

const NONE: readonly KindReader[] = [];

/** The readers that look at elements of a tag name. */
export function kindsFor(tag: string): readonly KindReader[] {
  return BY_TAG.get(tag) ?? NONE;
}
