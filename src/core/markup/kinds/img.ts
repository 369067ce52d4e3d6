import { wholeAttribute, type KindReader } from './kind';

/** `img src`: the picture that a reader sees, or the fallback of a `srcset`. */
export const img: KindReader = {
  tags: ['img'],
  read: (_element, page) => wholeAttribute('img', 'src', page),
};
