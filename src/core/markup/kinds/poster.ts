import { wholeAttribute, type KindReader } from './kind';

/** `video poster`: the still shown before a clip plays. */
export const poster: KindReader = {
  tags: ['video'],
  read: (_element, page) => wholeAttribute('poster', 'poster', page),
};
