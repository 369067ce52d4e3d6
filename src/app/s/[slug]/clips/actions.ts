'use server';

import { redirect } from 'next/navigation';
import Joi from 'joi';
import { act } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import { gatherSentClip, type SentClipRequest } from '@/server/work/editions/gather-sent-clip';

const IDS = Joi.array<number[]>().items(Joi.number().integer()).max(5000);
/** What was sent, by the number of its upload, and what becomes of the old file. */
type Sent = Pick<SentClipRequest, 'uploadId'> & { readonly isOldTakenOff: boolean };

const SENT = Joi.object<Sent>({
  uploadId: Joi.string().hex().length(32).required(),
  isOldTakenOff: Joi.boolean().required(),
});

/** Puts a clip that was sent into the chosen places of another, in the edition being gathered, and goes there. */
export async function putClip(
  slug: string,
  fromPath: string,
  placementIds: readonly number[],
  sent: Sent,
): Promise<Problem> {
  const site = await siteBySlug(slug);
  const outcome = await act(async (db, actor) =>
    gatherSentClip(db, actor, {
      ...{ siteId: site.id, fromPath, placementIds: Joi.attempt(placementIds, IDS) as number[] },
      ...(Joi.attempt(sent, SENT) as Sent),
    }),
  );
  if (!outcome.ok) return outcome.problem;
  redirect(`/s/${slug}/editions/${outcome.value}`);
}
