'use server';

import { redirect } from 'next/navigation';
import { act } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import { gatherPairs, type Pair } from '@/server/work/editions/gather-pairs';

/** Puts the pairs into the edition being gathered, and goes there. */
export async function putPairs(slug: string, pairs: readonly Pair[]): Promise<Problem> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => gatherPairs(db, actor, site.id, pairs));
  if (!outcome.ok) return outcome.problem;
  redirect(`/s/${slug}/editions/${outcome.value}`);
}
