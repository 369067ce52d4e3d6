import { answerForSite } from '@/app/_data/answer-for-site';
import { database } from '@/server/db/database';
import { statementsOf } from '@/server/work/rights/statements';

/** What is recorded of the site's pictures, as schema.org JSON-LD; people on them are not named. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  return answerForSite(params, async (actor, site) => {
    return new Response(await statementsOf(database(), actor, site), {
      headers: {
        'content-type': 'application/ld+json; charset=utf-8',
        'content-disposition': `attachment; filename="${site.slug}-images.jsonld"`,
        'cache-control': 'no-store',
      },
    });
  });
}
