import { decodeHTML } from 'entities/decode';
import type { ImageObject } from '@/core/rights/image-object';
import type { edits } from '@/server/db/schema/editions';

type Subject = (typeof edits.$inferSelect)['subject'];

/** Words as readers meet them: character references resolved, tags and an attribute's own frame taken off. */
export function shownText(written: string, subject: Subject): string {
  if (subject === 'reference' || subject === 'place') return written;
  if (subject === 'statement') return statementText(written);
  const bare =
    subject === 'alt'
      ? written.replace(/^(?: alt)?="(.*)"$/s, '$1')
      : written.replaceAll('<br>', '\n').replace(/<[^>]*>/g, '');
  return decodeHTML(bare).trim();
}

/** What a statement says, a line for the files of which it says the same. */
function statementText(written: string): string {
  const json = written.replace(/<\/?script[^>]*>/g, '').trim();
  if (json === '') return '';
  const { '@graph': objects } = JSON.parse(json) as { '@graph': readonly ImageObject[] };
  const lines = new Map<string, string[]>();
  for (const { contentUrl, name, creator, creditText, copyrightNotice, license } of objects) {
    const makers = creator?.map((one) => one.name).join(', ');
    const says = [name, makers, creditText === makers ? null : creditText, copyrightNotice, license];
    const said = [...new Set(says.filter(Boolean))].join(' · ');
    const file = decodeURIComponent(contentUrl.split('/').at(-1) ?? contentUrl);
    lines.set(said, [...(lines.get(said) ?? []), file]);
  }
  return [...lines].map(([said, files]) => `${files.join(', ')}: ${said}`).join('\n');
}
