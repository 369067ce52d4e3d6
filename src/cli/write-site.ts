import { mkdir, readdir, symlink, writeFile } from 'node:fs/promises';
import { dirname, isAbsolute, join, relative, resolve, sep } from 'node:path';
import type { ReadableConnection, SiteLink } from '@/server/connections/connection';
import { ProblemError } from '@/server/problem-error';
import { say } from './rows';

/**
 * Writes a site with some files changed or added into a new folder. Files that its server failed to give are named and left out.
 *
 * @param changed new bytes by path
 * @throws ProblemError `OUT_NOT_EMPTY` where the folder holds something already, `OUT_INSIDE` where it lies in the site
 */
export async function writeSite(
  site: { readonly connection: ReadableConnection; readonly place: string },
  changed: ReadonlyMap<string, Uint8Array>,
  out: string,
): Promise<void> {
  await checkOut(site.place, out);
  const { files, links = [] } = await site.connection.list();
  const own = files.filter(({ sameAs, problem }) => sameAs === undefined && problem === undefined);
  for (const { path, problem } of files) if (problem !== undefined) say(`${path} is left out: ${problem}`);
  const paths = [...new Set([...own.map(({ path }) => path), ...changed.keys()])];
  const folders = new Set<string>();
  const writeOne = async (path: string) => {
    const target = join(out, path);
    if (!folders.has(dirname(target))) {
      await mkdir(dirname(target), { recursive: true });
      folders.add(dirname(target));
    }
    await writeFile(target, changed.get(path) ?? (await site.connection.read(path)));
  };
  // The folder is new and nobody reads it yet: whole files side by side, without the care that a live site needs.
  for (let from = 0; from < paths.length; from += AT_ONCE) {
    await Promise.all(paths.slice(from, from + AT_ONCE).map(writeOne));
  }
  for (const link of links) await writeLink(out, link);
}

/** What stood under a second address still does; a link behind another link comes along with that. */
async function writeLink(out: string, { path, leadsTo }: SiteLink): Promise<void> {
  const place = join(out, path);
  await mkdir(dirname(place), { recursive: true });
  await symlink(relative(dirname(place), join(out, leadsTo)), place).catch((error: unknown) => {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
  });
}

const AT_ONCE = 16;

async function checkOut(place: string, out: string): Promise<void> {
  const inside = relative(resolve(place), resolve(out));
  if (!inside.startsWith('..') && !isAbsolute(inside)) {
    throw new ProblemError({
      code: 'OUT_INSIDE',
      what: `${out} was not written.`,
      why: inside === '' ? 'It is the site itself.' : `It lies inside the site (${join(place, sep)}).`,
      remedy: 'Choose a folder beside the site.',
    });
  }
  const there = await readdir(out).catch(() => []);
  if (there.length > 0) {
    throw new ProblemError({
      code: 'OUT_NOT_EMPTY',
      what: `${out} was not written.`,
      why: `It holds ${there.length} entries already, and mixing two sites would lose one of them.`,
      remedy: 'Choose a new or an empty folder.',
    });
  }
}
