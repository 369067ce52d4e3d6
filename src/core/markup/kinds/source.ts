import { wholeAttribute, type KindReader } from './kind';
import { candidates } from './srcset';

/** `source`: candidates for a `picture`, or the clip of a `video` or `audio`. */
export const source: KindReader = {
  tags: ['source'],
  read(_element, page) {
    if (page.around.picture) return candidates('source', 'srcset', page);
    const media = page.around.media;
    if (!media) return [];
    return wholeAttribute(media.tagName === 'video' ? 'video' : 'audio', 'src', page);
  },
};
