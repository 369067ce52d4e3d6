/** Whether a licence that was bought, written or told says that pictures may stand on the web. */
import type { LicenceRecord } from './records';

/** Words that mean it, in the languages that Ibidem reads. */
const WEB =
  /(?<!\p{L})(?:web(?:[ -]?(?:sites?|pages?|seiten?|auftritt))?|internet\p{L}*|on-?line|digital\p{L}*|(?:home|web) ?pages?|sites?|en ligne|página|netz)(?!\p{L})/iu;
/** Territories that a page does not leave. */
const EVERYWHERE = /world|welt|monde|mund(?:o|ial)|global|everywhere|universal/iu;

/**
 * What is left open: the territory, where that is a part of the world; else whether the web is meant at all, where the licence
 * names no site and no purpose, and speaks of no web.
 *
 * @returns a sentence; `null` where nothing is left open
 */
export function webUnsaid({ name, line, sites, purposes, territory }: LicenceRecord): string | null {
  const said = `${name ?? ''} ${line ?? ''} ${territory ?? ''}`;
  const where = territory?.trim() ?? '';
  if (where !== '' && !EVERYWHERE.test(where))
    return `It is given for ${where}, and pages are read everywhere: let the holder say that the web is meant.`;
  const isNamed = (sites?.length ?? 0) > 0 || (purposes?.length ?? 0) > 0 || WEB.test(said);
  return isNamed || where !== ''
    ? null
    : 'It says nothing about the web: let the holder say that pages are meant.';
}
