import { answerOrRefusal } from '@/app/_data/answer-or-refusal';
import { currentActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { database } from '@/server/db/database';
import { exportRecords } from '@/server/work/rights/export-records';

/** All records of a site as JSON lines, or as CSV with `?as=csv`; releases are among them, so that only who keeps them gets them. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  const actor = await currentActor();
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const { slug } = await params;
  const site = await siteBySlug(slug);
  const as = new URL(request.url).searchParams.get('as') === 'csv' ? 'csv' : 'jsonl';
  return answerOrRefusal(async () => {
    const body = await exportRecords(database(), actor, site.id, as);
    return new Response(body, {
      headers: {
        'content-type': as === 'csv' ? 'text/csv; charset=utf-8' : 'application/jsonl; charset=utf-8',
        'content-disposition': `attachment; filename="${slug}-rights.${as}"`,
        'cache-control': 'no-store',
      },
    });
  });
}
