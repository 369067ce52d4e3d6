/** What has to be shown with a picture, and whether a text shows it. */
import { type CommonsLicence, type Terms } from '../licences';
import { deedOf } from '../metadata-out';
import { creditLine, type CreditForm } from './credit-forms';
import type { Modification } from '../modification';
import type { PictureFields } from '../records';
import { carriesLine } from './credit-line';
import { foldedWords, plain, textAlone, wordsOf, isWord, type CreditText } from './credit-text';
import { TELLS_CHANGE } from './credit-words';
import { namesLicence } from './licence-mentions';
import { namesCreator } from './names';

/** What a credit may lack. The last three are asked for by good manners, and make no credit missing. */
export type CreditPart = 'creator' | 'licence' | 'line' | 'title' | 'source' | 'changes';

export interface WantedCredit {
  /** Each of them is to be named. */
  readonly creators: readonly string[];
  readonly licence: CommonsLicence | null;
  readonly line: string | null;
  readonly title: string | null;
  /** Address of where it was found. */
  readonly source: string | null;
  readonly isChanged: boolean;
  /** As one would write it; `null` where the records do not say whom to credit. */
  readonly words: string | null;
  /** Folded words that may stand beside a name in the credit. */
  readonly own: ReadonlySet<string>;
}

export interface CreditAsked {
  /** Whether the organisation credits every picture. */
  readonly creditsAlways: boolean;
  readonly changes: () => readonly Modification[];
  /** How it is written; absent as `plain`. */
  readonly form?: CreditForm;
  /** Host of the organisation's own site. */
  readonly site?: string | null;
}

const PLAIN: CreditForm = { name: 'plain' };

/**
 * The credit that a picture needs.
 *
 * @returns `null` where none is needed
 */
export function wantedCredit(
  fields: PictureFields,
  terms: Terms | null,
  { creditsAlways, changes, form = PLAIN, site = null }: CreditAsked,
): WantedCredit | null {
  const named = fields.creator && fields.creator.length > 0 ? fields.creator : null;
  const creators = named ?? (fields.holder ? [fields.holder] : []);
  const title = fields.title ?? null;
  const own = new Set(
    [title ?? '', fields.holder ?? '', ...creators, terms?.record?.name ?? ''].flatMap(foldedWords),
  );
  const nothing = { licence: null, line: null, title: null, source: null, isChanged: false, own };
  if (terms?.needsCredit && terms.commons) {
    const { commons } = terms;
    const isChanged = changes().length > 0;
    const source = fields.source && /^https?:\/\//iu.test(fields.source) ? fields.source : null;
    const says = {
      title,
      creators,
      holder: fields.holder ?? null,
      source,
      licence: commons,
      deed: deedOf(terms),
      site,
    };
    const words = creditLine(form, { ...says, isChanged });
    return { creators, licence: commons, line: null, title, own, isChanged, source, words };
  }
  if (terms?.needsCredit) {
    const line = terms.record?.line?.trim() || null;
    if (line !== null) return { ...nothing, creators: [], line, words: line };
    return { ...nothing, creators, words: creators.length > 0 ? creators.join(', ') : null };
  }
  if (creditsAlways && creators.length > 0) return { ...nothing, creators, words: creators.join(', ') };
  return null;
}

const MANNERS: ReadonlySet<CreditPart> = new Set(['title', 'source', 'changes']);

/** What a text lacks of a credit. */
export function lackingIn(text: CreditText, wanted: WantedCredit): CreditPart[] {
  const lacking: CreditPart[] = [];
  const { creators, licence, line, title, source, isChanged, own, words } = wanted;
  if (words === null || !creators.every((creator) => namesCreator(text, creator, own)))
    lacking.push('creator');
  if (licence && !namesLicence(text, licence)) lacking.push('licence');
  if (line !== null && !carriesLine(text, line, own)) lacking.push('line');
  if (title !== null && !saysTitle(text, title)) lacking.push('title');
  if (
    source !== null &&
    !text.links.some(({ href }) => isSameAddress(href, source)) &&
    !text.text.includes(source)
  )
    lacking.push('source');
  if (isChanged && !TELLS_CHANGE.test(text.text)) lacking.push('changes');
  return lacking;
}

/** Whether what a text lacks makes it no credit. */
export const isCredit = (lacking: readonly CreditPart[]): boolean =>
  lacking.every((part) => MANNERS.has(part));

function saysTitle(text: CreditText, title: string): boolean {
  const wanted = wordsOf(textAlone(title));
  const words = wordsOf(text);
  return words.some((_, at) => wanted.every(({ folded }, i) => isWord(words[at + i]?.folded ?? '', folded)));
}

const isSameAddress = (a: string, b: string): boolean => bare(a) === bare(b);
const bare = (url: string): string =>
  plain(url).replace(/^https?:\/\/(?:www\.)?/iu, '').replace(/#.*$/su, '').replace(/\/$/u, ''); // oxfmt-ignore
