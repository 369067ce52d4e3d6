'use server';

import { act, type Outcome } from '@/app/_data/act';
import { currentActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import { gatherWords, type WordsOfPlaces } from '@/server/work/words/gather-words';

/** Puts words into the edition. Nothing is loaded again for it: the desk has the next picture before it is done. */
export async function keepWords(
  slug: string,
  places: readonly WordsOfPlaces[],
): Promise<Outcome<{ edition: number | null; places: number }>> {
  // Being sent to the sign-in page would take away what is typed and not yet kept.
  if (!(await currentActor())) return { ok: false, problem: SIGNED_OUT };
  const site = await siteBySlug(slug);
  return act((db, actor) => gatherWords(db, actor, site.id, places));
}

const SIGNED_OUT: Problem = {
  code: 'SIGNED_OUT',
  what: 'These words were not added to the edition.',
  why: 'You are no longer signed in.',
  remedy: 'Sign in again in another tab, then keep them here once more: they are still typed.',
};
