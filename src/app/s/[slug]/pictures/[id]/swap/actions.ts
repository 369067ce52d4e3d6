'use server';

import { redirect } from 'next/navigation';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import { gatherSwap, type SwapRequest } from '@/server/work/editions/gather-swap';
import { receiveIntake } from '@/server/work/intake/receive-intake';
import { refresh } from 'next/cache';
import { takeFromSite } from '@/server/work/intake/keep-own';

/** Takes a new picture in from the swap desk. */
export async function bringIn(
  siteId: number,
  form: FormData,
): Promise<{ id: number } | { problem: Problem }> {
  const outcome = await act(async (db, actor) => {
    const file = form.get('picture');
    const bytes = file instanceof File ? new Uint8Array(await file.arrayBuffer()) : new Uint8Array();
    return receiveIntake(db, actor, {
      siteId,
      fileName: file instanceof File ? file.name : 'picture',
      bytes,
    });
  });
  if (!outcome.ok) return { problem: outcome.problem };
  refresh();
  return { id: outcome.value };
}

/** Takes a picture that the site has already as the one to put in. */
export async function takeOwn(
  siteId: number,
  fileId: number,
): Promise<{ id: number } | { problem: Problem }> {
  const outcome = await act((db, actor) => takeFromSite(db, actor, siteId, fileId));
  return outcome.ok ? { id: outcome.value } : { problem: outcome.problem };
}

/** Puts the swap into the edition being gathered, and goes there. */
export async function putIntoEdition(slug: string, request: SwapRequest): Promise<Problem> {
  const outcome = await act((db, actor) => gatherSwap(db, actor, request));
  if (!outcome.ok) return outcome.problem;
  redirect(`/s/${slug}/editions/${outcome.value}`);
}
