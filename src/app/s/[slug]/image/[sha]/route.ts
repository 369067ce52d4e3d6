import Joi from 'joi';
import { currentActor } from '@/app/_data/session';
import { database } from '@/server/db/database';
import type { ConnectionSettings } from '@/server/db/schema/sites';
import { makeWorking } from '@/server/imaging/make-revision';
import { storedDerived, storeDerived } from '@/server/store/store';
import { bytesOfPicture } from '@/server/work/sites/bytes-of-picture';

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

/** A picture of a site by its hash: small as a thumbnail, whole with `?whole`, to be drawn from with `?working`. */
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
       union all select site_id, original_sha, null, null from intake where original_sha is not null
       union all select e.site_id, n.sha256, n.rendition ->> 'format', null
         from new_files n join changes c on c.id = n.change_id join editions e on e.id = c.edition_id
     ) p on p.site_id = s.id where s.slug = $1 and p.sha256 = $2 limit 1`,
    [slug, sha],
  );
  const found = rows[0];
  if (!found) return new Response('No such picture.', { status: 404 });
  const { searchParams } = new URL(request.url);
  if (searchParams.has('working')) return working(found, sha);
  if (!searchParams.has('whole')) {
    const small = await storedDerived(sha, 'thumbnail');
    if (small) return picture(small, 'image/webp');
  }
  const bytes = await wholeBytes(found, sha);
  return bytes ? picture(bytes, typeOf(found.format)) : new Response('The picture is gone.', { status: 404 });
}

async function wholeBytes({ path, ...site }: Found, sha: string): Promise<Uint8Array | null> {
  return bytesOfPicture(database(), site, { sha256: sha, path }).catch(() => null);
}

async function working(found: Found, sha: string): Promise<Response> {
  const kept = await storedDerived(sha, 'working');
  if (kept) return picture(kept, 'image/webp');
  const bytes = await wholeBytes(found, sha);
  const made = bytes && (await makeWorking(bytes).catch(() => null));
  if (!made) return new Response('The picture is gone, or can’t be read.', { status: 404 });
  await storeDerived(sha, 'working', made);
  return picture(made, 'image/webp');
}

function typeOf(format: string | null): string {
  if (format === 'svg') return 'image/svg+xml';
  return /^(?:jpeg|png|webp|avif|gif)$/.test(format ?? '') ? `image/${format}` : 'application/octet-stream';
}

function picture(bytes: Uint8Array, type: string): Response {
  return new Response(new Uint8Array(bytes), { headers: { ...HEADERS, 'content-type': type } });
}
