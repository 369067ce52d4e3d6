import { deliveryOf } from '@/app/_data/intake/delivery';
import { currentActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';

/** The lines of the open delivery, for a screen that waits for more of them. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  const actor = await currentActor();
  if (!actor) return Response.json({ problem: 'not signed in' }, { status: 401 });
  const site = await siteBySlug((await params).slug);
  return Response.json(await deliveryOf(actor, site.id), { headers: { 'cache-control': 'no-store' } });
}
