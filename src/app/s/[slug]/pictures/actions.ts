'use server';

import { revalidatePath } from 'next/cache';
import { act, type Outcome } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import type { PictureKind } from '@/core/dating/shelf-life';
import type { Teaching } from '@/core/picture/leftover-strength';
import type { Actor } from '@/server/accounts/actor';
import type { Database } from '@/server/db/database';
import {
  removeSubject,
  saveSubject,
  showSubject,
  type SubjectInput,
} from '@/server/work/pictures/name-subjects';
import { correctFamily, type FamilyCorrection } from '@/server/work/pictures/correct-family';
import { settleKind, teachPlaceholder, type Before } from '@/server/work/pictures/teach-picture';
import { titlePictures, type GivenTitle } from '@/server/work/pictures/title-pictures';

/** Does something for the site, and lets every screen of it be made anew. */
async function done<T>(
  slug: string,
  deed: (db: Database, actor: Actor, siteId: number) => Promise<T>,
): Promise<Outcome<T>> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => deed(db, actor, site.id));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome;
}

const problemIn = (outcome: Outcome<unknown>): Problem | null => (outcome.ok ? null : outcome.problem);

/** What was done to many pictures, so that it can be taken back. */
export type Undo =
  | { readonly verb: 'teach'; readonly before: readonly Before<Teaching>[] }
  | { readonly verb: 'settle'; readonly before: readonly Before<PictureKind>[] }
  | { readonly verb: 'show'; readonly subjectId: number; readonly ids: readonly number[] }
  | { readonly verb: 'hide'; readonly subjectId: number; readonly ids: readonly number[] }
  | { readonly verb: 'title'; readonly before: readonly GivenTitle[] }
  | { readonly verb: 'sort'; readonly before: readonly FamilyCorrection[] };

export async function teach(
  slug: string,
  ids: readonly number[],
  teaching: Teaching | null,
): Promise<Outcome<Undo>> {
  return done(slug, async (db, actor, siteId) => ({
    verb: 'teach',
    before: await teachPlaceholder(db, actor, siteId, { ids, teaching }),
  }));
}

export async function settle(
  slug: string,
  ids: readonly number[],
  kind: PictureKind | null,
): Promise<Outcome<Undo>> {
  return done(slug, async (db, actor, siteId) => ({
    verb: 'settle',
    before: await settleKind(db, actor, siteId, { ids, kind }),
  }));
}

export async function show(
  slug: string,
  ids: readonly number[],
  subjectId: number,
  isShown: boolean,
): Promise<Outcome<Undo>> {
  return done(slug, async (db, actor, siteId) => ({
    ...{ verb: isShown ? 'show' : 'hide', subjectId },
    ids: await showSubject(db, actor, siteId, { ids, subjectId, isShown }),
  }));
}

/** Pictures by what held of them before. */
function grouped<T>(before: readonly Before<T>[]): [T | null, number[]][] {
  const groups = new Map<T | null, number[]>();
  for (const { id, was } of before) groups.set(was, [...(groups.get(was) ?? []), id]);
  return [...groups];
}

/** Takes back what was done to many pictures: each is as it was before. */
export async function takeBack(slug: string, undo: Undo): Promise<Problem | null> {
  const outcome = await done(slug, async (db, actor, siteId) => {
    if (undo.verb === 'teach')
      for (const [teaching, ids] of grouped(undo.before))
        await teachPlaceholder(db, actor, siteId, { ids, teaching });
    else if (undo.verb === 'settle')
      for (const [kind, ids] of grouped(undo.before)) await settleKind(db, actor, siteId, { ids, kind });
    else if (undo.verb === 'title') {
      if (undo.before.length > 0) await titlePictures(db, actor, siteId, undo.before);
    } else if (undo.verb === 'sort')
      for (const before of undo.before) await correctFamily(db, actor, siteId, before);
    else if (undo.ids.length > 0) {
      const { ids, subjectId } = undo;
      await showSubject(db, actor, siteId, { ids, subjectId, isShown: undo.verb === 'hide' });
    }
  });
  return problemIn(outcome);
}

/** Says of one file and some others that they are one picture, or are not. */
export async function sort(
  slug: string,
  kind: 'together' | 'apart',
  one: string,
  others: readonly string[],
): Promise<Outcome<Undo>> {
  return done(slug, async (db, actor, siteId) => {
    const before: FamilyCorrection[] = [];
    for (const other of others)
      before.push(await correctFamily(db, actor, siteId, { kind, a: one, b: other }));
    return { verb: 'sort', before };
  });
}

export async function keepSubject(slug: string, input: SubjectInput): Promise<Outcome<number>> {
  return done(slug, (db, actor, siteId) => saveSubject(db, actor, siteId, input));
}

export async function forgetSubject(slug: string, id: number): Promise<Problem | null> {
  return problemIn(await done(slug, (db, actor, siteId) => removeSubject(db, actor, siteId, id)));
}

export async function keepTitles(slug: string, titles: readonly GivenTitle[]): Promise<Outcome<Undo>> {
  return done(slug, async (db, actor, siteId) => ({
    verb: 'title',
    before: await titlePictures(db, actor, siteId, titles),
  }));
}
