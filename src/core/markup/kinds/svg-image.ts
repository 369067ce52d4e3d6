import { wholeAttribute, type KindReader } from './kind';

/** `image`, `feImage` and `use` of another file in SVG; `href` wins over `xlink:href` (SVG 2, §16.1.6). */
export const svgImage: KindReader = {
  tags: ['image', 'feImage', 'use'],
  read(_element, page) {
    const own = wholeAttribute('svg-image', 'href', page);
    const references = own.length > 0 ? own : wholeAttribute('svg-image', 'xlink:href', page);
    return references.filter((reference) => !reference.value.startsWith('#'));
  },
};
