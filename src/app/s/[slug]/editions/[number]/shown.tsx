import type { DeclaredSlot } from '@/core/markup/placement';
import { database } from '@/server/db/database';

interface ShownProps {
  slug: string;
  label: string;
  path: string;
  /** Hash of the picture where it is known; a file of the site is looked up by its path. */
  sha: string | null;
  slot: DeclaredSlot;
}

/** A picture in the shape of its slot, at most 170 × 120. */
export async function Shown({ slug, label, path, sha, slot }: ShownProps) {
  const hash = sha ?? (await hashOf(slug, path));
  const isShaped = Boolean(slot.widthPx && slot.heightPx);
  const ratio = slot.widthPx && slot.heightPx ? slot.widthPx / slot.heightPx : 1.5;
  const width = Math.round(Math.min(170, 120 * ratio));
  return (
    <figure className="min-w-0">
      <figcaption className="text-sm text-ink-2">{label}</figcaption>
      <div
        className="mt-0.5 flex items-center justify-center overflow-hidden bg-mat"
        style={{ width, height: Math.round(width / ratio) }}
      >
        {hash ? (
          <img
            src={`/s/${slug}/image/${hash}`}
            alt={`${label}: ${path}`}
            // Where no shape is told, nothing may be cut.
            className={`h-full w-full ${isShaped ? 'object-cover' : 'object-contain'}`}
          />
        ) : (
          <span className="text-sm text-ink-3">missing</span>
        )}
      </div>
      <p className="truncate text-sm text-ink-3" title={path}>
        {path.split('/').at(-1)}
      </p>
    </figure>
  );
}

async function hashOf(slug: string, path: string): Promise<string | null> {
  const { rows } = await database().pool.query<{ sha256: string | null }>(
    'select f.sha256 from files f join sites s on s.id = f.site_id where s.slug = $1 and f.path = $2',
    [slug, path],
  );
  return rows[0]?.sha256 ?? null;
}
