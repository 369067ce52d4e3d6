/**
 * Which folders may be connected as sites. The installation names roots; what belongs to the system or to Ibidem itself
 * is refused even below them, unless a root names it or something within it.
 */
import { realpath } from 'node:fs/promises';
import { resolve } from 'node:path';
import { ProblemError } from '../../problem-error';
import { isInside } from './place-in-folder';

/** Folders of the system (Filesystem Hierarchy Standard 3.0): no site lies there, and much that is nobody's business. */
const SYSTEM = [
  ...[
    '/proc',
    '/sys',
    '/dev',
    '/run',
    '/boot',
    '/etc',
    '/bin',
    '/sbin',
    '/lib',
    '/lib64',
    '/usr/bin',
    '/usr/sbin',
  ],
  ...[
    '/usr/lib',
    '/usr/libexec',
    '/usr/include',
    '/var/lib',
    '/var/log',
    '/var/cache',
    '/var/spool',
    '/var/backups',
  ],
];

export interface FolderRules {
  /** Absolute paths below which sites may lie. */
  readonly roots: readonly string[];
  /** Folders that Ibidem keeps for itself. */
  readonly own: readonly string[];
}

/**
 * @param folder as somebody typed it; where it leads to through links is what is judged
 * @throws ProblemError `FOLDER_NOT_ALLOWED`
 */
export async function refuseForbidden(folder: string, { roots, own }: FolderRules): Promise<void> {
  const place = await real(folder);
  const allowed = await Promise.all(roots.map(real));
  const root = allowed.filter((known) => isBelow(known, place)).sort((a, b) => b.length - a.length)[0];
  if (root === undefined) {
    throw refusal(
      folder,
      roots.length === 0
        ? 'This installation names no folder whose sites may be connected.'
        : `This installation lets folders below ${roots.join(', ')} be connected, and no others.`,
    );
  }
  const kept = [...SYSTEM, ...(await Promise.all(own.map(real)))];
  const inside = kept.find((one) => isBelow(one, place) && !isBelow(one, root));
  if (inside !== undefined) throw refusal(folder, `It lies in ${inside}, where no site lies.`);
  const within = kept.find((one) => isBelow(place, one) && one !== place);
  if (within !== undefined && !allowed.includes(place))
    throw refusal(folder, `It holds ${within}, which belongs to the system or to Ibidem itself.`);
}

const real = (path: string): Promise<string> => realpath(path).catch(() => resolve(path));

const isBelow = (root: string, place: string): boolean => root === '/' || isInside(root, place);

function refusal(folder: string, why: string): ProblemError {
  return new ProblemError({
    code: 'FOLDER_NOT_ALLOWED',
    what: `${folder} was not connected.`,
    why,
    remedy: 'Whoever runs Ibidem can name its folder in IBIDEM_SITE_ROOTS; or send the site as a ZIP.',
  });
}
