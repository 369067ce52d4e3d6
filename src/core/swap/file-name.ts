/** Names for new files: from a title or an old name, in letters that need no escape in any address. */

/** A name of lower-case letters, digits and `-`, at most 60 long; `picture` where nothing is left. */
export function slugOf(text: string): string {
  const plain = text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replaceAll('ß', 'ss')
    .replace(/[øØ]/g, 'o')
    .replace(/[æÆ]/g, 'ae')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return plain.slice(0, 60).replace(/-+$/, '') || 'picture';
}

/** The stem of a file name as a slug: `IMG 2041.JPG` gives `img-2041`. */
export function slugOfFile(name: string): string {
  return slugOf((name.split(/[\\/]/).at(-1) ?? name).replace(/\.[^.]*$/, ''));
}

/** The folder part of a path, with its final `/`; empty at the root. */
export function folderOf(path: string): string {
  return path.slice(0, path.lastIndexOf('/') + 1);
}

/** The first of `name.ext`, `name-2.ext`, … that `isTaken` does not know. */
export function freeName(stem: string, extension: string, isTaken: (name: string) => boolean): string {
  for (let n = 1; ; n++) {
    const name = `${stem}${n === 1 ? '' : `-${n}`}.${extension}`;
    if (!isTaken(name)) return name;
  }
}
