/** What rules may ask of a picture before anybody has opened it. */
import { unknownPicture, type PictureFacts } from './page-to-check';

/** Thrown where a rule asks what only a picture's bytes can tell. */
export class AsksForBytes extends Error {
  constructor(readonly field: string) {
    super(`what is known of the picture’s ${field} takes its bytes`);
  }
}

/** What the list of a site's files tells of one that is there. */
export type ListedPicture = Pick<PictureFacts, 'path' | 'sizeBytes'>;

/**
 * A picture that is there, and of which no more is known than the list of files tells. It answers whether a rule needs to
 * know more: asking for anything else throws `AsksForBytes`. As long as nothing is thrown, a rule finds the same as if all
 * were known.
 */
export function unopenedPicture(listed: ListedPicture): PictureFacts {
  const facts = { ...unknownPicture(listed.path), ...listed };
  // What an erratum weighs is asked of every one, and is no part of what the rule says.
  const told = new Set(['isThere', 'near', 'overdue', ...Object.keys(listed)]);
  for (const field of Object.keys(facts).filter((name) => !told.has(name)))
    Object.defineProperty(facts, field, {
      enumerable: true,
      get: () => {
        throw new AsksForBytes(field);
      },
    });
  return facts;
}
