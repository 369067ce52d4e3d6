'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import { dropRemoval } from '@/server/work/editions/gather-removal';
import { leavePlaces } from '@/server/work/editions/gather-take-off';
import { dropChange } from '@/server/work/editions/gather-swap';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { settleByHand, tryUndoingAgain } from '@/server/work/editions/settle-publication';

export async function publish(slug: string, editionId: number): Promise<Problem | null> {
  const outcome = await act((db, actor) => publishEdition(db, actor, editionId));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function withdraw(slug: string, editionId: number): Promise<Problem | null> {
  const outcome = await act((db, actor) => withdrawEdition(db, actor, editionId));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function takeOut(slug: string, changeId: number): Promise<Problem | null> {
  const outcome = await act((db, actor) => dropChange(db, actor, changeId));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function leaveThere(
  slug: string,
  siteId: number,
  spots: readonly { readonly source: string; readonly start: number }[],
): Promise<Problem | null> {
  const outcome = await act((db, actor) => leavePlaces(db, actor, siteId, spots));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function keepFile(slug: string, removalId: number): Promise<Problem | null> {
  const outcome = await act((db, actor) => dropRemoval(db, actor, removalId));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function undoAgain(slug: string, editionId: number): Promise<Problem | null> {
  const outcome = await act((db, actor) => tryUndoingAgain(db, actor, editionId));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function settle(slug: string, editionId: number): Promise<Problem | null> {
  const outcome = await act((db, actor) => settleByHand(db, actor, editionId));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}
