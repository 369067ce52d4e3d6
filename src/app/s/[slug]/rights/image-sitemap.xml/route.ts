import { answerForSite } from '@/app/_data/answer-for-site';
import { database } from '@/server/db/database';
import { sitemapOf } from '@/server/work/rights/statements';

/** The image sitemap of the site; `?part=2` for more than fifty thousand pages. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  const part = Number(new URL(request.url).searchParams.get('part') ?? 1);
  return answerForSite(params, async (actor, site) => {
    const text = await sitemapOf(database(), actor, site, part);
    if (text === null) return new Response('There is no such part.', { status: 404 });
    return new Response(text, {
      headers: {
        'content-type': 'application/xml; charset=utf-8',
        'content-disposition': 'attachment; filename="image-sitemap.xml"',
        'cache-control': 'no-store',
      },
    });
  });
}
