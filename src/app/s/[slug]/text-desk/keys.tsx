import { Button } from '@/ui/button';

interface KeysProps {
  isFirst: boolean;
  isLast: boolean;
  onKeep: () => void;
  onGo: (by: 1 | -1) => void;
}

/** What is done with a picture, each with its key. */
export function Keys({ isFirst, isLast, onKeep, onGo }: KeysProps) {
  return (
    <div className="sticky bottom-0 z-10 flex flex-wrap items-center gap-2 border-t border-line bg-sheet px-5 py-2 max-md:px-3">
      <Button weight="main" onClick={onKeep}>
        {isLast ? 'Keep' : 'Keep, and the next'} <Key>Ctrl Enter</Key>
      </Button>
      <Button weight="quiet" disabled={isLast} onClick={() => onGo(1)}>
        Leave it for now <Key>Alt ↓</Key>
      </Button>
      <Button weight="quiet" disabled={isFirst} onClick={() => onGo(-1)}>
        The one before <Key>Alt ↑</Key>
      </Button>
    </div>
  );
}

/** A key, where what it does stands. */
export function Key({ children }: { children: string }) {
  return (
    <kbd className="rounded-sm border border-current max-md:hidden px-1 font-sans text-sm font-normal whitespace-nowrap">
      {children}
    </kbd>
  );
}
