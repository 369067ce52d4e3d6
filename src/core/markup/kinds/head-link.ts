import { wholeAttribute, type KindReader } from './kind';
import { candidates } from './srcset';

const ICON_RELS = new Set([
  'icon',
  'apple-touch-icon',
  'apple-touch-icon-precomposed',
  'mask-icon',
  'fluid-icon',
]);

/** `link`: icons, pictures loaded ahead, and the picture that stands for the page (`image_src`). */
export const headLink: KindReader = {
  tags: ['link'],
  read(_element, page) {
    const rels = (page.text('rel') ?? '').toLowerCase().split(/\s+/);
    if (rels.some((rel) => ICON_RELS.has(rel))) return wholeAttribute('icon', 'href', page);
    if (rels.includes('image_src')) return wholeAttribute('meta', 'href', page);
    if (rels.includes('preload') && page.text('as')?.toLowerCase() === 'image') {
      return [...wholeAttribute('preload', 'href', page), ...candidates('preload', 'imagesrcset', page)];
    }
    return [];
  },
};
