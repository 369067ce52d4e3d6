import { answerForSite } from '@/app/_data/answer-for-site';
import { database } from '@/server/db/database';
import { answerUpload } from '@/server/uploads/upload-server';

/** Resumable uploads into the open delivery (tus 1.0.0); the verbs that it calls say who may. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  return answerForSite(params, (actor, site) => {
    const uploading = { siteId: site.id, goal: 'delivery', path: `/s/${site.slug}/intake/upload` } as const;
    return answerUpload(database(), actor, uploading, request);
  });
}

export { POST as DELETE, POST as HEAD, POST as OPTIONS, POST as PATCH };
