import { randomBytes } from 'node:crypto';
import { database } from '@/server/db/database';
import { openProofSite, proofFile } from '@/server/work/proof/make-proof';
import { readProofToken } from '@/server/work/proof/proof-token';

/** Nothing but our own script runs, nothing is reached but the proof's own files, and the page has no origin. */
function policy(nonce: string, origin: string): string {
  const own = `${origin}/proof/`;
  return [
    'sandbox allow-scripts',
    "default-src 'none'",
    `script-src 'nonce-${nonce}'`,
    `style-src 'unsafe-inline' ${own}`,
    `img-src data: ${own}`,
    `media-src ${own}`,
    `font-src data: ${own}`,
    "base-uri 'self'",
    "form-action 'none'",
    "frame-ancestors 'self'",
  ].join('; ');
}

function decoded(segment: string): string {
  try {
    return decodeURIComponent(segment);
  } catch {
    // Not what the proof itself would write; no file has such a name.
    return segment;
  }
}

/** A file of a site as a proof shows it; the key in the address says which site, and in which state. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ token: string }> },
): Promise<Response> {
  const { token } = await params;
  const key = readProofToken(token, Date.now());
  // Taken from the address itself: there it stands as it was written, whatever has been decoded on the way.
  const written = new URL(request.url).pathname.split('/').slice(3);
  const wanted = written.map(decoded).join('/');
  if (!key) return new Response('This proof has ended. Open it again from its page.', { status: 403 });
  const nonce = randomBytes(18).toString('base64url');
  const site = await openProofSite(database(), key.siteId, key.state);
  const file = await proofFile(site, wanted, { root: `/proof/${token}`, nonce });
  if (!file) return new Response('The site has no file there.', { status: 404 });
  const host = request.headers.get('host') ?? new URL(request.url).host;
  const scheme = request.headers.get('x-forwarded-proto') ?? new URL(request.url).protocol.replace(':', '');
  return new Response(new Uint8Array(file.bytes), {
    headers: {
      'content-type': file.type,
      'content-security-policy': policy(nonce, `${scheme}://${host}`),
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
      // Fonts are asked for across origins, and the proof has none.
      ...(file.type.startsWith('font/') ? { 'access-control-allow-origin': '*' } : {}),
      'cache-control': file.isPage ? 'no-store' : 'private, max-age=60',
    },
  });
}
