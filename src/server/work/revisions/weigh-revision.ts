import { EDITORS } from '@/core/edition/edition-state';
import type { Revision } from '@/core/revision/steps';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { makeRevision } from '../../imaging/make-revision';
import Joi from 'joi';
import { openRevision, type RevisedSubject } from './open-revision';
import { REVISION } from './revision-input';

export interface Weight {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Without what the file says of itself, which is some kilobytes. */
  readonly sizeBytes: number;
  readonly format: string;
}

/**
 * What a revision would come to, before it is kept: it is made, and thrown away.
 *
 * @throws ProblemError `REVISION_INPUT`, or as `openRevision`
 */
export async function weighRevision(
  db: Database,
  actor: Actor,
  { siteId, subject, revision }: { readonly siteId: number; readonly subject: RevisedSubject; readonly revision: Revision }, // oxfmt-ignore
): Promise<Weight> {
  requireRole(actor, EDITORS, 'correct pictures');
  const told = { code: 'REVISION_INPUT', what: 'The size was not worked out.' };
  const input = checkedInput(Joi.object<{ revision: Revision }>({ revision: REVISION.required() }), { revision }, told); // oxfmt-ignore
  const { original } = await openRevision(db, siteId, subject);
  const { bytes, format, widthPx, heightPx } = await makeRevision(original, input.revision);
  return { sizeBytes: bytes.length, format, widthPx, heightPx };
}
