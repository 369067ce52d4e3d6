'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import { erasePerson } from '@/server/work/rights/people/data-of-person';
import { giveRelease } from '@/server/work/rights/people/keep-releases';
import { markPeople, type Mark } from '@/server/work/rights/people/mark-people';
import { withdrawRelease, type Withdrawn } from '@/server/work/rights/people/withdraw-release';
import type { Told } from '@/ui/answer';
import { count } from '@/ui/format';

const text = (form: FormData, name: string) => String(form.get(name) ?? '').trim();
const listed = (written: string) =>
  written
    .split(/[;,\n]/u)
    .map((part) => part.trim())
    .filter((part) => part !== '');

/** Records a release for the people named or ticked. */
export async function recordRelease(
  slug: string,
  siteId: number,
  _before: Told,
  form: FormData,
): Promise<Told> {
  const people = [...form.getAll('person').map(String), ...listed(text(form, 'others'))];
  const release =
    form.get('given') === 'none'
      ? null
      : { purposes: listed(text(form, 'purposes')), from: text(form, 'from'), until: text(form, 'until') };
  const outcome = await act((db, actor) => giveRelease(db, actor, siteId, { people, release }));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok
    ? { said: `Recorded for ${people.length === 1 ? people[0] : count(people.length, 'person', 'people')}.` }
    : { problem: outcome.problem };
}

/** Takes back what a person allowed, and gathers what follows. */
export async function withdraw(
  slug: string,
  siteId: number,
  person: string,
  on: string,
): Promise<{ readonly done: Withdrawn } | { readonly problem: Problem }> {
  const outcome = await act((db, actor) =>
    withdrawRelease(db, actor, siteId, { person, on, now: Date.now() }),
  );
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? { done: outcome.value } : { problem: outcome.problem };
}

/** Erases a person, and leads back to the list. */
export async function erase(slug: string, siteId: number, person: string): Promise<Problem | null> {
  const outcome = await act((db, actor) => erasePerson(db, actor, siteId, person));
  revalidatePath(`/s/${slug}`, 'layout');
  if (!outcome.ok) return outcome.problem;
  redirect(`/s/${slug}/rights/people`);
}

/** Says who is marked on a picture. */
export async function keepMarks(
  slug: string,
  siteId: number,
  file: string,
  marks: readonly Mark[],
): Promise<Problem | null> {
  const outcome = await act((db, actor) => markPeople(db, actor, siteId, { file, marks }));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}
