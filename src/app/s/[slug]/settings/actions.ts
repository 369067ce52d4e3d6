'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import { changeSite } from '@/server/work/change-site';

export type Saved = { readonly problem: Problem } | { readonly said: string } | null;

const text = (form: FormData, name: string) => String(form.get(name) ?? '').trim();
const words = (form: FormData, name: string) =>
  text(form, name)
    .split(/[\s,]+/)
    .filter(Boolean);

export async function saveSettings(
  slug: string,
  siteId: number,
  _before: Saved,
  form: FormData,
): Promise<Saved> {
  const outcome = await act((db, actor) =>
    changeSite(db, actor, siteId, {
      name: text(form, 'name'),
      liveUrl: text(form, 'liveUrl') || null,
      hosts: words(form, 'hosts'),
      cacheBusters: words(form, 'cacheBusters'),
      lazyAttributes: words(form, 'lazyAttributes'),
    }),
  );
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? { said: 'Saved. The site is being read anew.' } : { problem: outcome.problem };
}
