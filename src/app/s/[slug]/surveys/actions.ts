'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import { startSurvey } from '@/server/work/start-survey';

export async function surveyNow(slug: string, siteId: number): Promise<Problem | null> {
  const outcome = await act((db, actor) => startSurvey(db, actor, siteId));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}
