import { isPictureAddress } from '../../address/resolve-address';
import { wholeAttribute, type ElementReader, type FoundReference, type KindReader } from './kind';

/** Whether an embedded resource is a picture: by its declared type, else by its name. */
function isPicture(found: FoundReference, page: ElementReader): boolean {
  const type = page.text('type');
  if (type) return /^image\//i.test(type.trim());
  return isPictureAddress({ kind: 'elsewhere', url: found.value });
}

/** `object data`, where its type or its name says that it is a picture. */
export const object: KindReader = {
  tags: ['object'],
  read: (_element, page) => wholeAttribute('object', 'data', page).filter((found) => isPicture(found, page)),
};

/** `embed src` and `iframe src`, where a type or the name says that it is a picture. */
export const embed: KindReader = {
  tags: ['embed', 'iframe', 'frame'],
  read: (_element, page) => wholeAttribute('embed', 'src', page).filter((found) => isPicture(found, page)),
};
