'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import Joi from 'joi';
import { act } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import { gatherRefit } from '@/server/work/editions/gather-refit';
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

/** Puts the pictures of a page that are too heavy into the edition in the sizes that their places need, and goes there. */
export async function makeLighter(slug: string, page: string): Promise<Problem> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => gatherRefit(db, actor, site.id, { page }));
  if (!outcome.ok) return outcome.problem;
  redirect(`/s/${slug}/editions/${outcome.value}`);
}
