import 'server-only';
import type { Actor } from '@/server/accounts/actor';
import { ProblemError } from '@/server/problem-error';
import { currentActor } from './session';
import { siteBySlug } from './site';

type Site = Awaited<ReturnType<typeof siteBySlug>>;

/**
 * A route's answer about a site: 401 for who is not signed in; what a verb refuses becomes 403 with its reason.
 *
 * @param params of the route
 */
export async function answerForSite(
  params: Promise<{ readonly slug: string }>,
  answer: (actor: Actor, site: Site) => Promise<Response>,
): Promise<Response> {
  const actor = await currentActor();
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const site = await siteBySlug((await params).slug);
  try {
    return await answer(actor, site);
  } catch (error) {
    if (error instanceof ProblemError) return new Response(error.problem.why, { status: 403 });
    throw error;
  }
}
