import { answerOrRefusal } from '@/app/_data/answer-or-refusal';
import { siteBySlug } from '@/app/_data/site';
import { currentActor } from '@/app/_data/session';
import { database } from '@/server/db/database';
import { answerUpload } from '@/server/uploads/upload-server';

/** Resumable uploads into the open delivery (tus 1.0.0); the verbs that it calls say who may. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  const actor = await currentActor();
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const { slug } = await params;
  const site = await siteBySlug(slug);
  const uploading = { siteId: site.id, path: `/s/${slug}/intake/upload` };
  return answerOrRefusal(() => answerUpload(database(), actor, uploading, request));
}

export { POST as DELETE, POST as HEAD, POST as OPTIONS, POST as PATCH };
