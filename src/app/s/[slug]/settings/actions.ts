'use server';

import { revalidatePath } from 'next/cache';
import type { FormatPolicy } from '@/core/swap/newer-format';
import { act } from '@/app/_data/act';
import { changeSite } from '@/server/work/sites/change-site';
import type { Told } from '@/ui/answer';

const text = (form: FormData, name: string) => String(form.get(name) ?? '').trim();
const words = (form: FormData, name: string) =>
  text(form, name)
    .split(/[\s,]+/)
    .filter(Boolean);

export async function saveSettings(
  slug: string,
  siteId: number,
  _before: Told,
  form: FormData,
): Promise<Told> {
  const outcome = await act((db, actor) =>
    changeSite(db, actor, siteId, {
      name: text(form, 'name'),
      liveUrl: text(form, 'liveUrl') || null,
      hosts: words(form, 'hosts'),
      cacheBusters: words(form, 'cacheBusters'),
      indexNames: words(form, 'indexNames'),
      lazyAttributes: words(form, 'lazyAttributes'),
      // Whatever it is: what is no policy is refused with its name.
      formats: text(form, 'formats') as FormatPolicy,
    }),
  );
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? { said: 'Told. The site is being read anew.' } : { problem: outcome.problem };
}
