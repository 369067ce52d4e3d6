import type { PlannedPlace } from '@/core/swap/plan-swap';
import { Player } from '@/ui/player';

interface ClipShownProps {
  slug: string;
  place: PlannedPlace['place'];
  /** Hash of the clip that is put in, and the name it gets. */
  sha: string;
  path: string;
}

/** The clip of a place before and after, each to be played. */
export function ClipShown({ slug, place, sha, path }: ClipShownProps) {
  const kind = place.kind === 'audio' ? 'audio' : 'video';
  const both = [
    { label: 'Before', path: place.path, query: `path=${encodeURIComponent(place.path)}` },
    { label: 'After', path, query: `sha=${sha}` },
  ];
  return both.map(({ label, path: shown, query }) => (
    <figure key={label} className="min-w-0">
      <figcaption className="text-sm text-ink-2">{label}</figcaption>
      <Player kind={kind} src={`/s/${slug}/clips/file?${query}`} label={`${label}: ${shown}`} />
      <p className="truncate text-sm text-ink-3" title={shown}>
        {shown.split('/').at(-1)}
      </p>
    </figure>
  ));
}
