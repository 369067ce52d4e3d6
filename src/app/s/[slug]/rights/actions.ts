'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import type { Telling } from '@/server/db/schema/editions';
import { gatherRights } from '@/server/work/rights/gather-rights';
import { gatherTelling } from '@/server/work/rights/gather-telling';
import { keepCreditForm } from '@/server/work/rights/keep-credit-form';
import { importRecords, recordPicture } from '@/server/work/rights/keep-records';
import type { Told } from '@/ui/answer';
import { count } from '@/ui/format';
import { fieldsSaid } from './fields-said';

const text = (form: FormData, name: string) => String(form.get(name) ?? '').trim();

/** Takes the records of a file over. */
export async function takeRecords(
  slug: string,
  siteId: number,
  _before: Told,
  form: FormData,
): Promise<Told> {
  const file = form.get('records');
  const outcome = await act(async (db, actor) => {
    const sent = file instanceof File ? file : new File([], 'nothing');
    return importRecords(db, actor, siteId, {
      name: sent.name,
      bytes: new Uint8Array(await sent.arrayBuffer()),
      isInstead: form.get('instead') === 'on',
    });
  });
  revalidatePath(`/s/${slug}`, 'layout');
  if (!outcome.ok) return { problem: outcome.problem };
  return {
    said: `${count(outcome.value, 'record')} taken over; the answers follow as soon as the worker has looked.`,
  };
}

/** Records what somebody says of one picture. */
export async function sayRights(slug: string, siteId: number, _before: Told, form: FormData): Promise<Told> {
  const outcome = await act((db, actor) =>
    recordPicture(db, actor, siteId, { file: text(form, 'file'), ...fieldsSaid(form) }),
  );
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok
    ? { said: 'Recorded; the answers follow as soon as the worker has looked.' }
    : { problem: outcome.problem };
}

/** Records how credits are written. */
export async function sayCreditForm(
  slug: string,
  siteId: number,
  _before: Told,
  form: FormData,
): Promise<Told> {
  const chosen = text(form, 'form');
  const outcome = await act((db, actor) =>
    keepCreditForm(db, actor, siteId, {
      form: chosen === 'template' ? text(form, 'template') : chosen,
      ...{ pattern: text(form, 'pattern'), always: form.get('always') === 'on' },
    }),
  );
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok
    ? { said: 'Kept; proposals follow as soon as the worker has looked.' }
    : { problem: outcome.problem };
}

type Gathered = { readonly edition: number } | { readonly problem: Problem };

/** Gathers something into the edition, and says in which one it is. */
async function gathered(slug: string, deed: Parameters<typeof act<number>>[0]): Promise<Gathered> {
  const outcome = await act(deed);
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? { edition: outcome.value } : { problem: outcome.problem };
}

/** Has what is told of pictures on pages made anew, in the edition being gathered. */
export async function tellOnPages(slug: string, siteId: number, tells: Telling): Promise<Gathered> {
  return gathered(slug, (db, actor) => gatherTelling(db, actor, siteId, tells));
}

/** Has what is recorded of a picture written into its files, in the edition being gathered. */
export async function writeIntoFiles(slug: string, siteId: number, fileId: number): Promise<Gathered> {
  return gathered(slug, (db, actor) => gatherRights(db, actor, siteId, fileId));
}
