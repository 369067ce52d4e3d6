/** Pairs pictures that go with pictures that come, so that all together suit their places best. */
import { fitOf, rarities, type Fit, type PutIn, type PutOut } from './fit';

export interface ProposedPair {
  /** Index among those that go. */
  readonly out: number;
  /** Index among those that come; `null` where none is left. */
  readonly candidate: number | null;
  readonly fit: Fit | null;
}

/**
 * Proposes a pair for each picture that goes; none that comes is in two. Of all ways to pair them it is one with the
 * greatest sum of fits.
 */
export function pairUp(outs: readonly PutOut[], candidates: readonly PutIn[]): ProposedPair[] {
  const rarityOf = rarities([...outs, ...candidates]);
  const fits = outs.map((out) => candidates.map((candidate) => fitOf(out, candidate, rarityOf)));
  const chosen = assigned(fits.map((row) => row.map(({ score }) => -score)));
  return chosen.map((candidate, out) => ({
    out,
    candidate,
    fit: candidate === null ? null : (fits[out]?.[candidate] ?? null),
  }));
}

/**
 * The column for each row so that the sum of costs is least and no column is given twice (Kuhn 1955, with potentials
 * and shortest augmenting paths, Jonker and Volgenant 1987): the cube of the smaller side at most.
 *
 * @returns a column a row; `null` where there are more rows than columns and none is left
 */
export function assigned(costs: readonly (readonly number[])[]): (number | null)[] {
  const rows = costs.length;
  const columns = costs[0]?.length ?? 0;
  if (columns === 0) return costs.map(() => null);
  if (rows > columns) {
    const turned = Array.from({ length: columns }, (_, column) => costs.map((row) => row[column] ?? 0));
    const rowOf = assigned(turned);
    return costs.map((_, row) => {
      const column = rowOf.indexOf(row);
      return column < 0 ? null : column;
    });
  }
  // Rows and columns are counted from 1; column 0 is where the row that is being placed stands.
  const rowPotential = new Float64Array(rows + 1);
  const columnPotential = new Float64Array(columns + 1);
  const rowIn = new Int32Array(columns + 1);
  for (let row = 1; row <= rows; row++)
    placeRow(row, { costs, columns, rowPotential, columnPotential, rowIn });
  const result = new Array<number | null>(rows).fill(null);
  rowIn.forEach((row, column) => {
    if (row > 0 && column > 0) result[row - 1] = column - 1;
  });
  return result;
}

interface Placing {
  readonly costs: readonly (readonly number[])[];
  readonly columns: number;
  readonly rowPotential: Float64Array;
  readonly columnPotential: Float64Array;
  /** The row that each column has, 0 for none. */
  readonly rowIn: Int32Array;
}

/** Finds the cheapest chain of moves that gives one more row a column, and makes them. */
function placeRow(first: number, { costs, columns, rowPotential, columnPotential, rowIn }: Placing): void {
  const at = (list: Float64Array | Int32Array, n: number) => list[n] ?? 0;
  const least = new Float64Array(columns + 1).fill(Infinity);
  const before = new Int32Array(columns + 1);
  const isDone = new Uint8Array(columns + 1);
  rowIn[0] = first;
  let column = 0;
  do {
    isDone[column] = 1;
    const row = at(rowIn, column);
    let step = Infinity;
    let next = 0;
    for (let other = 1; other <= columns; other++) {
      if (isDone[other]) continue;
      const cost = (costs[row - 1]?.[other - 1] ?? 0) - at(rowPotential, row) - at(columnPotential, other);
      if (cost < at(least, other)) {
        least[other] = cost;
        before[other] = column;
      }
      if (at(least, other) < step) {
        step = at(least, other);
        next = other;
      }
    }
    for (let other = 0; other <= columns; other++) {
      if (isDone[other]) {
        const held = at(rowIn, other);
        rowPotential[held] = at(rowPotential, held) + step;
        columnPotential[other] = at(columnPotential, other) - step;
      } else least[other] = at(least, other) - step;
    }
    column = next;
  } while (at(rowIn, column) !== 0);
  while (column !== 0) {
    const previous = at(before, column);
    rowIn[column] = at(rowIn, previous);
    column = previous;
  }
}
