import { decodeHTML } from 'entities/decode';
import type { EditSubject } from '@/core/swap/swap-edits';

/** Words as readers meet them: character references resolved, tags and an attribute's own frame taken off. */
export function shownText(written: string, subject: EditSubject | 'place'): string {
  if (subject === 'reference' || subject === 'place') return written;
  const bare =
    subject === 'alt'
      ? written.replace(/^(?: alt)?="(.*)"$/s, '$1')
      : written.replaceAll('<br>', '\n').replace(/<[^>]*>/g, '');
  return decodeHTML(bare).trim();
}
