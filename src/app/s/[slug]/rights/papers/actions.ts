'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import { dropPaper, keepPaper, type PaperSubject } from '@/server/work/rights/papers';
import type { Told } from '@/ui/answer';

/** Keeps a paper that was sent. */
export async function sendPaper(
  { slug, siteId, subject }: { slug: string; siteId: number; subject: PaperSubject },
  _before: Told,
  form: FormData,
): Promise<Told> {
  const file = form.get('paper');
  const outcome = await act(async (db, actor) => {
    const sent = file instanceof File ? file : new File([], 'nothing');
    const bytes = new Uint8Array(await sent.arrayBuffer());
    await keepPaper(db, actor, siteId, { subject, fileName: sent.name, bytes });
  });
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? { said: 'Kept, sealed.' } : { problem: outcome.problem };
}

export async function takePaperAway(slug: string, siteId: number, id: number): Promise<Problem | null> {
  const outcome = await act((db, actor) => dropPaper(db, actor, siteId, id));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}
