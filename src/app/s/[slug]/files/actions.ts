'use server';

import { revalidatePath } from 'next/cache';
import Joi from 'joi';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import { gatherRemovals } from '@/server/work/editions/gather-removal';

const IDS = Joi.array<number[]>().items(Joi.number().integer()).max(5000).required();

/** Puts the marked files into the edition being gathered; gives its number, or what speaks against it. */
export async function takeOff(
  slug: string,
  siteId: number,
  ids: readonly number[],
): Promise<{ readonly edition: number } | { readonly problem: Problem }> {
  const outcome = await act((db, actor) =>
    gatherRemovals(db, actor, siteId, Joi.attempt(ids, IDS) as number[]),
  );
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? { edition: outcome.value } : { problem: outcome.problem };
}
