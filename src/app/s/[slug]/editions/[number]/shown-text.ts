import { decodeHTML } from 'entities/decode';
import type { edits } from '@/server/db/schema/editions';

type Subject = (typeof edits.$inferSelect)['subject'];

/** Words as readers meet them: character references resolved, tags and an attribute's own frame taken off. */
export function shownText(written: string, subject: Subject): string {
  if (subject === 'reference' || subject === 'place') return written;
  if (subject === 'statement')
    return written
      .replace(/<\/?script[^>]*>/g, '')
      .replace(/\\u([\da-f]{4})/g, (_, unit: string) => String.fromCharCode(parseInt(unit, 16)))
      .trim();
  const bare =
    subject === 'alt'
      ? written.replace(/^(?: alt)?="(.*)"$/s, '$1')
      : written.replaceAll('<br>', '\n').replace(/<[^>]*>/g, '');
  return decodeHTML(bare).trim();
}
