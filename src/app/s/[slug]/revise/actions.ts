'use server';

import { redirect } from 'next/navigation';
import { act, type Outcome } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import type { Revision } from '@/core/revision/steps';
import { keepRevision, type KeptRevision } from '@/server/work/revisions/keep-revision';
import type { RevisedSubject } from '@/server/work/revisions/open-revision';
import { weighRevision, type Weight } from '@/server/work/revisions/weigh-revision';

/** What the picture would come to. */
export async function weigh(
  slug: string,
  subject: RevisedSubject,
  revision: Revision,
): Promise<Outcome<Weight>> {
  const site = await siteBySlug(slug);
  return act((db, actor) => weighRevision(db, actor, { siteId: site.id, subject, revision }));
}

/** Keeps the picture, and goes on: to its edition, to the swap desk that it was opened from, or to the intake. */
export async function keep(
  slug: string,
  request: Omit<KeptRevision, 'siteId'>,
  swap: number | null,
): Promise<Problem> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => keepRevision(db, actor, { ...request, siteId: site.id }));
  if (!outcome.ok) return outcome.problem;
  const { id, edition } = outcome.value;
  if (edition !== null) redirect(`/s/${slug}/editions/${edition}`);
  redirect(swap === null ? `/s/${slug}/intake` : `/s/${slug}/pictures/${swap}/swap?with=${id}`);
}
