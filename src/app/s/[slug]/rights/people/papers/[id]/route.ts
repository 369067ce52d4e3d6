import { answerOrRefusal } from '@/app/_data/answer-or-refusal';
import { currentActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { database } from '@/server/db/database';
import { openPaper } from '@/server/work/rights/people/papers';

/** A paper opened for a maintainer; nobody keeps a copy on the way. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ slug: string; id: string }> },
): Promise<Response> {
  const actor = await currentActor();
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const { slug, id } = await params;
  const site = await siteBySlug(slug);
  return answerOrRefusal(async () => {
    const paper = /^\d{1,9}$/u.test(id) ? await openPaper(database(), actor, site.id, Number(id)) : null;
    if (!paper) return new Response('There is no such paper.', { status: 404 });
    return new Response(new Uint8Array(paper.bytes), {
      headers: {
        'content-type': paper.contentType,
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(paper.fileName)}`,
        'cache-control': 'no-store',
        'x-content-type-options': 'nosniff',
      },
    });
  });
}
