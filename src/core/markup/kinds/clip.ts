import { wholeAttribute, type KindReader } from './kind';

/** `video src` and `audio src`: clips are tracked as pictures are. */
export const clip: KindReader = {
  tags: ['video', 'audio'],
  read: (element, page) => wholeAttribute(element.tagName === 'video' ? 'video' : 'audio', 'src', page),
};
