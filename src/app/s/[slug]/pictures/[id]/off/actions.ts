'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import { gatherTakeOff } from '@/server/work/editions/gather-take-off';

/** Puts places that a picture leaves into the edition being gathered; gives its number, or what speaks against it. */
export async function takeOffPages(
  slug: string,
  siteId: number,
  placementIds: readonly number[],
  files: readonly string[],
): Promise<{ readonly edition: number } | { readonly problem: Problem }> {
  const outcome = await act((db, actor) =>
    gatherTakeOff(db, actor, { siteId, placementIds, files, mustGo: false }),
  );
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? { edition: outcome.value } : { problem: outcome.problem };
}
