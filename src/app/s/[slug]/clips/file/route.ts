import Joi from 'joi';
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

/** One range of bytes, as in RFC 9110, 14.2; anything else gets the whole. */
function inPart(range: string | null, bytes: Uint8Array, type: string): Response {
  const headers = {
    ...{ 'content-type': type, 'accept-ranges': 'bytes', 'cache-control': 'private, no-cache' },
    ...{ 'content-security-policy': "default-src 'none'; sandbox", 'x-content-type-options': 'nosniff' },
  };
  const [, first = '', last = ''] = /^bytes=(\d*)-(\d*)$/u.exec(range ?? '') ?? [];
  if (first === '' && last === '') return new Response(new Uint8Array(bytes), { headers });
  const from = first === '' ? Math.max(0, bytes.length - Number(last)) : Number(first);
  const until = first === '' || last === '' ? bytes.length - 1 : Math.min(Number(last), bytes.length - 1);
  if (from > until)
    return new Response(null, { status: 416, headers: { 'content-range': `bytes */${bytes.length}` } });
  return new Response(new Uint8Array(bytes.subarray(from, until + 1)), {
    status: 206,
    headers: { ...headers, 'content-range': `bytes ${from}-${until}/${bytes.length}` },
  });
}
