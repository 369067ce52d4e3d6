import { answerOrRefusal } from '@/app/_data/answer-or-refusal';
import { currentActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { database } from '@/server/db/database';
import { giveOutPerson } from '@/server/work/rights/people/data-of-person';

/** All that is kept of one person, as JSON. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ slug: string; person: string }> },
): Promise<Response> {
  const actor = await currentActor();
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const { slug, person } = await params;
  const site = await siteBySlug(slug);
  return answerOrRefusal(async () => {
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
