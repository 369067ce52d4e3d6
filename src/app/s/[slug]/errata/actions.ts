'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import { letStand, standNoLonger, type StetInput } from '@/server/work/errata/let-stand';

export async function keepStanding(slug: string, input: StetInput): Promise<Problem | null> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => letStand(db, actor, site.id, input));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function stopStanding(slug: string, id: number): Promise<Problem | null> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => standNoLonger(db, actor, site.id, id));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}
