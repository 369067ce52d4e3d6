/**
 * Lists a folder as a site. A link that stays inside is followed, and what lies behind it is known to be the same file
 * under a second address; one that leads out is left out and told.
 */
import type { Dirent, Stats } from 'node:fs';
import { readdir, realpath, stat } from 'node:fs/promises';
import { join, relative, sep } from 'node:path';
import { systemReason } from '../../system-problem';
import type { SiteFile, SiteLink, SiteListing, SkippedEntry } from '../connection';
import { isInside, nameOf, type DiskPlace } from './place-in-folder';
import { isBeingWritten } from './write-whole';

const LEFT_OUT = new Set(['.git', '.svn', '.hg', 'node_modules']);
/** Folders of folders that link to each other could be listed without end. */
const MAX_BEHIND_LINKS = 20_000;

interface OpenFolder {
  /** Path within the site, empty for its root. */
  readonly path: string;
  readonly place: DiskPlace;
  /** Real places of the folders on the way to it, itself included. */
  readonly way: readonly string[];
  readonly isBehindLink: boolean;
}

/** Everything in a folder; what is gone again before it was looked at is told, and stops nothing. */
export async function listFolder(
  root: string,
): Promise<SiteListing & { readonly unfinished: readonly string[] }> {
  const listing = new Listing(root);
  await listing.run();
  const { files, skipped, links, unfinished } = listing;
  files.sort((a, b) => (a.path < b.path ? -1 : 1));
  return { files, skipped, links, unfinished };
}

class Listing {
  readonly files: SiteFile[] = [];
  readonly skipped: SkippedEntry[] = [];
  readonly links: SiteLink[] = [];
  /** Paths of files that a run began to write and never came back to. */
  readonly unfinished: string[] = [];
  private readonly open: OpenFolder[];
  private behindLinks = 0;
  /** What lies behind links has many paths, and is looked at once: by its real place. */
  private readonly entriesOf = onceFor(entriesIn);
  private readonly leadsTo = onceFor((link) => realpath(link).catch(() => null));
  private readonly infoOf = onceFor((place) => stat(place));

  constructor(private readonly root: string) {
    this.open = [{ path: '', place: root, way: [root], isBehindLink: false }];
  }

  async run(): Promise<void> {
    for (let folder = this.open.pop(); folder; folder = this.open.pop()) {
      if (folder.isBehindLink && this.isFull(folder.path)) continue;
      try {
        const entries = await (folder.isBehindLink ? this.entriesOf : entriesIn)(folder.place);
        for (const entry of entries) await this.take(folder, entry);
      } catch (error) {
        this.skip(folder.path, `the folder can’t be listed: ${systemReason(error)}`);
      }
    }
  }

  private skip(path: string, reason: string): void {
    this.skipped.push({ path, reason });
  }

  private async take(folder: OpenFolder, entry: Dirent<Buffer>): Promise<void> {
    const { name, isText } = nameOf(entry.name);
    const path = folder.path ? `${folder.path}/${name}` : name;
    if (isBeingWritten(name)) {
      this.unfinished.push(path);
      return;
    }
    if ((entry.isDirectory() || entry.isSymbolicLink()) && LEFT_OUT.has(name)) return;
    const place =
      isText && typeof folder.place === 'string'
        ? join(folder.place, name)
        : joined(folder.place, entry.name);
    try {
      if (entry.isSymbolicLink()) await this.follow(folder, path, place);
      else if (entry.isDirectory()) this.enter(folder, path, place);
      else if (entry.isFile())
        this.add(folder, { path, place, info: await (folder.isBehindLink ? this.infoOf : stat)(place) });
      else this.skip(path, 'neither a file nor a folder');
    } catch (error) {
      // Gone since the folder was listed, or not to be looked at: the rest of the site is.
      this.skip(path, systemReason(error));
    }
  }

  private enter(folder: OpenFolder, path: string, place: DiskPlace): void {
    this.open.push({ ...folder, path, place, way: [...folder.way, place.toString()] });
  }

  private async follow(folder: OpenFolder, path: string, link: DiskPlace): Promise<void> {
    const place = await this.leadsTo(link);
    if (place === null || !isInside(this.root, place)) {
      this.skip(path, 'a link that leads nowhere or out of the site');
      return;
    }
    const info = await this.infoOf(place);
    if (info.isDirectory()) {
      if (folder.way.some((around) => isInside(place, around))) {
        this.skip(path, 'a link to a folder that contains it');
        return;
      }
      this.links.push({ path, leadsTo: this.pathOf(place) });
      this.open.push({ path, place, way: [...folder.way, place], isBehindLink: true });
    } else if (info.isFile()) {
      this.links.push({ path, leadsTo: this.pathOf(place) });
      this.add({ ...folder, isBehindLink: true }, { path, place, info });
    } else this.skip(path, 'neither a file nor a folder');
  }

  /** Counts one more behind a link; told once when there are too many. */
  private isFull(path: string): boolean {
    if (++this.behindLinks === MAX_BEHIND_LINKS + 1)
      this.skip(path, 'no more is listed behind links from here on');
    return this.behindLinks > MAX_BEHIND_LINKS;
  }

  private add(
    folder: OpenFolder,
    { path, place, info }: { path: string; place: DiskPlace; info: Stats },
  ): void {
    if (folder.isBehindLink && this.isFull(path)) return;
    const { size, mtimeMs, ctimeMs, ino } = info;
    this.files.push({
      path,
      sizeBytes: size,
      modifiedMs: mtimeMs,
      // The kernel's own change time can't be set back, and a file put in another's place has another number.
      mark: `${size} ${mtimeMs} ${ctimeMs} ${ino}`,
      ...(folder.isBehindLink ? { sameAs: this.pathOf(place.toString()) } : {}),
    });
  }

  private pathOf(place: string): string {
    return relative(this.root, place).split(sep).join('/');
  }
}

const entriesIn = (place: DiskPlace) => readdir(place, { withFileTypes: true, encoding: 'buffer' });

/** The same answer as `look` gives, looked for once at each place; a name that is no text has one path only. */
function onceFor<T>(look: (place: DiskPlace) => Promise<T>): (place: DiskPlace) => Promise<T> {
  const known = new Map<string, Promise<T>>();
  return (place) => {
    if (typeof place !== 'string') return look(place);
    const before = known.get(place);
    if (before) return before;
    const answer = look(place);
    known.set(place, answer);
    return answer;
  };
}

function joined(folder: DiskPlace, name: Buffer): Buffer {
  return Buffer.concat([
    Buffer.isBuffer(folder) ? folder : Buffer.from(folder, 'utf8'),
    Buffer.from(sep),
    name,
  ]);
}
