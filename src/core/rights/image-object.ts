/** What is recorded of a picture, as search engines read it on a page. */
import type { MetadataOut } from './metadata-out';

/** A picture as schema.org describes one (https://schema.org/ImageObject); absent where nothing is recorded. */
export interface ImageObject {
  readonly '@type': 'ImageObject';
  readonly contentUrl: string;
  readonly name?: string;
  readonly creator?: readonly { readonly '@type': 'Person'; readonly name: string }[];
  readonly creditText?: string;
  readonly copyrightNotice?: string;
  /** Address of the licence’s text. */
  readonly license?: string;
  /** Where one asks for it: the address at which it was found. */
  readonly acquireLicensePage?: string;
}

/**
 * @param contentUrl address of the file, whole
 * @param said as `metadataOut` gives it
 * @returns `null` where nothing of it can be said in this way
 */
export function imageObject(contentUrl: string, said: MetadataOut): ImageObject | null {
  const object = {
    name: said.title,
    creator: said.creators?.map((name) => ({ '@type': 'Person', name })),
    creditText: said.credit,
    copyrightNotice: said.copyrightNotice,
    license: said.licence ?? said.webStatement,
    acquireLicensePage: said.attributionUrl,
  };
  const told = Object.entries(object).filter(([, value]) => value !== undefined);
  if (told.every(([name]) => name === 'name')) return null;
  return { '@type': 'ImageObject', contentUrl, ...Object.fromEntries(told) };
}
