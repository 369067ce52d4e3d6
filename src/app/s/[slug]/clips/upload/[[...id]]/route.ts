import { answerForSite } from '@/app/_data/answer-for-site';
import { database } from '@/server/db/database';
import { answerUpload } from '@/server/uploads/upload-server';

/** A clip comes by pieces (tus 1.0.0), as pictures do, and waits until its sender puts it into places. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  return answerForSite(params, (actor, site) => {
    const uploading = { siteId: site.id, goal: 'clip', path: `/s/${site.slug}/clips/upload` } as const;
    return answerUpload(database(), actor, uploading, request);
  });
}

export { POST as DELETE, POST as HEAD, POST as OPTIONS, POST as PATCH };
