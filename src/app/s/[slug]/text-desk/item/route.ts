import { currentActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { deskItem } from '@/app/_data/words/text-desk-item';

/** One picture of the text desk, by its key: `?of=p12`. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  if (!(await currentActor())) return Response.json({ problem: 'not signed in' }, { status: 401 });
  const key = new URL(request.url).searchParams.get('of') ?? '';
  const item = /^[pfe]\d{1,12}$/.test(key)
    ? await deskItem(await siteBySlug((await params).slug), key)
    : null;
  return Response.json(item, { headers: { 'cache-control': 'no-store' } });
}
