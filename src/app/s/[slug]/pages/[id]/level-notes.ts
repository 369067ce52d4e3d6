const GAP_PX = 6;

interface Layout {
  /** Where each note would like its top, in pixels from the top of the margin, downwards. */
  readonly wanted: readonly number[];
  readonly heights: readonly number[];
  /** No note stands above this. */
  readonly topPx: number;
  /** The note that is open, which keeps its place before all others; −1 for none. */
  readonly open: number;
}

/**
 * Tops of the notes of a margin, in order and without overlapping: each level with its mark as far as there is room. The
 * one that is open stands level with its mark; those before it move up for it, those behind it down.
 */
export function levelNotes({ wanted, heights, topPx, open }: Layout): number[] {
  const tops: number[] = [];
  const place = (from: number, free: number) => {
    for (let i = from; i < wanted.length; i++) {
      tops[i] = Math.max(free, wanted[i] ?? free);
      free = (tops[i] ?? 0) + (heights[i] ?? 0) + GAP_PX;
    }
  };
  place(0, topPx);
  if (open < 0) return tops;
  const before = heights.slice(0, open).reduce((sum, height) => sum + height + GAP_PX, topPx);
  place(open, before);
  for (let i = open - 1; i >= 0; i--)
    tops[i] = Math.min(tops[i] ?? 0, (tops[i + 1] ?? 0) - GAP_PX - (heights[i] ?? 0));
  return tops;
}
