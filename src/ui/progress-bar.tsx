interface ProgressBarProps {
  /** What is on its way, for those who listen. */
  label: string;
  /** How much is done, in the same measure as `all`. */
  done: number;
  all: number;
}

/** How far something has come. A browser draws its own bar in its own green; this one is in ours. */
export function ProgressBar({ label, done, all }: ProgressBarProps) {
  return (
    <progress
      aria-label={label}
      max={Math.max(1, all)}
      value={done}
      className="mt-1.5 block h-1.5 w-full appearance-none bg-line text-green [&::-moz-progress-bar]:bg-green [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-green"
    />
  );
}
