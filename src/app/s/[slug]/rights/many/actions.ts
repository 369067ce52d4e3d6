'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import type { PicturesMeant } from '@/server/work/rights/pictures-meant';
import { putRecordsBack, recordMany, type RecordBefore } from '@/server/work/rights/record-many';
import { fieldsSaid } from '../fields-said';

interface Done {
  readonly pictures: number;
  readonly before: readonly RecordBefore[];
}

/** Records the same of many pictures. */
export async function sayOfMany(
  slug: string,
  siteId: number,
  meant: PicturesMeant,
  form: FormData,
): Promise<{ readonly done: Done } | { readonly problem: Problem }> {
  const outcome = await act((db, actor) => recordMany(db, actor, siteId, { ...fieldsSaid(form), meant }));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? { done: outcome.value } : { problem: outcome.problem };
}

/** Puts back what was recorded before. */
export async function takeBackOfMany(
  slug: string,
  siteId: number,
  before: readonly RecordBefore[],
): Promise<Problem | null> {
  const outcome = await act((db, actor) => putRecordsBack(db, actor, siteId, before));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}
