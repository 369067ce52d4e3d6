import { wholeAttribute, type KindReader } from './kind';
import { microdataPicture } from './meta';
import { candidates } from './srcset';

const ICON_RELS = new Set([
  'icon',
  'apple-touch-icon',
  'apple-touch-icon-precomposed',
  'apple-touch-startup-image',
  'mask-icon',
  'fluid-icon',
]);

const LOADED_AHEAD = new Set(['preload', 'prefetch']);

/** `link`: icons, pictures loaded ahead, those of microdata, and the picture that stands for the page (`image_src`). */
export const headLink: KindReader = {
  tags: ['link'],
  read(_element, page) {
    const rels = (page.text('rel') ?? '').toLowerCase().split(/\s+/);
    if (rels.some((rel) => ICON_RELS.has(rel))) return wholeAttribute('icon', 'href', page);
    if (rels.includes('image_src')) return wholeAttribute('meta', 'href', page);
    if (rels.some((rel) => LOADED_AHEAD.has(rel)) && page.text('as')?.toLowerCase() === 'image') {
      return [...wholeAttribute('preload', 'href', page), ...candidates('preload', 'imagesrcset', page)];
    }
    return microdataPicture(page, 'href');
  },
};
