/** What a licence allows, needs and ends, in plain words. */
import { isoDay } from '../dating/day';
import type { Terms } from './licences';
import { purposeText } from './record-index';
import { webUnsaid } from './web-unsaid';

/** @returns sentences, what is allowed first; one at least */
export function termsInWords(terms: Terms): string[] {
  if (terms.id === 'own-work') return ['Your own: it may stand wherever you want it.'];
  if (terms.kind === 'free') return ['Nobody’s leave is needed, and nobody has to be named.'];
  return [allowed(terms), ...needed(terms), ...limits(terms)];
}

function allowed({ mayBeSold, mayBeModified, commons }: Terms): string {
  const limits = [
    mayBeSold ? null : 'not on pages that sell',
    mayBeModified ? null : 'not cropped, mirrored or recoloured',
    commons?.conditions.has('sa') ? 'and what is made of it under the same licence' : null,
  ].filter((one) => one !== null);
  return limits.length === 0 ? 'It may be shown, and changed.' : `It may be shown, ${limits.join(', ')}.`;
}

function needed({ needsCredit, commons, record }: Terms): string[] {
  if (!needsCredit) return [];
  if (commons) return ['Maker and licence are named with it.'];
  return [record?.line ? `With it stands: ${record.line}.` : 'Its maker is named with it.'];
}

function limits({ record }: Terms): string[] {
  if (!record) return [];
  const { purposes, sites, from, until } = record;
  const unsaid = webUnsaid(record);
  return [
    ...(purposes?.length ? [`Only on pages for ${purposes.map(purposeText).join(' or ')}.`] : []),
    ...(sites?.length ? [`On ${sites.join(' and ')} only.`] : []),
    ...(from !== null && from !== undefined ? [`From ${isoDay(from)} on.`] : []),
    ...(until !== null && until !== undefined ? [`Until ${isoDay(until)}.`] : []),
    ...(unsaid === null ? [] : [unsaid]),
  ];
}
