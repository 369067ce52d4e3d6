import { isPictureAddress } from '../../address/resolve-address';
import { wholeAttribute, type KindReader } from './kind';

/** `a href` and `area href` that lead to a picture: the enlarge target. In SVG also `xlink:href`. */
export const link: KindReader = {
  tags: ['a', 'area'],
  read(_element, page) {
    const own = wholeAttribute('link', 'href', page);
    const references = own.length > 0 ? own : wholeAttribute('link', 'xlink:href', page);
    return references.filter((found) => isPictureAddress({ kind: 'elsewhere', url: found.value }));
  },
};
