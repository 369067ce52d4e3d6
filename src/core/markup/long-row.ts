/** Where nodes stand among many siblings, so that a page of any shape takes time in proportion to its length. */
import type { DefaultTreeAdapterTypes } from 'parse5';

type Node = DefaultTreeAdapterTypes.Node;

/** Shorter rows are gone through each time. */
export const MANY_SIBLINGS = 48;

/** Gives the places of a row's members. Asked for in their order, as pages are read, it needs no table of them. */
export class PlacesInRow<Member extends object> {
  private at = 0;
  private numbers: Map<Member, number> | null = null;

  constructor(readonly row: readonly Member[]) {}

  /** From 0; -1 for what is not in the row. */
  indexOf(member: Member): number {
    const until = Math.min(this.row.length, this.at + MANY_SIBLINGS);
    for (let i = this.at; i < until; i++) if (this.row[i] === member) return (this.at = i);
    this.numbers ??= new Map(this.row.map((each, i) => [each, i]));
    const found = this.numbers.get(member) ?? -1;
    if (found >= 0) this.at = found;
    return found;
  }
}

class LongRow {
  readonly places: PlacesInRow<Node>;
  /** The first words of its members, and their last, each at its place; what was not asked for yet is not there. */
  readonly ahead: (string | undefined)[] = [];
  readonly behind: (string | undefined)[] = [];
  private ordinals: Uint32Array | null = null;

  constructor(private readonly siblings: readonly Node[]) {
    this.places = new PlacesInRow(siblings);
    // As long as the row from the beginning: one that is filled from behind would be kept as a table.
    this.ahead.length = this.behind.length = siblings.length;
  }

  /** 1 for the first of its tag name. */
  ordinal(node: Node): number {
    this.ordinals ??= ordinalsOf(this.siblings);
    return this.ordinals[this.places.indexOf(node)] ?? 1;
  }
}

function ordinalsOf(siblings: readonly Node[]): Uint32Array {
  const counts = new Map<string, number>();
  return Uint32Array.from(siblings, ({ nodeName }) => {
    const count = (counts.get(nodeName) ?? 0) + 1;
    counts.set(nodeName, count);
    return count;
  });
}

const rows = new WeakMap<readonly Node[], LongRow>();

/** What is known of a row of more than `MANY_SIBLINGS`; found out once. */
export function longRow(siblings: readonly Node[]): LongRow {
  let row = rows.get(siblings);
  if (!row) rows.set(siblings, (row = new LongRow(siblings)));
  return row;
}
