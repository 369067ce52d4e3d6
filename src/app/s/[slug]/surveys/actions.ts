'use server';

import { revalidatePath } from 'next/cache';
import Joi from 'joi';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import type { Actor } from '@/server/accounts/actor';
import type { Database } from '@/server/db/database';
import type { SurveyEvery } from '@/server/db/schema/sites';
import { resumeSurvey, scheduleSurveys, startSurvey, stopSurvey } from '@/server/work/surveys/start-survey';

async function acted(
  slug: string,
  deed: (db: Database, actor: Actor) => Promise<void>,
): Promise<Problem | null> {
  const outcome = await act(deed);
  revalidatePath(`/s/${slug}`, 'layout');
  return outcome.ok ? null : outcome.problem;
}

export async function surveyNow(slug: string, siteId: number): Promise<Problem | null> {
  return acted(slug, (db, actor) => startSurvey(db, actor, siteId));
}

export async function stopNow(slug: string, siteId: number, number: number): Promise<Problem | null> {
  return acted(slug, (db, actor) => stopSurvey(db, actor, siteId, number));
}

export async function goOn(slug: string, siteId: number, number: number): Promise<Problem | null> {
  return acted(slug, (db, actor) => resumeSurvey(db, actor, siteId, number));
}

const EVERY = Joi.string<SurveyEvery>().valid('day', 'week', 'month').allow(null).required();

export async function schedule(slug: string, siteId: number, every: string | null): Promise<Problem | null> {
  return acted(slug, async (db, actor) => {
    await scheduleSurveys(db, actor, siteId, Joi.attempt(every, EVERY) as SurveyEvery | null);
  });
}
