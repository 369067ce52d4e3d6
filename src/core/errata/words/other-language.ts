import type { PlacementToCheck } from '../page-to-check';
import { languageOfText, ownVocabulary, primaryOf } from '../../words/languages/known-languages';

const NAMES: Readonly<Record<string, string>> = { en: 'English', de: 'German', fr: 'French', es: 'Spanish' };

export const languageName = (language: string): string => NAMES[language] ?? language;

/**
 * The language of a text, where it is surely another than that of the page; `null` where it is the page's, where the
 * markup declares it, and where rules can't tell.
 */
export function isInOtherLanguage(
  text: string,
  { context }: PlacementToCheck,
  pageLanguage: string | null,
): string | null {
  if (!ownVocabulary(pageLanguage)) return null;
  const language = languageOfText(text);
  if (!language || language === primaryOf(pageLanguage)) return null;
  return language === primaryOf(context.language ?? null) ? null : language;
}
