'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import { forgetViews, importViews } from '@/server/work/reach/import-views';
import { removeSection, saveSection } from '@/server/work/sections/keep-sections';
import type { Told } from '@/ui/answer';
import { numberText } from '@/ui/format';

const text = (form: FormData, name: string) => String(form.get(name) ?? '').trim();

export async function save(slug: string, siteId: number, _before: Told, form: FormData): Promise<Told> {
  const input = {
    pattern: text(form, 'pattern'),
    name: text(form, 'name'),
    ownerId: text(form, 'owner') || null,
  };
  const outcome = await act((db, actor) => saveSection(db, actor, siteId, input));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? { said: 'Saved.' } : { problem: outcome.problem };
}

export async function remove(slug: string, siteId: number, pattern: string): Promise<Told> {
  const outcome = await act((db, actor) => removeSection(db, actor, siteId, pattern));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : { problem: outcome.problem };
}

export async function takeViews(slug: string, siteId: number, _before: Told, form: FormData): Promise<Told> {
  const file = form.get('views');
  const outcome = await act(async (db, actor) => {
    const sent = file instanceof File ? file : new File([], 'nothing');
    return importViews(db, actor, siteId, {
      name: sent.name,
      bytes: new Uint8Array(await sent.arrayBuffer()),
    });
  });
  revalidatePath(`/s/${slug}`, 'layout');
  if (!outcome.ok) return { problem: outcome.problem };
  const { views, pages, elsewhere, unread } = outcome.value;
  const rest = [
    elsewhere > 0 ? `${numberText(elsewhere)} were of other addresses` : null,
    unread > 0 ? `${numberText(unread)} lines could not be read` : null,
  ].filter((part) => part !== null);
  const taken = `${numberText(Math.round(views))} views of ${numberText(pages)} pages taken over`;
  return { said: `${[taken, ...rest].join('; ')}.` };
}

export async function forget(slug: string, siteId: number): Promise<Told> {
  const outcome = await act((db, actor) => forgetViews(db, actor, siteId));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? { said: 'Reach is estimated from the links again.' } : { problem: outcome.problem };
}
