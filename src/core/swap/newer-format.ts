/** A format that not every browser shows, written besides. */
export type NewerFormat = 'webp' | 'avif';

/** What they are called. */
export const FORMAT_NAMES: Readonly<Record<NewerFormat, string>> = { webp: 'WebP', avif: 'AVIF' };

/** How a site's new pictures are written: in the formats of the old ones, or in a newer one besides. */
export type FormatPolicy = 'keep' | NewerFormat;

/** Why a place gets no second format. */
export type NotBeside =
  /** It is no `img` with one address, or something chooses for it already. */
  | 'markup'
  /** A rule of a style sheet would meet other elements than before. */
  | 'rules'
  /** Not every style sheet of the page could be read. */
  | 'sheets';
