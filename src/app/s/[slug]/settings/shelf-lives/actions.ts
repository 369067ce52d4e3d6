'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import { saveSchoolYear, saveShelfLife, type ShelfLifeInput } from '@/server/work/pictures/keep-shelf-lives';

export async function keepShelfLife(slug: string, input: ShelfLifeInput): Promise<Problem | null> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => saveShelfLife(db, actor, site.id, input));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function keepSchoolYear(slug: string, month: number): Promise<Problem | null> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => saveSchoolYear(db, actor, site.id, month));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}
