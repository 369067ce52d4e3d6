import { answerForSite } from '@/app/_data/answer-for-site';
import { database } from '@/server/db/database';
import { giveOutPerson } from '@/server/work/rights/people/data-of-person';

/** All that is kept of one person, as JSON. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ slug: string; person: string }> },
): Promise<Response> {
  const { person } = await params;
  return answerForSite(params, async (actor, site) => {
    const body = await giveOutPerson(database(), actor, site.id, decodeURIComponent(person));
    return new Response(body, {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': 'attachment; filename="person.json"',
        'cache-control': 'no-store',
      },
    });
  });
}
