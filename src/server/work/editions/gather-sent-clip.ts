import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { requireRole, type Actor } from '../../accounts/actor';
import { EDITORS } from '@/core/edition/edition-state';
import type { Database } from '../../db/database';
import { ProblemError } from '../../problem-error';
import { forgetSentClip, sentClip } from '../intake/uploads';
import { uploadsFolder } from '../intake/uploads-folder';
import { gatherClip, type ClipRequest } from './gather-clip';

export interface SentClipRequest extends Omit<ClipRequest, 'fileName' | 'bytes'> {
  /** Number of the upload by which it came. */
  readonly uploadId: string;
}

/**
 * Puts a clip that its sender has sent by pieces into places of another, as `gatherClip`. It can be put in once.
 *
 * @returns the edition's number
 * @throws ProblemError `CLIP_NOT_SENT` where it is not there, or as `gatherClip`: then it can be put in elsewhere
 */
export async function gatherSentClip(
  db: Database,
  actor: Actor,
  { uploadId, ...request }: SentClipRequest,
): Promise<number> {
  requireRole(actor, EDITORS, 'change clips');
  const sent = await sentClip(db, actor, request.siteId, uploadId);
  if (!sent) {
    throw new ProblemError({
      code: 'CLIP_NOT_SENT',
      what: 'The clip was not added.',
      why: 'It has not arrived whole, or was put in already.',
      remedy: 'Choose its file again: it goes on where it was.',
    });
  }
  const bytes = await readFile(/* turbopackIgnore: true */ join(uploadsFolder(), uploadId));
  const edition = await gatherClip(db, actor, { ...request, fileName: sent.fileName, bytes });
  // What dies before this leaves bytes that nobody needs: they go with the next clip that is sent after a day.
  await forgetSentClip(db, uploadId);
  return edition;
}
