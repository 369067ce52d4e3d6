/**
 * Pages that nobody here wrote, with a `picture` put around every `img` that may get one: a browser lays every `img` of the
 * page out in the same box, to a pixel, and still shows its picture.
 */
import { readFileSync } from 'node:fs';
import { mkdir, readdir, readFile, rm, symlink, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { siteOfFiles, urlOfPath } from '@/core/address/resolve-address';
import { spliceText } from '@/core/edit/splice-text';
import { readTree } from '@/core/markup/page-tree';
import { sheetText } from '@/core/markup/place-styles';
import { baseOf, readPage } from '@/core/markup/read-page';
import { decodeSource } from '@/core/source/decode-source';
import { wrapEdits, wrapOf } from '@/core/swap/format-beside';
import { apart, boxes } from './box-of-images';

export interface WrapsSeen {
  /** Images that may get a second format, of all, and those of them that stand where they stood. */
  images: number;
  wrapped: number;
  same: number;
}

const rules = siteOfFiles();

/**
 * @param site folder of a site
 * @param path of one of its pages
 * @param copy folder that may be written to
 */
export async function compareWraps(
  page: Page,
  { site, path, copy, seen }: { site: string; path: string; copy: string; seen: WrapsSeen },
): Promise<void> {
  const bytes = await readFile(join(site, path));
  const source = decodeSource(path, bytes);
  const tree = readTree(source);
  const styled = { tree, base: baseOf(tree, urlOfPath(path, rules)), site: rules, sheetOf: sheetsIn(site) };
  const { placements } = readPage({ address: path, source, site: rules, sheetOf: () => undefined });
  const images = placements.filter(({ kind }) => kind === 'img');
  const wraps = images.flatMap((place) => {
    const found = wrapOf(place, styled);
    if (!('wrap' in found)) return [];
    return wrapEdits(source.text, found.wrap, `<source type="image/png" srcset="${place.raw}">`);
  });
  seen.images += images.length;
  seen.wrapped += wraps.length / 2;
  if (wraps.length === 0) return;
  const text = spliceText(
    source.text,
    wraps.toSorted((a, b) => a.start - b.start),
  );
  if (text === null) throw new Error(`${path}: wraps overlap`);
  const before = await boxes(page, join(site, path));
  const written = await besideTheSite(copy, {
    site,
    path,
    bytes: Buffer.from(text, encodingOf(source.encoding)),
  });
  const after = await boxes(page, written);
  if (before.length !== after.length)
    throw new Error(`${path}: ${before.length} images became ${after.length}`);
  const moved = before.filter((box, n) => {
    const is = after[n];
    return !is || apart(box, is) > 1 || is.file !== box.file || is.isLoaded !== box.isLoaded;
  });
  for (const box of moved)
    process.stderr.write(`${path}: ${JSON.stringify(box)} is elsewhere in a picture\n`);
  seen.same += Math.max(0, wraps.length / 2 - moved.length);
}

const encodingOf = (encoding: string): BufferEncoding => (encoding === 'utf-8' ? 'utf8' : 'latin1');

function sheetsIn(site: string) {
  return (path: string) => {
    try {
      const source = decodeSource(path, readFileSync(join(site, path)));
      return sheetText(path, urlOfPath(path, rules), source);
    } catch {
      // A sheet that is not there: the page's styles are not whole.
      return undefined;
    }
  };
}

/** Writes one page of a site into a copy of it that is links to everything else; gives its path. */
async function besideTheSite(
  copy: string,
  { site, path, bytes }: { readonly site: string; readonly path: string; readonly bytes: Uint8Array },
): Promise<string> {
  await rm(copy, { recursive: true, force: true });
  const parts = path.split('/');
  let [from, to] = [site, copy];
  await mkdir(to, { recursive: true });
  for (const part of parts) {
    for (const name of await readdir(from))
      if (name !== part) await symlink(join(from, name), join(to, name));
    [from, to] = [join(from, part), join(to, part)];
    if (part !== parts.at(-1)) await mkdir(to);
  }
  await writeFile(to, bytes);
  return to;
}
