'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import type { Problem } from '@/core/problem';
import type { PictureKind } from '@/core/dating/shelf-life';
import type { Teaching } from '@/core/picture/placeholder';
import type { Actor } from '@/server/accounts/actor';
import type { Database } from '@/server/db/database';
import { correctFamily, settleKind, teachPlaceholder } from '@/server/work/pictures/teach-picture';

async function said(
  slug: string,
  deed: (db: Database, actor: Actor, siteId: number) => Promise<void>,
): Promise<Problem | null> {
  const site = await siteBySlug(slug);
  const outcome = await act((db, actor) => deed(db, actor, site.id));
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function teach(
  slug: string,
  ids: readonly number[],
  teaching: Teaching | null,
): Promise<Problem | null> {
  return said(slug, (db, actor, siteId) => teachPlaceholder(db, actor, siteId, { ids, teaching }));
}

export async function settle(
  slug: string,
  ids: readonly number[],
  kind: PictureKind | null,
): Promise<Problem | null> {
  return said(slug, (db, actor, siteId) => settleKind(db, actor, siteId, { ids, kind }));
}

export async function putApart(slug: string, a: string, b: string): Promise<Problem | null> {
  return said(slug, (db, actor, siteId) => correctFamily(db, actor, siteId, { kind: 'apart', a, b }));
}
