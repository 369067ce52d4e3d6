import { checkedSoFar } from '@/app/_data/errata/checked-so-far';
import { currentActor } from '@/app/_data/session';
import { workStatus, type Status } from '@/app/_data/work-status';
import { soFarText } from '../so-far-text';

/** What is being worked on at a site, for the running head. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  if (!(await currentActor())) return Response.json({ problem: 'not signed in' }, { status: 401 });
  const { slug } = await params;
  const { siteId, ...status } = await workStatus(slug);
  const soFar = siteId === null ? null : soFarText(await checkedSoFar(siteId));
  return Response.json({ ...status, soFar } satisfies Status);
}
