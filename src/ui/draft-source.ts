import type { DraftSource } from '@/core/wording/drafts';
import { count } from './format';

const FROM: Readonly<Record<DraftSource, string>> = {
  'link target': 'title of the page it leads to',
  elsewhere: 'alt text of the same picture elsewhere',
  attribute: 'kept in an attribute of it',
  file: 'stored in the file',
  people: 'who and what is on it',
  title: 'its title',
  'in the picture': 'written in the picture',
  heading: 'heading above it',
};

/**
 * Where a draft comes from, in words.
 *
 * @param places how many places have it already
 */
export function draftSourceText(from: DraftSource | 'rule', places?: number): string {
  if (from === 'rule') return 'what the rule asks for';
  return from === 'elsewhere' && places ? `alt text in ${count(places, 'place')}` : FROM[from];
}
