import { wholeAttribute, type KindReader } from './kind';

/** `area href`: a part of a picture that is a link of its own, with words of its own (HTML standard, image maps). */
export const area: KindReader = {
  tags: ['area'],
  read: (_element, page) => wholeAttribute('area', 'href', page),
};
