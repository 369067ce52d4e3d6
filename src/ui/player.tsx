interface PlayerProps {
  kind: 'video' | 'audio';
  src: string;
  /** What it plays, for those who listen. */
  label: string;
  /** Its still, for a film. */
  still?: string | null | undefined;
  /** Whether its length is loaded before somebody plays it; not where many stand in a list. */
  isLengthKnown?: boolean;
}

/** A clip or a sound to be played. */
export function Player({ kind, src, label, still = null, isLengthKnown = false }: PlayerProps) {
  const preload = isLengthKnown ? 'metadata' : 'none';
  if (kind === 'audio')
    return <audio controls preload={preload} src={src} aria-label={label} className="w-full" />;
  return (
    <video
      controls
      preload={preload}
      src={src}
      aria-label={label}
      {...(still ? { poster: still } : {})}
      className="max-h-[320px] w-full bg-mat"
    />
  );
}
