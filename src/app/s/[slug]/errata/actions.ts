'use server';

import { revalidatePath } from 'next/cache';
import { act, type Outcome } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { WordField } from '@/core/edit/word-edits';
import type { Problem } from '@/core/problem';
import { gatherRefit } from '@/server/work/editions/gather-refit';
import { gatherWords, type WordsOfPlaces } from '@/server/work/words/gather-words';
import { gatherFixes, type GatheredFixes } from '@/server/work/errata/gather-fixes';
import { letStand, standNoLonger, type StetInput } from '@/server/work/errata/let-stand';

export async function keepStanding(slug: string, input: StetInput): Promise<Problem | null> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => letStand(db, actor, site.id, input));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function stopStanding(slug: string, ids: readonly number[]): Promise<Problem | null> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => standNoLonger(db, actor, site.id, ids));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

/** A text for one field of some places. */
interface ProposedText {
  readonly ids: readonly number[];
  readonly field: WordField;
  /** `null` for what the site says. */
  readonly text: string | null;
}

/** Puts proposed texts into the edition, both of a place together where it gets two. */
export async function gatherProposals(
  slug: string,
  texts: readonly ProposedText[],
): Promise<Outcome<{ edition: number | null; places: number }>> {
  const site = await siteBySlug(slug);
  const byPlace = new Map<number, WordsOfPlaces>();
  for (const { ids, field, text } of texts) {
    for (const placementId of ids) {
      const known = byPlace.get(placementId) ?? { ids: [placementId], alt: null, caption: null };
      byPlace.set(placementId, { ...known, [field]: text });
    }
  }
  const outcome = await act((db, actor) => gatherWords(db, actor, site.id, [...byPlace.values()]));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome;
}

/** Takes the words of some places out of the edition again. */
export async function takeProposalsBack(slug: string, ids: readonly number[]): Promise<Problem | null> {
  const outcome = await gatherProposals(
    slug,
    ids.map((id) => ({ ids: [id], field: 'alt', text: null })),
  );
  return outcome.ok ? null : outcome.problem;
}

/** Puts the texts that the rules propose for some errata into the edition. */
export async function putTextsIn(slug: string, ids: readonly number[]): Promise<Outcome<GatheredFixes>> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => gatherFixes(db, actor, site.id, ids));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome;
}

/** Puts the pictures of some errata in again, fitted to their places; gives the edition's number. */
export async function refit(slug: string, ids: readonly number[]): Promise<Outcome<number>> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => gatherRefit(db, actor, site.id, { ids }));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome;
}
