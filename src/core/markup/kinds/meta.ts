import { wholeAttribute, type KindReader } from './kind';

const PICTURE_KEYS = new Set([
  'og:image',
  'og:image:url',
  'og:image:secure_url',
  'twitter:image',
  'twitter:image:src',
  'image',
  'thumbnail',
  'thumbnailurl',
  'msapplication-tileimage',
]);

/** `meta`: the picture shown where the page is linked from elsewhere (Open Graph and the like, microdata). */
export const meta: KindReader = {
  tags: ['meta'],
  read(_element, page) {
    const key = page.text('property') ?? page.text('name') ?? page.text('itemprop');
    return key && PICTURE_KEYS.has(key.trim().toLowerCase()) ? wholeAttribute('meta', 'content', page) : [];
  },
};
