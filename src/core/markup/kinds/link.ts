import { isPictureAddress } from '../../address/resolve-address';
import { wholeAttribute, type KindReader } from './kind';

/** `a href` and `area href` that lead to a picture: the enlarge target. */
export const link: KindReader = {
  tags: ['a', 'area'],
  read: (_element, page) =>
    wholeAttribute('link', 'href', page).filter((found) =>
      isPictureAddress({ kind: 'elsewhere', url: found.value }),
    ),
};
