import { isPictureAddress } from '../../address/resolve-address';
import { wholeAttribute, type ElementReader, type FoundReference, type KindReader } from './kind';

const PICTURE_KEYS = new Set([
  'og:image',
  'og:image:url',
  'og:image:secure_url',
  'twitter:image',
  'twitter:image:src',
  // Before vocabularies had prefixes.
  'image',
  'thumbnailurl',
  'thumbnail',
  'msapplication-tileimage',
  'msapplication-square70x70logo',
  'msapplication-square150x150logo',
  'msapplication-square310x310logo',
  'msapplication-wide310x150logo',
]);

/** Properties of microdata whose value is a picture, in any vocabulary of schema.org's. */
const PICTURE_PROPERTIES = new Set(['image', 'thumbnailurl', 'logo', 'photo', 'primaryimageofpage']);
/** Those whose value is a picture, a film or a sound. */
const MEDIA_PROPERTIES = new Set(['contenturl', 'url']);

/** The picture that an element of the head, or of microdata in the page, names by `itemprop` in one of its attributes. */
export function microdataPicture(page: ElementReader, attribute: 'content' | 'href'): FoundReference[] {
  const properties = (page.text('itemprop') ?? '').toLowerCase().split(/\s+/u);
  const isPicture = properties.some((one) => PICTURE_PROPERTIES.has(one));
  if (!isPicture && !properties.some((one) => MEDIA_PROPERTIES.has(one))) return [];
  return wholeAttribute('meta', attribute, page).filter(
    ({ value }) => isPicture || isPictureAddress({ kind: 'elsewhere', url: value }),
  );
}

/** `meta`: the picture shown where the page is linked from elsewhere (Open Graph and the like, microdata). */
export const meta: KindReader = {
  tags: ['meta'],
  read(_element, page) {
    const keys = [page.text('property'), page.text('name'), page.text('itemprop')];
    return keys.some((key) => key && PICTURE_KEYS.has(key.trim().toLowerCase()))
      ? wholeAttribute('meta', 'content', page)
      : microdataPicture(page, 'content');
  },
};
