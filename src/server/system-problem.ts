/** What the operating system means when it refuses something, in words, with what to do. */
import { ProblemError } from './problem-error';

interface Refusal {
  readonly why: string;
  readonly remedy: string;
}

/** By the system's own code (POSIX errno). */
const REFUSALS: Readonly<Record<string, Refusal>> = {
  EACCES: {
    why: 'The system does not let Ibidem do it: the folder or the file has no right for its user.',
    remedy: 'Give that user the right to write there, then try again.',
  },
  EPERM: {
    why: 'The system forbids it: the file is protected, or belongs to another user.',
    remedy: 'Take the protection away or give the file to Ibidem’s user, then try again.',
  },
  EROFS: {
    why: 'The disk is mounted for reading only.',
    remedy: 'Mount it for writing, then try again.',
  },
  ENOSPC: {
    why: 'The disk is full.',
    remedy: 'Make room on it, then try again.',
  },
  EDQUOT: {
    why: 'The quota of Ibidem’s user on that disk is used up.',
    remedy: 'Make room or raise the quota, then try again.',
  },
  EMFILE: {
    why: 'Too many files are open at once.',
    remedy: 'Try again in a moment; raise the limit of open files if it stays.',
  },
  EIO: {
    why: 'The disk does not answer rightly.',
    remedy: 'Have the disk looked at before anything else is written.',
  },
  ENAMETOOLONG: {
    why: 'The name is longer than the disk allows.',
    remedy: 'Give the file a shorter name.',
  },
  ENOENT: {
    why: 'It is not there any more.',
    remedy: 'Survey the site again.',
  },
  EISDIR: {
    why: 'There is a folder of that name.',
    remedy: 'Move the folder, or choose another name.',
  },
  EEXIST: {
    why: 'There is something of that name already.',
    remedy: 'Move it away, then try again.',
  },
  ENOTDIR: {
    why: 'One of the folders on the way to it is a file.',
    remedy: 'Survey the site again.',
  },
  ELOOP: {
    why: 'Links on the way to it lead in a circle.',
    remedy: 'Take the links out of the site’s folder.',
  },
};

function refusalOf(error: unknown): (Refusal & { readonly code: string }) | null {
  const code = (error as NodeJS.ErrnoException | null)?.code;
  const refusal = typeof code === 'string' ? REFUSALS[code] : undefined;
  return code !== undefined && refusal ? { ...refusal, code } : null;
}

/** Why the system refused, in one sentence; the error's own words where it is none of the system's. */
export function systemReason(error: unknown): string {
  return refusalOf(error)?.why ?? (error instanceof Error ? error.message : String(error));
}

/**
 * A refusal by the system as a problem that names the file; another error as it is.
 *
 * @param deed what was to be done with it: `read`, `written`, `removed`
 */
export function systemProblem(error: unknown, path: string, deed: string): unknown {
  if (error instanceof Error && error.name === 'AbortError') {
    return new ProblemError({
      code: 'DISK_SLOW',
      what: `${path} was not ${deed}.`,
      why: 'The disk did not give it in a minute.',
      remedy: 'Look whether the disk is still connected, then try again.',
    });
  }
  const refusal = refusalOf(error);
  if (!refusal) return error;
  const { code, why, remedy } = refusal;
  return new ProblemError(
    { code: `SYSTEM_${code}`, what: `${path} was not ${deed}.`, why: `${why} (${code})`, remedy },
    { cause: error },
  );
}
