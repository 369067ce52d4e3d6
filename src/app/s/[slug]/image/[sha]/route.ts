import Joi from 'joi';
import { currentActor } from '@/app/_data/session';
import { database } from '@/server/db/database';
import type { ConnectionSettings } from '@/server/db/schema/sites';
import { storedBytes, storedDerived } from '@/server/store/store';
import { openConnection } from '@/server/work/sites/site-connection';

const PARAMS = Joi.object({ slug: Joi.string().required(), sha: Joi.string().hex().length(64).required() });
const HEADERS = {
  'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
  'cache-control': 'private, max-age=31536000, immutable',
  'x-content-type-options': 'nosniff',
};

interface Found {
  readonly format: string | null;
  readonly path: string | null;
  readonly id: number;
  readonly connection: ConnectionSettings;
}

/** A picture of a site by its hash: small as a thumbnail, whole with `?whole`. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ slug: string; sha: string }> },
): Promise<Response> {
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  const { value, error } = PARAMS.validate(await params);
  if (error) return new Response('That is no picture’s address.', { status: 400 });
  const { slug, sha } = value as { slug: string; sha: string };
  const { rows } = await database().pool.query<Found>(
    `select p.format, p.path, s.id, s.connection from sites s join (
       select site_id, sha256, format, path from files
       union all select site_id, sha256, format, null from intake
       union all select e.site_id, n.sha256, n.rendition ->> 'format', null
         from new_files n join changes c on c.id = n.change_id join editions e on e.id = c.edition_id
     ) p on p.site_id = s.id where s.slug = $1 and p.sha256 = $2 limit 1`,
    [slug, sha],
  );
  const found = rows[0];
  if (!found) return new Response('No such picture.', { status: 404 });
  if (!new URL(request.url).searchParams.has('whole')) {
    const small = await storedDerived(sha, 'thumbnail');
    if (small) return picture(small, 'image/webp');
  }
  const bytes = await wholeBytes(found, sha);
  return bytes ? picture(bytes, typeOf(found.format)) : new Response('The picture is gone.', { status: 404 });
}

async function wholeBytes(found: Found, sha: string): Promise<Uint8Array | null> {
  const kept = await storedBytes(sha).catch(() => null);
  if (kept || !found.path) return kept;
  const connection = await openConnection(database(), found);
  return connection.read(found.path).catch(() => null);
}

function typeOf(format: string | null): string {
  if (format === 'svg') return 'image/svg+xml';
  return /^(?:jpeg|png|webp|avif|gif)$/.test(format ?? '') ? `image/${format}` : 'application/octet-stream';
}

function picture(bytes: Uint8Array, type: string): Response {
  return new Response(new Uint8Array(bytes), { headers: { ...HEADERS, 'content-type': type } });
}
