'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import { setRuleLevel, type RuleLevelInput } from '@/server/work/errata/set-rule-level';

export async function saveRuleLevel(slug: string, input: RuleLevelInput): Promise<Problem | null> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => setRuleLevel(db, actor, site.id, input));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}
