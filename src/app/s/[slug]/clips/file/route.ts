import Joi from 'joi';
import parseRange from 'range-parser';
import { answerForSite } from '@/app/_data/answer-for-site';
import { CLIP_TYPES } from '@/core/swap/clip';
import { database } from '@/server/db/database';
import { clipBytes } from '@/server/work/sites/clip-bytes';

const QUERY = Joi.object<{ path?: string; sha?: string }>({
  path: Joi.string().max(2000),
  sha: Joi.string().hex().length(64),
}).xor('path', 'sha');

/** A clip as it is on the site, by its path; or one that an edition puts in, by its hash. Players ask for it in parts. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  return answerForSite(params, async (_actor, site) => {
    const { value, error } = QUERY.validate(Object.fromEntries(new URL(request.url).searchParams));
    if (error) return new Response('Say which clip: its path, or its hash.', { status: 400 });
    const found = await clipBytes(database(), site, value);
    if (!found) return new Response('There is no such clip.', { status: 404 });
    return inPart(
      request.headers.get('range'),
      found.bytes,
      CLIP_TYPES[found.ending] ?? 'application/octet-stream',
    );
  });
}

/** One range of bytes where one is asked for (RFC 9110, 14.2); anything else gets the whole. */
function inPart(range: string | null, bytes: Uint8Array, type: string): Response {
  const headers = {
    ...{ 'content-type': type, 'accept-ranges': 'bytes', 'cache-control': 'private, no-cache' },
    ...{ 'content-security-policy': "default-src 'none'; sandbox", 'x-content-type-options': 'nosniff' },
  };
  const ranges = range === null ? UNREADABLE : parseRange(bytes.length, range, { combine: true });
  if (ranges === UNSATISFIABLE)
    return new Response(null, { status: 416, headers: { 'content-range': `bytes */${bytes.length}` } });
  const [part, second] = ranges === UNREADABLE || ranges.type !== 'bytes' ? [] : ranges;
  if (!part || second) return new Response(new Uint8Array(bytes), { headers });
  return new Response(new Uint8Array(bytes.subarray(part.start, part.end + 1)), {
    status: 206,
    headers: { ...headers, 'content-range': `bytes ${part.start}-${part.end}/${bytes.length}` },
  });
}

/** What the parser answers where a range lies behind the end, and where it is none. */
const UNSATISFIABLE = -1;
const UNREADABLE = -2;
