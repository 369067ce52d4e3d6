import { currentActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { database } from '@/server/db/database';
import { endingsCalendar } from '@/server/work/rights/endings-calendar';

/** What ends when, as a calendar; files and pages are named, people are not. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  const site = await siteBySlug((await params).slug);
  return new Response(await endingsCalendar(database(), site), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; filename="${site.slug}-endings.ics"`,
      'cache-control': 'no-store',
    },
  });
}
