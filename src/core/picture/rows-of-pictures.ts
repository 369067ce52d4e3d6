/** What the files and rows of a whole site tell of a picture: samples that are numbered, photographs beside a sign. */

/** Less of a picture in its two commonest tones is a photograph. */
const PHOTO = 0.5;

/** A name that ends with a number: its folder and stem, as one key; `null` where it does not. */
function numberedStem(path: string): string | null {
  const [, stem] = /^(.*?\D)[-_ ]?\d{1,3}\.\w+$/u.exec(path) ?? [];
  return stem ? stem.replace(/[-_ ]$/u, '').toLowerCase() : null;
}

/** Tells of a path how many other files of the site have its name with another number. */
export function numberedBeside(paths: Iterable<string>): (path: string) => number {
  const counts = new Map<string, number>();
  for (const path of paths) {
    const stem = numberedStem(path);
    if (stem !== null) counts.set(stem, (counts.get(stem) ?? 0) + 1);
  }
  return (path) => Math.max(0, (counts.get(numberedStem(path) ?? '') ?? 0) - 1);
}

/** A picture in a row of a page. */
export interface InRow {
  readonly path: string;
  /** Page and path of the row. */
  readonly row: string;
}

/**
 * Tells of a path which share of the other pictures of its rows are photographs, the largest of its rows; 0 where it
 * stands in none.
 *
 * @param emptinessOf of each path; `undefined` where a file is not there
 */
export function photosBeside(
  places: Iterable<InRow>,
  emptinessOf: (path: string) => number | undefined,
): (path: string) => number {
  const rows = new Map<string, string[]>();
  for (const { path, row } of places) {
    const others = rows.get(row);
    if (others) others.push(path);
    else rows.set(row, [path]);
  }
  const shares = new Map<string, number>();
  for (const paths of rows.values()) {
    const known = paths.flatMap((path) => {
      const emptiness = emptinessOf(path);
      return emptiness === undefined ? [] : [{ path, isPhoto: emptiness < PHOTO }];
    });
    const photos = known.filter(({ isPhoto }) => isPhoto).length;
    for (const { path, isPhoto } of known) {
      const others = known.length - 1;
      const share = others > 0 ? (photos - (isPhoto ? 1 : 0)) / others : 0;
      shares.set(path, Math.max(shares.get(path) ?? 0, share));
    }
  }
  return (path) => shares.get(path) ?? 0;
}
