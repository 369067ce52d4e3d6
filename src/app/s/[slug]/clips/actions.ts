'use server';

import { redirect } from 'next/navigation';
import Joi from 'joi';
import { act } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import { gatherClip } from '@/server/work/editions/gather-clip';

const IDS = Joi.array<number[]>().items(Joi.number().integer()).max(5000);

/** Puts the file of a form into the chosen places of a clip, in the edition being gathered, and goes there. */
export async function putClip(
  slug: string,
  fromPath: string,
  placementIds: readonly number[],
  form: FormData,
): Promise<Problem> {
  const site = await siteBySlug(slug);
  const file = form.get('clip');
  const outcome = await act(async (db, actor) =>
    gatherClip(db, actor, {
      ...{ siteId: site.id, fromPath, placementIds: Joi.attempt(placementIds, IDS) as number[] },
      fileName: file instanceof File ? file.name : '',
      bytes: file instanceof File ? new Uint8Array(await file.arrayBuffer()) : new Uint8Array(),
    }),
  );
  if (!outcome.ok) return outcome.problem;
  redirect(`/s/${slug}/editions/${outcome.value}`);
}
