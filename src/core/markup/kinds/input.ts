import { wholeAttribute, type KindReader } from './kind';

/** `input type=image`: a picture that is a button. */
export const input: KindReader = {
  tags: ['input'],
  read(_element, page) {
    return page.text('type')?.toLowerCase() === 'image' ? wholeAttribute('input', 'src', page) : [];
  },
};
