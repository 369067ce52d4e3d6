import { isPictureAddress } from '../../address/resolve-address';
import { wholeAttribute, type KindReader } from './kind';

/** `a href` and `area href` that lead to a picture: the enlarge target. In SVG also `xlink:href`. */
export const link: KindReader = {
  tags: ['a', 'area'],
  read(_element, page) {
    // Most links lead to pages: where they are written is looked up only for those that lead to a picture.
    const href = page.text('href')?.trim();
    if (!href || !isPictureAddress({ kind: 'elsewhere', url: href })) return [];
    const own = wholeAttribute('link', 'href', page);
    return own.length > 0 ? own : wholeAttribute('link', 'xlink:href', page);
  },
};
