/** Credits that are written as they are: with a title first, with a sign, or with a word for the picture. */
const STANDS_ALONE = /^(?:“|©|\(c\)|photo|picture|image|foto|bild|©)/iu;

/**
 * A caption with a credit behind it; the credit alone where there is no caption.
 *
 * @param wanted the credit as one would write it
 */
export function withCredit(caption: string | null, wanted: string): string {
  const credit = STANDS_ALONE.test(wanted) || /[,/]/u.test(wanted) ? wanted : `Photo: ${wanted}`;
  const said =
    caption
      ?.trim()
      .replace(/[.;,:–-]+$/u, '')
      .trim() ?? '';
  return said === '' ? credit : `${said}. ${credit}`;
}
