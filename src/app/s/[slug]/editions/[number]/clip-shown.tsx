import type { PlannedPlace } from '@/core/swap/plan-swap';
import { Player } from '@/ui/player';

interface ClipShownProps {
  slug: string;
  planned: PlannedPlace;
  /** Hash of the clip that is put in. */
  sha: string;
}

/** A clip before and after, each to be played: at all places of a change they are the same. */
export function ClipShown({ slug, planned: { place, rendition }, sha }: ClipShownProps) {
  const kind = place.kind === 'audio' ? 'audio' : 'video';
  const both = [
    { label: 'Before', path: place.path, query: `path=${encodeURIComponent(place.path)}` },
    { label: 'After', path: rendition.path, query: `sha=${sha}` },
  ];
  return (
    <div className="mt-2 grid max-w-[760px] grid-cols-2 gap-5 px-5 max-md:grid-cols-1">
      {both.map(({ label, path, query }) => (
        <figure key={label} className="min-w-0">
          <figcaption className="text-sm text-ink-2">{label}</figcaption>
          <Player
            kind={kind}
            src={`/s/${slug}/clips/file?${query}`}
            label={`${label}: ${path}`}
            isLengthKnown
          />
          <p className="truncate text-sm text-ink-3" title={path}>
            {path.split('/').at(-1)}
          </p>
        </figure>
      ))}
    </div>
  );
}
