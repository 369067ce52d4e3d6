import { currentActor } from '@/app/_data/session';
import { workStatus } from '@/app/_data/work-status';

/** What is being worked on at a site, for the running head. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  if (!(await currentActor())) return Response.json({ problem: 'not signed in' }, { status: 401 });
  return Response.json(await workStatus((await params).slug));
}
