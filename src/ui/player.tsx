interface PlayerProps {
  kind: 'video' | 'audio';
  src: string;
  /** What it plays, for those who listen. */
  label: string;
  /** Its still, for a film. */
  still?: string | null | undefined;
}

/** A clip or a sound to be played; nothing of it is loaded but its length until somebody does. */
export function Player({ kind, src, label, still = null }: PlayerProps) {
  if (kind === 'audio') {
    return <audio controls preload="metadata" src={src} aria-label={label} className="w-full" />;
  }
  return (
    <video
      controls
      preload="metadata"
      src={src}
      aria-label={label}
      {...(still ? { poster: still } : {})}
      className="max-h-[320px] w-full bg-mat"
    />
  );
}
