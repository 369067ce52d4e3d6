import { answerForSite } from '@/app/_data/answer-for-site';
import { database } from '@/server/db/database';
import { openPaper } from '@/server/work/rights/papers';

/** A paper opened; nobody keeps a copy on the way. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ slug: string; id: string }> },
): Promise<Response> {
  const { id } = await params;
  return answerForSite(params, async (actor, site) => {
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
