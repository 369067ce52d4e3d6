interface FootBarProps {
  /** What the bar is about, for those who listen. */
  label: string;
  children: React.ReactNode;
}

/** What can be done with what is chosen, at the foot of the window as long as the list is seen. */
export function FootBar({ label, children }: FootBarProps) {
  return (
    <section
      aria-label={label}
      className="sticky bottom-0 z-10 flex flex-wrap items-center gap-2.5 border-t border-ink-3 bg-sheet px-5 py-2.5"
    >
      {children}
    </section>
  );
}

interface ToldProps {
  /** What was done. */
  children: React.ReactNode;
  isBusy: boolean;
  /** Takes it back; absent where that can't be done. */
  onTakeBack?: (() => void) | undefined;
  onClose?: (() => void) | undefined;
}

/** What was done, with the way back. */
export function Told({ children, isBusy, onTakeBack, onClose }: ToldProps) {
  return (
    <p role="status" className="flex flex-wrap gap-3">
      {children}
      {onTakeBack ? (
        <button type="button" className="font-semibold text-green" disabled={isBusy} onClick={onTakeBack}>
          Take that back
        </button>
      ) : null}
      {onClose ? (
        <button type="button" className="text-ink-2" onClick={onClose}>
          Close
        </button>
      ) : null}
    </p>
  );
}
