import { mkdir } from 'node:fs/promises';
import { FileStore } from '@tus/file-store';
import { MemoryLocker, Server } from '@tus/server';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../accounts/actor';
import type { Database } from '../db/database';
import { problemOf } from '../problem-error';
import { MAX_ZIP_BYTES } from '../work/intake/intake-limits';
import { beginUpload, isOwnUpload, uploadArrived, type UploadGoal } from '../work/intake/uploads';
import { uploadsFolder } from '../work/intake/uploads-folder';

/** One for all requests: two windows never write to the same upload at once. */
const locker = new MemoryLocker();

interface Uploading {
  readonly siteId: number;
  readonly goal: UploadGoal;
  /** Address of the uploads, without the number of one. */
  readonly path: string;
}

/**
 * Answers a request of the tus protocol: begins an upload, takes a piece of one, or tells how far it has come.
 *
 * @param actor who sends; only their own uploads are known to them
 * @throws ProblemError where they may bring in nothing
 */
export async function answerUpload(
  db: Database,
  actor: Actor,
  { siteId, goal, path }: Uploading,
  request: Request,
): Promise<Response> {
  requireRole(actor, EDITORS, 'bring in pictures');
  const directory = uploadsFolder();
  await mkdir(directory, { recursive: true });
  const server = new Server({
    path,
    relativeLocation: true,
    datastore: new FileStore({ directory }),
    locker,
    allowedOrigins: [],
    maxSize: MAX_ZIP_BYTES,
    onIncomingRequest: async (_, id) => {
      // A new upload has its number from here, and is no one's yet.
      if (request.method === 'POST' || (await isOwnUpload(db, actor, siteId, id))) return;
      throw refusal(404, 'There is no such upload.');
    },
    onUploadCreate: async (_, { id, size, metadata }) => {
      const before = await beginUpload(db, actor, {
        ...{ siteId, goal, id, sizeBytes: size ?? 0 },
        fileName: metadata?.['filename'] ?? '',
        path: metadata?.['path'] ?? '',
        fingerprint: metadata?.['fingerprint'] ?? '',
      }).catch((error: unknown) => {
        const { what, why, remedy } = problemOf(error);
        throw refusal(413, `${what} ${why} ${remedy}`);
      });
      if (before !== null) throw refusal(409, 'This file is on its way already, or here.');
      return { metadata: metadata ?? {} };
    },
    onUploadFinish: async (_, { id }) => {
      await uploadArrived(db, id);
      return {};
    },
  });
  const answer = await server.handleWeb(request);
  if (request.method === 'HEAD' && isWhole(answer.headers)) await finishLate(db, request.url);
  return answer;
}

/** Whether all bytes of the upload that was asked after are there. */
const isWhole = (headers: Headers) =>
  headers.has('upload-length') && headers.get('upload-offset') === headers.get('upload-length');

/** Its last piece came and could not be noted: who asks where it stands is told that it is whole, and sends no more. */
async function finishLate(db: Database, url: string): Promise<void> {
  await uploadArrived(db, new URL(url).pathname.split('/').at(-1) ?? '');
}

/** What the protocol's server answers with when a hook throws it. */
class Refusal extends Error {
  constructor(
    readonly status_code: number,
    readonly body: string,
  ) {
    super(body);
  }
}

const refusal = (status: number, body: string) => new Refusal(status, body);
