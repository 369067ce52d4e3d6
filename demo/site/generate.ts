/** Writes the demo site into a folder: pages in their encodings, style sheets, pictures, and the answer key beside it. */
import { mkdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { encodeText } from '@/core/source/encode-text';
import { ANSWERS } from './answers';
import { FAULT_PAGES } from './faults';
import { GROWN_PAGES } from './growth';
import { SHEETS } from './layouts';
import { LEFTOVER_PAGES } from './leftovers';
import { PAGES } from './pages';
import { drawPictures } from './pictures';
import { scaleAsWave } from './sounds';
import { WORD_FAULT_PAGES } from './word-faults';

/** The web app manifest that every responsive page links. */
const MANIFEST = {
  name: 'Ferndrake Community Music School',
  icons: [{ src: 'img/logo.png', sizes: '120x120', type: 'image/png' }],
};

/** The bytes of every page, style sheet and sound, by path. */
export function textFiles(): Map<string, Uint8Array> {
  const files = new Map<string, Uint8Array>();
  for (const { path, encoding, source } of [
    ...PAGES,
    ...GROWN_PAGES,
    ...LEFTOVER_PAGES,
    ...FAULT_PAGES,
    ...WORD_FAULT_PAGES,
  ]) {
    const bytes = encodeText(source, encoding);
    if (!bytes) throw new Error(`${path} holds a character that ${encoding} does not know`);
    files.set(path, bytes);
  }
  for (const [path, source] of Object.entries(SHEETS)) files.set(path, new TextEncoder().encode(source));
  files.set('site.webmanifest', new TextEncoder().encode(`${JSON.stringify(MANIFEST, null, 2)}\n`));
  files.set('recordings/sound/scale.wav', scaleAsWave());
  return files;
}

/**
 * Writes the whole site; `answersFile` gets the answer key as JSON.
 *
 * @param isWanted which pictures are drawn; all of them where it is left out
 */
export async function generateSite(
  folder: string,
  answersFile: string,
  isWanted?: (path: string) => boolean,
): Promise<void> {
  for (const [path, bytes] of textFiles()) {
    const target = join(folder, path);
    await mkdir(dirname(target), { recursive: true });
    await writeFile(target, bytes);
  }
  await drawPictures(folder, isWanted);
  await writeFile(answersFile, `${JSON.stringify(ANSWERS, null, 2)}\n`);
}
