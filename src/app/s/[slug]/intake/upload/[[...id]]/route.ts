import { siteBySlug } from '@/app/_data/site';
import { currentActor } from '@/app/_data/session';
import { database } from '@/server/db/database';
import { answerUpload } from '@/server/uploads/upload-server';

/** Resumable uploads into the open delivery (tus 1.0.0); the verbs that it calls say who may. */
async function answer(
  request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  const actor = await currentActor();
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const { slug } = await params;
  const site = await siteBySlug(slug);
  return answerUpload(database(), actor, { siteId: site.id, path: `/s/${slug}/intake/upload` }, request);
}

export { answer as DELETE, answer as HEAD, answer as OPTIONS, answer as PATCH, answer as POST };
