import { answerForSite } from '@/app/_data/answer-for-site';
import { database } from '@/server/db/database';
import { exportRecords } from '@/server/work/rights/export-records';

/** All records of a site as JSON lines, or as CSV with `?as=csv`; releases are among them, so that only who keeps them gets them. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  const as = new URL(request.url).searchParams.get('as') === 'csv' ? 'csv' : 'jsonl';
  return answerForSite(params, async (actor, site) => {
    const body = await exportRecords(database(), actor, site.id, as);
    return new Response(body, {
      headers: {
        'content-type': as === 'csv' ? 'text/csv; charset=utf-8' : 'application/jsonl; charset=utf-8',
        'content-disposition': `attachment; filename="${site.slug}-rights.${as}"`,
        'cache-control': 'no-store',
      },
    });
  });
}
